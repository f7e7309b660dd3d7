import { groupRecords, isReading, reportOf, sounderId } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { FORMER_FORMAT } from '$lib/record/format';
import type { FormerReading } from '$lib/record/formerRecord';
import type { SentReading } from '$lib/record/record';
import { NO_STRETCH } from '$lib/tuning/stretch';
import { database } from '../db/connection';
import { getInstrument, readStrings } from '../db/stores/instruments';
import { shelfOf } from '../db/stores/shelf';
import { eventsOf } from '../db/stores/record';
import { groupsSet } from '../db/stores/summaries';
import {
	accept,
	asItem,
	beginVisit,
	details,
	DEVICE,
	finishVisit,
	hand,
	newWorkshop,
	reading,
	replan,
	withDatabase,
	newInstrument
} from '../tests/parts';
import { loadScale } from '../instruments/scale';
import { visitBundle } from '../visits/books';
import { visitHistory } from '../visits/history';
import { rebuildSummaries } from './keep';
import { takeIn } from './takeIn';

const WHOLE = { find: '', after: '', most: 1000 };

withDatabase();

async function aVisit() {
	const me = await newWorkshop();
	const instrumentId = await newInstrument(me.workshopId, details('One'));
	const visitId = await beginVisit(me, instrumentId);
	const give = (made: Parameters<typeof hand>[2], now?: Date) => hand(me, visitId, made, now);
	return { ...me, me, instrumentId, visitId, give };
}
const answersOf = (answers: readonly { answer: string }[]) => answers.map(({ answer }) => answer);

describe('what a device hands over', () => {
	it('is stored once, however often it is sent, and comes back exactly', async () => {
		const { workshopId, visitId, give } = await aVisit();
		const first = reading({ note: 60 });
		const taken = accept(first);
		expect(answersOf(await give([first, taken]))).toEqual(['stored', 'stored']);
		expect(answersOf(await give([first, reading({ note: 61 }), taken]))).toEqual(['there', 'stored', 'there']);
		const events = await eventsOf(workshopId, visitId);
		expect(events.filter(isReading)).toHaveLength(2);
		const { partials, takenAt, ...kept } = first;
		expect(events.find(({ id }) => id === first.id)).toEqual({ ...kept, device: DEVICE, at: takenAt.getTime() });
		const row = await database().models.readingPartials.findOne({ where: { readingId: first.id } });
		expect(row!.get().partials).toEqual(partials);
	});

	it('is answered one by one: what is refused costs only itself', async () => {
		const { me, workshopId, visitId } = await aVisit();
		const [good, other] = [reading(), reading()];
		const sent = [
			asItem(visitId, good),
			asItem(visitId, reading({ pitch: 1e-320 })),
			asItem(uuid(), reading()),
			{ ...asItem(visitId, reading()), format: 9 },
			'nonsense',
			null,
			// Another measurement under a number that is taken already.
			asItem(visitId, { ...good, pitch: 441 }),
			asItem(visitId, other)
		];
		const answers = await takeIn(me, { now: new Date(), items: sent });
		expect(answersOf(answers)).toEqual([
			...['stored', 'refused', 'refused', 'refused', 'refused', 'refused', 'refused', 'stored']
		]);
		const why = answers.map((answer) => ('why' in answer ? answer.why : ''));
		expect(why[1]).toBe('It cannot be right: its pitch is out of range.');
		expect(why[2]).toMatch(/no such visit/);
		expect(why[3]).toMatch(/a version of Fendrel that this server does not know/);
		expect(why[6]).toMatch(/Something else is already stored/);
		expect((await eventsOf(workshopId, visitId)).filter(isReading)).toHaveLength(2);
	});

	it('holds intervals that were heard, and refuses those that nobody can have heard', async () => {
		const { me, workshopId, visitId } = await aVisit();
		const heard = (id: string, more = {}) => ({
			...{ ...accept([sounderId(69, 'middle')]), id, do: 'heard' as const, lower: 53, upper: 57 },
			...{ lowerPartial: 5, upperPartial: 4, rate: 7.3, error: 0.05, sense: 'wide' as const, ...more }
		});
		const ids = Array.from({ length: 4 }, () => uuid());
		const items = [
			asItem(visitId, heard(ids[0])),
			asItem(visitId, heard(ids[1], { upper: 53 })),
			asItem(visitId, heard(ids[2], { rate: 900 })),
			asItem(visitId, heard(ids[3], { rate: 7.1 }))
		];
		expect(answersOf(await takeIn(me, { now: new Date(), items }))).toEqual([
			...['stored', 'refused', 'refused', 'stored']
		]);
		// Of each coincidence the last one counts.
		expect(reportOf(await eventsOf(workshopId, visitId)).heard).toMatchObject([{ lower: 53, upper: 57, rate: 7.1 }]);
	});

	it('one that the database itself refuses costs only itself, too', async () => {
		const { workshopId, visitId, give } = await aVisit();
		// The same number twice in one batch as reading of two visits is nobody's fault; an act of an unknown kind is.
		const { models } = database();
		const create = models.acts.bulkCreate;
		const spoilt = accept([sounderId(61, 'middle')]);
		Object.assign(models.acts, {
			bulkCreate(rows: { id: string }[], options: object) {
				const bad = rows.map((row) => (row.id === spoilt.id ? { ...row, kind: 'x'.repeat(99) } : row));
				return create.call(models.acts, bad as never, options);
			}
		});
		try {
			const good = reading();
			expect(answersOf(await give([good, spoilt, accept(good)]))).toEqual(['stored', 'refused', 'stored']);
		} finally {
			Object.assign(models.acts, { bulkCreate: create });
		}
		expect(
			(await eventsOf(workshopId, visitId)).filter((event) => !isReading(event) && event.do === 'accept')
		).toHaveLength(1);
	});

	it('is still taken when the visit is finished, and the summaries follow', async () => {
		const { me, workshopId, visitId, instrumentId, give } = await aVisit();
		await finishVisit(me, visitId, 'Done.');
		expect((await shelfOf(workshopId, WHOLE))[0]).toMatchObject({ id: instrumentId, a4Left: null });
		const late = reading({ pitch: 439.5 });
		expect(answersOf(await give([late, accept(late)]))).toEqual(['stored', 'stored']);
		expect((await shelfOf(workshopId, WHOLE))[0]).toMatchObject({ a4Left: 439.5 });
		expect(await groupsSet(workshopId, [visitId])).toEqual(new Map([[visitId, 1]]));
	});

	it('stands in the server’s time, whatever the device’s clock says, and in the order of its counter', async () => {
		const { workshopId, visitId, give } = await aVisit();
		const wrong = new Date(Date.now() + 40 * 86_400_000);
		const [one, two] = [reading({ takenAt: wrong }), reading({ takenAt: new Date(wrong.getTime() + 1000) })];
		// The clock was put back by an hour before the third.
		const three = reading({ takenAt: new Date(wrong.getTime() - 3_600_000) });
		await give([one, two], new Date(wrong.getTime() + 2000));
		await give([three], new Date(wrong.getTime() - 3_599_000));
		const at = new Map((await eventsOf(workshopId, visitId)).map((event) => [event.id, event.at]));
		const times = [one, two, three].map(({ id }) => at.get(id)!);
		expect(Math.abs(times[0] - Date.now())).toBeLessThan(60_000);
		expect([...times].sort((a, b) => a - b)).toEqual(times);
	});

	it('from two devices at once is all there', async () => {
		const { me, workshopId, visitId } = await aVisit();
		const batches = Array.from({ length: 8 }, () => [reading(), reading(), reading()]);
		const devices = [uuid(), uuid()];
		const answers = await Promise.all(
			batches.map((batch, i) =>
				takeIn(me, { now: new Date(), items: batch.map((each) => asItem(visitId, each, devices[i % 2])) })
			)
		);
		expect(new Set(answersOf(answers.flat()))).toEqual(new Set(['stored']));
		expect((await eventsOf(workshopId, visitId)).filter(isReading)).toHaveLength(24);
		expect((await database().models.visits.findByPk(visitId))!.get().seq).toBeGreaterThanOrEqual(8);
	});
});

describe('a stored value that cannot be', () => {
	it('costs its own figure, never a page', async () => {
		const { workshopId, visitId, instrumentId, give } = await aVisit();
		const [good, bad, worse] = [reading({ note: 60 }), reading({ note: 61 }), reading({ note: 62 })];
		await give([good, bad, worse, accept(bad)]);
		const { sequelize, models } = database();
		await sequelize.query('UPDATE readings SET pitch = 1e-320, target = 1e-320 WHERE id = :id', {
			replacements: { id: bad.id }
		});
		await models.readingPartials.update(
			{ partials: [{ partial: 1, frequency: 1e-320, error: 1e300, level: 1e300 }] },
			{ where: { readingId: worse.id } }
		);
		await rebuildSummaries([instrumentId]);
		const instrument = (await getInstrument(workshopId, instrumentId))!;
		const [visit] = await visitHistory(workshopId, instrument);
		expect(visit.notesSet).toBe(1);
		const { visit: book, about } = await visitBundle(workshopId, visitId);
		const { events } = book;
		const { measured } = about;
		expect(measured.map(({ note, partials }) => [note, partials.length])).toEqual([
			[60, 1],
			[62, 0]
		]);
		expect([...groupRecords(reportOf(events).sounders.values()).keys()].sort()).toEqual([60, 61, 62]);
		const { found, left } = groupRecords(reportOf(events).sounders.values()).get(61)!;
		expect([found, left?.figure]).toEqual([undefined, undefined]);
		await loadScale(workshopId, instrumentId);
	});
});

describe('what devices of before hand over', () => {
	const former = (extra: Partial<FormerReading> = {}): FormerReading => {
		const { way: _, counter: __, sounders: ___, ...figures } = reading();
		return { ...figures, note: 69, string: 'middle', accepted: false, found: false, ...extra };
	};
	const asFormer = (visitId: string, of: FormerReading) => ({
		format: FORMER_FORMAT,
		kind: 'reading',
		visitId,
		reading: of
	});

	it('becomes readings and acts; a measurement that was sent twice is one reading, now and later', async () => {
		const { me, workshopId, visitId } = await aVisit();
		const asRead = former();
		const kept = { ...asRead, id: uuid(), accepted: true };
		const holds = former({ note: 57, accepted: true, pitch: 220.1 });
		const ear = { ...former({ note: 62, accepted: true, pitch: null, deviation: null }), source: 'ear' as const };
		const low = former({ note: 33, string: 'middle', found: true });
		const send = (of: readonly FormerReading[]) =>
			takeIn(me, { now: new Date(), items: of.map((each) => asFormer(visitId, each)) });
		expect(answersOf(await send([asRead, kept, holds, ear, low]))).toEqual(Array(5).fill('stored'));
		expect(answersOf(await send([kept, asRead, holds, ear, low]))).toEqual(Array(5).fill('there'));
		const events = await eventsOf(workshopId, visitId);
		expect(
			events
				.filter(isReading)
				.map(({ sounders }) => sounders.join())
				.sort()
		).toEqual([...['33/left', '57/middle', '69/middle']]);
		const groups = groupRecords(reportOf(events).sounders.values());
		expect(groups.get(69)?.left?.figure?.id).toBe(asRead.id);
		expect(groups.get(57)?.left?.figure?.pitch).toBe(220.1);
		expect(groups.get(62)?.left).toMatchObject({ figure: undefined });
		expect(groups.get(33)).toMatchObject({ found: { id: low.id }, left: undefined });
	});
});

describe('kept summaries', () => {
	const snapshot = async () => {
		const { visitSounders, instrumentSounders, instrumentSummaries } = database().models;
		const all = await Promise.all(
			[visitSounders, instrumentSounders, instrumentSummaries].map((table) => (table as typeof visitSounders).findAll())
		);
		return all.map((rows) => rows.map((row) => JSON.stringify(row.get())).sort());
	};

	it('grown with what is written are the same as made anew', async () => {
		const { me, visitId, give } = await aVisit();
		const made: SentReading[] = [];
		for (let round = 0; round < 6; round++) {
			const some = [60, 61, 62].map((note) =>
				reading({ note, members: round === 2 ? ['middle', 'left'] : ['middle'] })
			);
			made.push(...some);
			// Acts arrive before what they rest on, and the other way round.
			await give([accept(some[0]), accept(some[1], { sounders: [sounderId(61, 'left')] })]);
			await give(some);
		}
		const act = { id: uuid(), counter: 999, doneAt: new Date() };
		await give([{ ...act, do: 'discard', reading: made[15].id }]);
		await finishVisit(me, visitId, '');
		await give([{ ...act, id: uuid(), counter: 1000, do: 'takeBack', act: act.id }]);
		const grown = await snapshot();
		await rebuildSummaries();
		expect(await snapshot()).toEqual(grown);
		expect(grown.every((rows) => rows.length > 0)).toBe(true);
	});

	it('give the instrument its inharmonicity: newest, single strings, sure ones, none that was discarded', async () => {
		const { workshopId, instrumentId, give } = await aVisit();
		const wrong = reading({ note: 60, inharmonicity: 7e-4 });
		const older = reading({ note: 60, inharmonicity: 1e-4 });
		await give([
			older,
			reading({ note: 60, inharmonicity: 2e-4 }),
			reading({ note: 60, inharmonicity: 9e-4, members: ['middle', 'left'] }),
			reading({ note: 61, inharmonicity: 3e-4, inharmonicityError: 2e-4 })
		]);
		const strings = async () =>
			(await readStrings(workshopId, instrumentId)).map((of) => [of.note, of.inharmonicity, of.beforeInharmonicity]);
		expect(await strings()).toEqual([[60, 2e-4, 1e-4]]);
		await give([{ ...wrong, counter: 2_000_000, takenAt: new Date() }]);
		expect(await strings()).toEqual([[60, 7e-4, 2e-4]]);
		await give([{ id: uuid(), counter: 2_000_001, doneAt: new Date(), do: 'discard', reading: wrong.id }]);
		expect(await strings()).toEqual([[60, 2e-4, 1e-4]]);
	});

	it('say how each visit went against the plan that it ended with', async () => {
		const { me, workshopId, visitId, instrumentId, give } = await aVisit();
		await replan(me, visitId, { stretch: NO_STRETCH });
		const found = reading({ target: 440, pitch: 438, deviation: 1200 * Math.log2(438 / 440) });
		await give([found]);
		await replan(me, visitId, { a4: 436 });
		const left = reading({ target: 436, pitch: 436.1, deviation: 1200 * Math.log2(436.1 / 436) });
		await give([left, accept(left)]);
		await finishVisit(me, visitId, '');
		const instrument = { id: instrumentId, kind: 'upright', lowest: 21, highest: 108, usualA4: 440 } as never;
		const [visit] = await visitHistory(workshopId, instrument);
		expect(visit.a4Left).toBe(436.1);
		// Both are told from the usual 440: found 438, left 436.1.
		expect(visit.found).toBeCloseTo(1200 * Math.log2(438 / 440), 6);
		expect(visit.left).toBeCloseTo(1200 * Math.log2(436.1 / 440), 6);
		expect(visit.movedMean).toBeCloseTo(1200 * Math.log2(438 / 436.1), 6);
	});
});
