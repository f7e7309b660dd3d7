import { asSounderId, isSounderId, type Act, type Reading, type SounderId, type VisitEvent } from '@fendrel/core';
import { Op, QueryTypes, type Transaction, type WhereOptions } from 'sequelize';
import { database } from '../connection';
import type { ActRow, PlanVersionRow, ReadingRow, SimulatedPinsRow, StoredPartial, VisitRow } from '../rows';
import { visitBehind } from './visits';

/** A visit as those see it who write to it. */
export type LockedVisit = Pick<VisitRow, 'id' | 'instrumentId' | 'seq' | 'startedAt' | 'finishedAt'>;

/**
 * Holds a visit of the workshop until the transaction ends: whoever writes to it next waits. The number of a visit that
 * goes on in another leads to that one.
 */
export async function lockVisit(
	workshopId: string,
	id: string,
	transaction: Transaction
): Promise<LockedVisit | undefined> {
	const find = (which: string) =>
		database().models.visits.findOne({
			where: { workshopId, id: which },
			attributes: ['id', 'instrumentId', 'seq', 'startedAt', 'finishedAt'],
			transaction,
			lock: transaction.LOCK.UPDATE
		});
	const row = (await find(id)) ?? (await find(await visitBehind(id, transaction)));
	return row?.get();
}

export async function raiseSeq(id: string, seq: number, transaction: Transaction): Promise<void> {
	await database().models.visits.update({ seq }, { where: { id }, transaction });
}

export type NewReading = { readonly row: ReadingRow; readonly partials: StoredPartial[] };

export async function addReadings(readings: readonly NewReading[], transaction: Transaction): Promise<void> {
	if (readings.length === 0) return;
	const { models } = database();
	await models.readings.bulkCreate(
		readings.map(({ row }) => row),
		{ transaction }
	);
	await models.readingPartials.bulkCreate(
		readings.flatMap(({ row: { visitId, id }, partials }) =>
			partials.length ? [{ visitId, readingId: id, partials }] : []
		),
		{ transaction }
	);
}

export async function addActs(acts: readonly ActRow[], transaction: Transaction): Promise<void> {
	if (acts.length) await database().models.acts.bulkCreate([...acts], { transaction });
}

export async function keepPlanVersions(versions: readonly PlanVersionRow[], transaction: Transaction): Promise<void> {
	if (versions.length) await database().models.planVersions.bulkCreate([...versions], { transaction });
}

/** What the simulated lever moved: of each group the last time counts, in whatever order they arrive. */
export async function movePins(
	visitId: string,
	moved: SimulatedPinsRow['moved'],
	at: Date,
	seq: number,
	transaction: Transaction
): Promise<void> {
	const { simulatedPins } = database().models;
	const before = (await simulatedPins.findByPk(visitId, { transaction }))?.get();
	const stamps = { ...before?.stamps };
	const now = { ...before?.moved };
	for (const [group, pins] of Object.entries(moved)) {
		if ((stamps[group] ?? -Infinity) > at.getTime()) continue;
		stamps[group] = at.getTime();
		now[group] = pins;
	}
	await simulatedPins.upsert({ visitId, moved: now, stamps, seq }, { transaction });
}

export async function pinsOf(visitId: string): Promise<SimulatedPinsRow['moved']> {
	return (await database().models.simulatedPins.findByPk(visitId))?.get().moved ?? {};
}

/**
 * What is stored under these ids in a visit, by kind and id ("reading ...", "act ..."): what it was made from, as its hash;
 * null when nobody kept one.
 */
export async function storedHashes(
	visitId: string,
	ids: readonly string[],
	transaction: Transaction
): Promise<Map<string, string | null>> {
	const { readings, acts } = database().models;
	const where = { visitId, id: [...ids] };
	const read = await readings.findAll({ where, attributes: ['id', 'hash'], transaction });
	const done = await acts.findAll({ where, attributes: ['id', 'hash'], transaction });
	return new Map([
		...read.map((row) => [`reading ${row.get().id}`, row.get().hash] as const),
		...done.map((row) => [`act ${row.get().id}`, row.get().hash] as const)
	]);
}

/** When a device's last thing before a counter and its next one after it were placed. */
export async function placedAround(
	visitId: string,
	device: string,
	{ from, to }: { readonly from: number; readonly to: number },
	transaction: Transaction
): Promise<{ readonly after: Date | undefined; readonly before: Date | undefined }> {
	const [row] = await database().sequelize.query<{ after: string | null; before: string | null }>(
		`SELECT UNIX_TIMESTAMP(MAX(IF(counter < :from, placed_at, NULL))) * 1000 AS \`after\`,
			UNIX_TIMESTAMP(MIN(IF(counter > :to, placed_at, NULL))) * 1000 AS \`before\`
		FROM (SELECT counter, placed_at FROM readings WHERE visit_id = :visitId AND device = :device
			UNION ALL SELECT counter, placed_at FROM acts WHERE visit_id = :visitId AND device = :device) own`,
		{ type: QueryTypes.SELECT, replacements: { visitId, device, from, to }, transaction }
	);
	const date = (ms: string | null) => (ms === null ? undefined : new Date(Math.round(Number(ms))));
	return { after: date(row.after), before: date(row.before) };
}

export const soundersText = (sounders: readonly SounderId[]): string => sounders.join();
export const soundersOf = (text: string): SounderId[] => text.split(',').filter(isSounderId).map(asSounderId);

function readingOf(row: ReadingRow): Reading {
	const {
		workshopId: _,
		visitId: __,
		seq: ___,
		hash: ____,
		takenAt: _____,
		placedAt,
		sounders,
		lasting,
		...reading
	} = row;
	return {
		...{ ...reading, at: placedAt.getTime(), sounders: soundersOf(sounders) },
		...(lasting && { lasting })
	};
}

function actOf({ id, device, counter, placedAt, kind, act }: ActRow): Act {
	return { ...act, id, device, counter, at: placedAt.getTime(), do: kind } as Act;
}

/** Everything that happened in a visit but for where the work stood before, in no order. */
export async function eventsOf(workshopId: string, visitId: string): Promise<VisitEvent[]> {
	const { readings, acts } = database().models;
	const [read, done, place] = await Promise.all([
		readings.findAll({ where: { workshopId, visitId } }),
		acts.findAll({ where: { workshopId, visitId, kind: { [Op.ne]: 'place' } } }),
		acts.findOne({
			where: { workshopId, visitId, kind: 'place' },
			order: [
				['placedAt', 'DESC'],
				['device', 'DESC'],
				['counter', 'DESC']
			]
		})
	]);
	const all = place ? [...done, place] : done;
	return [...read.map((row) => readingOf(row.get())), ...all.map((row) => actOf(row.get()))];
}

/** What was written to a visit after a `seq`: readings with their partials, acts, and what the simulated lever moved. */
export async function changesSince(workshopId: string, visitId: string, since: number) {
	const { readings, readingPartials, acts, simulatedPins } = database().models;
	const where = { workshopId, visitId, seq: { [Op.gt]: since } };
	const [read, done, pins] = await Promise.all([
		readings.findAll({ where }),
		acts.findAll({ where }),
		simulatedPins.findOne({ where: { visitId, seq: { [Op.gt]: since } } })
	]);
	const ids = read.map((row) => row.get().id);
	const told = ids.length ? await readingPartials.findAll({ where: { visitId, readingId: ids } }) : [];
	const partials = new Map(told.map((row) => [row.get().readingId, row.get().partials]));
	return {
		readings: read.map((row) => ({ event: readingOf(row.get()), partials: partials.get(row.get().id) ?? [] })),
		acts: done.map((row) => actOf(row.get())),
		moved: pins?.get().moved,
		movedAt: pins?.get().stamps ?? undefined
	};
}

/** Acts of some kinds in some visits. */
export async function actsOfVisits(
	workshopId: string,
	visitIds: readonly string[],
	kind: readonly Act['do'][]
): Promise<ReadonlyMap<string, readonly Act[]>> {
	if (visitIds.length === 0) return new Map();
	const rows = await database().models.acts.findAll({
		where: { workshopId, visitId: [...visitIds], kind: [...kind] } as WhereOptions<ActRow>
	});
	const found = new Map<string, Act[]>();
	for (const row of rows) {
		const { visitId } = row.get();
		found.set(visitId, [...(found.get(visitId) ?? []), actOf(row.get())]);
	}
	return found;
}

/** Acts that concern the visit as a whole, but for where the work stands, and what takes acts back. */
export async function actsOfVisit(visitId: string, transaction: Transaction): Promise<Act[]> {
	const kind: Act['do'][] = ['plan', 'note', 'stage', 'finish', 'takeBack'];
	const rows = await database().models.acts.findAll({ where: { visitId, kind }, transaction });
	return rows.map((row) => actOf(row.get()));
}

/** What sounders of a visit are judged by; all of it when no sounders are named. */
export async function eventsOfSounders(
	visitId: string,
	sounders: readonly SounderId[] | 'all',
	transaction: Transaction
): Promise<VisitEvent[]> {
	const { readings, acts } = database().models;
	const touching = (extra: object = {}): WhereOptions =>
		sounders === 'all'
			? { visitId, ...extra }
			: { visitId, ...extra, [Op.or]: sounders.map((each) => namesSounder(each)) };
	const read = await readings.findAll({ where: touching(), transaction });
	const taken = await acts.findAll({ where: touching({ kind: 'accept' }), transaction });
	const undoing = await acts.findAll({ where: { visitId, kind: ['takeBack', 'discard'] }, transaction });
	const known = new Set(read.map((row) => row.get().id));
	const missing = taken.flatMap((row) => row.get().readingId ?? []).filter((id) => !known.has(id));
	const resting = missing.length ? await readings.findAll({ where: { visitId, id: missing }, transaction }) : [];
	return [
		...[...read, ...resting].map((row) => readingOf(row.get())),
		...[...taken, ...undoing].map((row) => actOf(row.get()))
	];
}

const namesSounder = (sounder: SounderId) => {
	const { sequelize } = database();
	return sequelize.where(sequelize.fn('FIND_IN_SET', sounder, sequelize.col('sounders')), Op.gt, 0);
};

/** Sounders that were taken by one of these readings. */
export async function soundersRestingOn(
	visitId: string,
	readingIds: readonly string[],
	transaction: Transaction
): Promise<SounderId[]> {
	if (readingIds.length === 0) return [];
	const rows = await database().models.acts.findAll({
		where: { visitId, readingId: [...readingIds] },
		attributes: ['sounders'],
		transaction
	});
	return rows.flatMap((row) => soundersOf(row.get().sounders ?? ''));
}
