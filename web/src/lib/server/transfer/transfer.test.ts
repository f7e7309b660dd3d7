import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { SignedIn } from '../auth/session';
import { database } from '../db/connection';
import { knownStrings } from '../strings/known';
import { strungOf } from '../db/stores/instruments';
import { visitHistory } from '../visits/history';
import { getInstrument } from '../db/stores/instruments';
import { book } from '../diary/bookings';
import { keepContact, keepPlace } from '../places/keep';
import { takeClimate } from '../places/climate';
import { accept, beginVisit, details, hand, newInstrument, newWorkshop, reading, withDatabase } from '../tests/parts';
import { linesOf } from './linesOf';
import { forgetParts, keepPart, linesIn, partsThere } from './parts';
import { OUT } from './tables';
import { OLDEST_FORMAT } from './tables';
import { takeInWorkshop } from './takeIn';

withDatabase();

const refused = (status: number, message: string | RegExp) =>
	expect.objectContaining({ status, body: expect.objectContaining({ message: expect.stringMatching(message) }) });

async function exported(workshopId: string): Promise<string[]> {
	let text = '';
	for await (const some of linesOf(workshopId)) text += some;
	return text.trimEnd().split('\n');
}
const from = (lines: readonly string[]) =>
	async function* () {
		yield* lines;
	};

/** A temperament of nobody's, which every workshop would see. */
const LIBRARY = JSON.stringify({
	...{ table: 'temperaments', id: uuid(), slug: 'planted', name: 'Planted', tuning: {}, about: {}, version: 0 }
});

/** A workshop with a little of everything. */
async function furnished(): Promise<{ me: SignedIn; instrumentId: string; lines: string[] }> {
	const me = await newWorkshop();
	const place = uuid();
	const blank = { address: '', latitude: 51.5, longitude: -0.25, fromHome: null, version: 0 };
	await keepPlace(me, place, { name: 'The hall', town: 'Saltmarsh', entry: 'Key “under” the pot\n', ...blank });
	const instrumentId = await newInstrument(me.workshopId, details('Köln \\ upright'));
	const visitId = await beginVisit(me, instrumentId);
	const one = reading({ note: 69, pitch: 438.1234567890123, inharmonicity: 4.2e-4 });
	await hand(me, visitId, [one, accept(one)]);
	await keepContact(me, uuid(), {
		name: 'Ida',
		role: '',
		phone: '1',
		email: '',
		note: '',
		locationId: place,
		version: 0
	});
	await takeClimate(me, place, [{ day: '2026-07-14', temperature: 20.5, humidity: null }]);
	await book(me, [
		{
			...{ id: uuid(), userId: me.userId, locationId: place, instruments: [instrumentId] },
			...{ startsAt: '2026-07-14T09:00:00.123Z', minutes: 60, purpose: '', promised: '' }
		}
	]);
	await database().models.attachments.create({
		...{ visitId, id: uuid(), workshopId: me.workshopId, type: 'image/jpeg', bytes: Buffer.from([0, 1, 255, 10, 13]) },
		...{ hash: 'a'.repeat(64), addedAt: new Date('2026-07-14T09:00:00.456Z') }
	});
	return { me, instrumentId, lines: await exported(me.workshopId) };
}

/** As if it had never been on this server. */
async function forget({ workshopId }: SignedIn): Promise<void> {
	const { sequelize } = database();
	await sequelize.transaction(async (transaction) => {
		await sequelize.query('SET FOREIGN_KEY_CHECKS = 0', { transaction });
		for (const { table, of = 'workshop_id = :workshopId' } of [...OUT].reverse())
			await sequelize.query(`DELETE FROM ${table} WHERE ${of}`, { replacements: { workshopId }, transaction });
		for (const table of ['visit_sounders', 'instrument_sounders'])
			await sequelize.query(`DELETE FROM ${table} WHERE workshop_id = :workshopId`, {
				replacements: { workshopId },
				transaction
			});
		await sequelize.query('SET FOREIGN_KEY_CHECKS = 1', { transaction });
	});
}

/** Forgotten here, and the same person, by the e-mail address, in an empty workshop. */
async function elsewhere(me: SignedIn): Promise<SignedIn> {
	const email = (await database().models.users.findByPk(me.userId))!.get().email;
	await forget(me);
	const other = await newWorkshop();
	await database().models.users.update({ email }, { where: { id: other.userId } });
	return other;
}

/** Lines as they compare: without when they were written, and with the numbers that are this server's own made alike. */
const alike = (lines: readonly string[], { workshopId, userId }: SignedIn) =>
	lines
		.slice(1)
		.filter((line) => !line.includes('"table":"users"') && !line.includes('workshop taken in'))
		.map((line) => line.replaceAll(workshopId, 'WORKSHOP').replaceAll(userId, 'ME'))
		.map((line) => {
			const { created_at, demo, first, ...row } = JSON.parse(line) as Record<string, unknown>;
			return row.table === 'workshops' ? row : { ...row, created_at, demo, first };
		});

describe('all of a workshop', () => {
	it('goes out and comes back into an empty one, identically', async () => {
		const { me, instrumentId, lines } = await furnished();
		const instrument = (await strungOf(me.workshopId, instrumentId))!;
		const before = [await visitHistory(me.workshopId, instrument), await knownStrings(me.workshopId, instrument)];
		expect(before[1]).toHaveLength(1);
		const other = await elsewhere(me);
		const taken = await takeInWorkshop(other, from(lines));
		expect(taken).toMatchObject({
			instruments: 1,
			visits: 1,
			readings: 1,
			places: 1,
			bookings: 1,
			attachments: 1,
			users: 1
		});
		const again = await exported(other.workshopId);
		expect(alike(again, other)).toEqual(alike(lines, me));
		// What is kept to be quick was made anew from it.
		const back = (await getInstrument(other.workshopId, instrumentId))!;
		expect(back).toMatchObject({ name: 'Köln \\ upright', workshopId: other.workshopId });
		expect([
			await visitHistory(other.workshopId, back),
			await knownStrings(other.workshopId, (await strungOf(other.workshopId, instrumentId))!)
		]).toEqual(
			before.map(
				(each) =>
					JSON.parse(JSON.stringify(each).replaceAll(me.userId, other.userId), (key, value: unknown) =>
						key === 'startedAt' ? new Date(value as string) : value
					) as unknown
			)
		);
		await expect(takeInWorkshop(other, from(lines))).rejects.toEqual(refused(409, 'holds something already'));
		await forget(other);
	});

	it('goes out as it stood at one moment, whatever is written meanwhile', async () => {
		const { me, lines } = await furnished();
		let text = '';
		let began = 0;
		for await (const some of linesOf(me.workshopId)) {
			text += some;
			// Rows of tables that are read later than the one they name.
			if (began++ === 0) await beginVisit(me, await newInstrument(me.workshopId, details('Added meanwhile')));
		}
		expect(text).not.toContain('Added meanwhile');
		expect(text.trimEnd().split('\n').slice(1)).toEqual(lines.slice(1));
		expect((await exported(me.workshopId)).join()).toContain('Added meanwhile');
	});

	it('comes in from the version before, which knew of no looks by telephone', async () => {
		const { me, lines } = await furnished();
		const other = await elsewhere(me);
		const former = JSON.stringify({ ...(JSON.parse(lines[0]) as object), format: OLDEST_FORMAT });
		await takeInWorkshop(other, from([former, ...lines.slice(1)]));
		expect(alike(await exported(other.workshopId), other)).toEqual(alike(lines, me));
	});

	it('is taken in whole or not at all, and never out of another workshop', async () => {
		const { me, lines } = await furnished();
		const other = await newWorkshop();
		const empty = async () => expect((await exported(other.workshopId)).length).toBe(3);
		// It is on this server already.
		await expect(takeInWorkshop(other, from(lines))).rejects.toEqual(refused(409, 'on this server already'));
		await empty();
		await forget(me);
		const third = await newWorkshop();
		const foreign = await newInstrument(third.workshopId, details('Not theirs'));
		const at = (table: string) => lines.findIndex((line) => line.includes(`"table":"${table}"`));
		const changed = (table: string, row: object) =>
			lines.map((line, i) => (i === at(table) ? JSON.stringify({ ...(JSON.parse(line) as object), ...row }) : line));
		const wrong: readonly [readonly string[], string | RegExp][] = [
			[lines.slice(1), 'no file of a workshop'],
			[[JSON.stringify({ ...(JSON.parse(lines[0]) as object), format: 99 }), ...lines.slice(1)], 'A later version'],
			[[JSON.stringify({ ...(JSON.parse(lines[0]) as object), format: 1 }), ...lines.slice(1)], 'An earlier version'],
			[[...lines.slice(0, -1), lines.at(-1)!.slice(0, 20)], 'cannot be read'],
			[changed('visits', { instrument_id: foreign }), 'names something of “instruments”'],
			[changed('instruments', { workshop_id: third.workshopId }), 'names something of “workshops”'],
			[changed('instruments', { workshop_id: undefined }), 'is of another workshop'],
			[[...lines, LIBRARY], 'is of another workshop'],
			[changed('acts', { visit_id: uuid() }), 'names something of “visits”'],
			[changed('instruments', { cost: 3 }), 'has no column “cost”'],
			[changed('instruments', { name: ['x'] }), 'is to be one value'],
			[changed('visits', { started_at: 'yesterday' }), 'is no time'],
			[[...lines, JSON.stringify({ table: 'sessions', user_id: third.userId })], 'of no table'],
			[[...lines, '{"table":"workshops","id":"x","name":"second"}'], 'a second workshop'],
			[[lines[0]], 'holds no workshop']
		];
		for (const [file, message] of wrong) {
			await expect(takeInWorkshop(other, from(file)), String(message)).rejects.toEqual(refused(400, message));
			await empty();
		}
	});

	it('arrives in parts, cut anywhere, each person’s own', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const id = uuid();
		await keepPart(me.userId, id, 1, 'cond\n\nthird');
		await keepPart(me.userId, id, 0, 'first\nse');
		await keepPart(me.userId, id, 0, 'first\nse');
		expect(await partsThere(me.userId, id, 2)).toBe(2);
		expect(await partsThere(other.userId, id, 2)).toBe(0);
		const lines: string[] = [];
		for await (const line of linesIn(me.userId, id, 2)) lines.push(line);
		expect(lines).toEqual(['first', 'second', 'third']);
		await forgetParts(me.userId, id);
		expect(await partsThere(me.userId, id, 2)).toBe(0);
	});
});
