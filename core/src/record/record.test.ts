import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accept, happened, of, reading, target } from '../../fixtures/visitEvents';
import { compareHappened, isReading, isUsable, type Act, type PlanVersion, type VisitEvent } from './happened';
import { addToReport, groupRecords, pitchLeft, reportOf, type VisitReport } from './report';
import { asSounderId, groupOf, isSounderId, memberOf, sounderId } from './sounder';
import { summariseVisit } from './summary';

describe('names of sounders', () => {
	it('say group and member, and nothing else is one', () => {
		const id = sounderId(69, 'left');
		expect([id, groupOf(id), memberOf(id)]).toEqual(['69/left', 69, 'left']);
		expect(groupOf(sounderId(-2, 'strike'))).toBe(-2);
		for (const text of ['69', '69/', '/left', '69/Left', 'a/b', '69/left/right', '69/left '])
			expect(isSounderId(text), text).toBe(false);
		expect(() => asSounderId('69')).toThrow(RangeError);
		expect(() => sounderId(69.5, 'left')).toThrow(RangeError);
	});
});

describe('the report of a visit', () => {
	it('takes the first reading as found, the last acceptance as left, whichever string told it', () => {
		const first = reading(of(60), -6);
		const second = reading(of(60, 'left'), -1);
		const good = reading(of(60), 0.2);
		const report = reportOf([first, second, good, accept(of(60), good), accept(of(62), null)]);
		const groups = groupRecords(report.sounders.values());
		expect(groups.get(60)).toMatchObject({ found: { id: first.id }, left: { figure: { id: good.id } } });
		expect(report.sounders.get(of(60, 'left')[0])).toMatchObject({ found: { id: second.id }, left: undefined });
		expect(pitchLeft(groups, 60)).toBe(good.pitch);
		// By ear: set, and nothing measured.
		expect(groups.get(62)).toMatchObject({ found: undefined, left: { figure: undefined } });
		expect(pitchLeft(groups, 62)).toBeUndefined();
	});

	it('counts a strike of several strings for each of them', () => {
		const open = reading([...of(60, 'left'), ...of(60, 'right')], 3);
		const report = reportOf([open, accept(open.sounders, open)]);
		for (const sounder of open.sounders) expect(report.sounders.get(sounder)?.left?.figure?.id).toBe(open.id);
	});

	it('takes back, discards, and takes back what was taken back', () => {
		const low = reading(of(60), -5);
		const good = reading(of(60), 0.1);
		const [early, late] = [accept(of(60), low), accept(of(60), good)];
		const back: Act = { ...happened(), do: 'takeBack', act: late.id };
		const leftBy = (events: readonly VisitEvent[]) => reportOf(events).sounders.get(of(60)[0])?.left?.id;
		const all = [low, early, good, late];
		expect(leftBy(all)).toBe(late.id);
		expect(leftBy([...all, back])).toBe(early.id);
		expect(leftBy([...all, back, { ...happened(), do: 'takeBack', act: back.id }])).toBe(late.id);
		const discarded = reportOf([...all, { ...happened(), do: 'discard', reading: low.id }, back]);
		// What rested on a reading that was none falls with it.
		expect(discarded.sounders.get(of(60)[0])).toMatchObject({ found: { id: good.id }, left: undefined });
	});

	it('is not locked by what no string can have sounded', () => {
		const wild = reading(of(60), 0, { pitch: 1e-320 });
		const wilder = reading(of(61), 0, { target: Infinity });
		expect([isUsable(wild), isUsable(wilder)]).toEqual([false, false]);
		const groups = groupRecords(reportOf([wild, wilder, accept(of(60), wild)]).sounders.values());
		expect(groups.get(60)).toMatchObject({ found: undefined, left: { figure: undefined } });
		expect(() => summariseVisit(groups, [60, 61], target)).not.toThrow();
	});

	it('keeps what concerns the whole visit: plan, place, note, end', () => {
		const plan = { id: 'p', a4: 442, temperamentId: 't', tolerance: 1, curveId: null, lead: null };
		const report = reportOf([
			{ ...happened(), do: 'plan', plan },
			{ ...happened(), do: 'place', group: 60 },
			{ ...happened(), do: 'note', text: 'Damp.' },
			{ ...happened(), do: 'place', group: 62 }
		]);
		expect(report).toMatchObject({ plan, place: 62, note: 'Damp.', finishedAt: undefined });
		const end: Act = { ...happened(), do: 'finish' };
		expect(addToReport(report, [end]).finishedAt).toBe(end.at);
	});
});

/** The same by brute force: everything sorted, one loop, nothing kept from before. */
function naive(events: readonly VisitEvent[]) {
	const once = [...new Map(events.map((event) => [event.id, event])).values()].sort(compareHappened);
	const acts = once.filter((event): event is Act => !isReading(event));
	const falls = (id: string, asked: readonly string[] = []): boolean =>
		!asked.includes(id) &&
		acts.some(
			(act) =>
				((act.do === 'takeBack' && act.act === id) || (act.do === 'discard' && act.reading === id)) &&
				!falls(act.id, [...asked, id])
		);
	const records: Record<string, { found?: string; left?: string; pitch?: number }> = {};
	const whole: { plan?: string; place?: number | null; note: string; end?: number } = { note: '' };
	for (const event of once) {
		if (falls(event.id)) continue;
		if (isReading(event)) for (const each of event.sounders) (records[each] ??= {}).found ??= event.id;
		else if (event.do === 'accept') {
			if (event.purpose === 'found' || (event.reading && falls(event.reading))) continue;
			const on = once.find(({ id }) => id === event.reading);
			for (const each of event.sounders)
				Object.assign((records[each] ??= {}), { left: event.id, pitch: on && isReading(on) ? on.pitch : undefined });
		} else if (event.do === 'plan') whole.plan = event.plan.id;
		else if (event.do === 'place') whole.place = event.group;
		else if (event.do === 'note') whole.note = event.text;
		else if (event.do === 'finish') whole.end ??= event.at;
	}
	return { records, whole };
}

function shown(report: VisitReport) {
	const records: Record<string, { found?: string; left?: string; pitch?: number }> = {};
	for (const { sounder, found, left } of report.sounders.values()) {
		const record: (typeof records)[string] = {};
		if (found) record.found = found.id;
		if (left) Object.assign(record, { left: left.id, pitch: left.figure?.pitch });
		if (found || left) records[sounder] = record;
	}
	const { plan, place, note, finishedAt } = report;
	const whole: Record<string, unknown> = { note };
	if (plan) whole.plan = plan.id;
	if (place !== undefined) whole.place = place;
	if (finishedAt !== undefined) whole.end = finishedAt;
	return { records, whole };
}

/** A history of two devices whose clocks differ, with everything that can happen in it. */
const histories = fc
	.array(
		fc.record({
			kind: fc.constantFrom(
				'read',
				'read',
				'read',
				'accept',
				'accept',
				'ear',
				'back',
				'discard',
				'place',
				'note',
				'plan',
				'finish'
			),
			device: fc.constantFrom('a', 'b'),
			note: fc.integer({ min: 60, max: 62 }),
			members: fc.constantFrom(['left'], ['right'], ['left', 'right']),
			off: fc.double({ min: -40, max: 40, noNaN: true }),
			which: fc.nat(200),
			wait: fc.integer({ min: 0, max: 3 }),
			purpose: fc.constantFrom('found' as const, 'set' as const, 'proved' as const)
		}),
		{ maxLength: 40 }
	)
	.map((steps) => {
		const events: VisitEvent[] = [];
		const clock = { a: 0, b: 1 };
		const counters = { a: 0, b: 0 };
		for (const { kind, device, note, members, off, which, wait, purpose } of steps) {
			const at = (clock[device as 'a'] += wait);
			const base = { id: `${device}${++counters[device as 'a']}`, device, counter: counters[device as 'a'], at };
			const sounders = members.map((member) => sounderId(note, member));
			const some = (only: (event: VisitEvent) => boolean) => {
				const fit = events.filter(only);
				return fit.length ? fit[which % fit.length].id : 'unknown';
			};
			if (kind === 'read') events.push({ ...reading(sounders, off), ...base });
			else if (kind === 'accept')
				events.push({ ...accept(sounders, null), ...base, reading: some(isReading), purpose } as Act);
			else if (kind === 'ear') events.push({ ...accept(sounders, null), ...base } as Act);
			else if (kind === 'back') events.push({ ...base, do: 'takeBack', act: some((event) => !isReading(event)) });
			else if (kind === 'discard') events.push({ ...base, do: 'discard', reading: some(isReading) });
			else if (kind === 'place') events.push({ ...base, do: 'place', group: note });
			else if (kind === 'note') events.push({ ...base, do: 'note', text: `${off}` });
			else if (kind === 'plan')
				events.push({
					...base,
					do: 'plan',
					plan: { id: base.id, a4: 440, temperamentId: 't', tolerance: 1, curveId: null, lead: null }
				});
			else events.push({ ...base, do: 'finish' });
		}
		return events;
	});

describe('a thousand random histories', () => {
	it('come to the same in whatever order and in whatever portions they arrive, sent twice or once', () => {
		fc.assert(
			fc.property(
				histories.chain((events) =>
					fc.tuple(
						fc.constant(events),
						fc.shuffledSubarray([...events, ...events], { minLength: 2 * events.length }),
						fc.integer({ min: 1, max: 7 })
					)
				),
				([events, arrived, portion]) => {
					// Some were made here, and stood where the device's own clock had them until the server placed them.
					const own = events.filter(({ device }) => device === 'a');
					let report = reportOf(own.map((event) => ({ ...event, at: 7 - (event.counter % 5) })));
					for (let from = 0; from < arrived.length; from += portion)
						report = addToReport(report, arrived.slice(from, from + portion));
					const expected = JSON.parse(JSON.stringify(naive(events)));
					expect(JSON.parse(JSON.stringify(shown(report)))).toEqual(expected);
					expect(JSON.parse(JSON.stringify(shown(reportOf(events))))).toEqual(expected);
				}
			),
			{ numRuns: 1000 }
		);
	});
});

describe('what is written on two devices', () => {
	const first = { id: 'p0', a4: 440, temperamentId: 't', tolerance: 1, curveId: null, lead: null };
	const begun: Act = { ...happened(), id: 'p0', do: 'plan', plan: first, over: [] };
	type PlanAct = Extract<Act, { do: 'plan' }>;
	const plan = (over: readonly string[], change: Partial<PlanVersion>, wrote: PlanAct['wrote']): PlanAct => {
		const base = happened();
		return { ...base, do: 'plan', plan: { ...first, ...change, id: base.id }, over, wrote };
	};

	it('is merged where they changed different things, and asked about where they changed the same', () => {
		const here = plan(['p0'], { a4: 442 }, ['a4']);
		const there = plan(['p0'], { tolerance: 2, a4: 440 }, ['tolerance']);
		const both = reportOf([begun, here, there]);
		expect(both).toMatchObject({ plan: { a4: 442, tolerance: 2 }, choices: [] });
		expect(both.heads.plan).toEqual([here.id, there.id]);

		const other = plan(['p0'], { a4: 438 }, ['a4']);
		const asked = addToReport(both, [other]);
		expect(asked.plan).toMatchObject({ a4: 438, tolerance: 2 });
		expect(asked.choices).toEqual([{ field: 'a4', versions: [here, other] }]);
		// Something else is chosen meanwhile: the question stays.
		const meanwhile = plan(asked.heads.plan, { ...asked.plan, tolerance: 0.5 }, ['tolerance']);
		expect(addToReport(asked, [meanwhile]).choices).toHaveLength(1);
		const chosen = plan(asked.heads.plan, { ...asked.plan, a4: 442 }, ['a4']);
		expect(addToReport(asked, [chosen])).toMatchObject({ plan: { a4: 442, tolerance: 2 }, choices: [] });
		// What was chosen is taken back: the question stands again.
		const back: Act = { ...happened(), do: 'takeBack', act: chosen.id };
		expect(addToReport(asked, [chosen, back]).choices).toHaveLength(1);
	});

	it('asks nothing about what two visits began with, and takes what somebody chose', () => {
		const begin = (id: string, a4: number): PlanAct => ({
			...{ ...happened(), id, do: 'plan', over: [], wrote: [] },
			plan: { ...first, id, a4, curveId: `curve of ${id}` }
		});
		const [mine, yours] = [begin('b1', 440), begin('b2', 415)];
		expect(reportOf([mine, yours])).toMatchObject({ plan: { a4: 440, curveId: 'curve of b1' }, choices: [] });
		const chosen = plan(['b2'], { a4: 442, curveId: 'curve of b2' }, ['a4']);
		expect(reportOf([mine, yours, chosen])).toMatchObject({ plan: { a4: 442, curveId: 'curve of b1' }, choices: [] });
	});

	it('keeps both notes until one is chosen, and asks nothing about two that say the same', () => {
		const note = (text: string, over?: readonly string[]): Act => ({ ...happened(), do: 'note', text, over });
		const old = note('Damp.');
		const [mine, yours, same] = [note('Damp. G3 buzzes.', [old.id]), note('Dry.', [old.id]), note('Dry.', [old.id])];
		expect(reportOf([old, yours, same]).choices).toEqual([]);
		const report = reportOf([old, mine, yours]);
		expect(report).toMatchObject({ note: 'Dry.', choices: [{ field: 'note', versions: [mine, yours] }] });
		const both = note('Dry. G3 buzzes.', report.heads.note);
		expect(addToReport(report, [both])).toMatchObject({ note: 'Dry. G3 buzzes.', choices: [] });
	});

	it('finds what no other was written over as brute force does, whatever names what', () => {
		const acts = fc.array(
			fc.record({
				over: fc.option(fc.array(fc.nat(12), { maxLength: 3 }), { nil: undefined }),
				text: fc.constantFrom('a', 'b', 'c')
			}),
			{ minLength: 1, maxLength: 12 }
		);
		fc.assert(
			fc.property(acts, (made) => {
				const notes = made.map(({ over, text }, i) => ({
					...{ id: `n${i}`, device: 'a', counter: i, at: i, do: 'note' as const, text },
					over: over?.map((each) => `n${each}`)
				}));
				const reaches = (from: number, to: number, seen = new Set<number>()): boolean => {
					if (seen.has(from)) return false;
					seen.add(from);
					const parents = notes[from].over?.map((id) => Number(id.slice(1))) ?? notes.slice(0, from).map((_, i) => i);
					return parents.some((each) => each < notes.length && (each === to || reaches(each, to, seen)));
				};
				const heads = notes.filter((_, to) => !notes.some((__, from) => from !== to && reaches(from, to)));
				const expected = heads.length ? heads : notes.slice(-1);
				const report = reportOf(notes);
				expect(report.heads.note).toEqual(expected.map(({ id }) => id));
				expect(report.note).toBe(expected.at(-1)!.text);
				const differ = new Set(expected.map(({ text }) => text)).size > 1;
				expect(report.choices).toHaveLength(differ ? 1 : 0);
			}),
			{ numRuns: 1000 }
		);
	});
});

describe('the summary of a visit', () => {
	const events = [
		reading(of(60), -6),
		reading(of(60), 0.2),
		reading(of(61), 2),
		reading(of(63), 4),
		reading(of(63), -0.2)
	];
	const groups = groupRecords(
		reportOf([...events, accept(of(60), events[1]), accept(of(62), null), accept(of(63), events[4])]).sounders.values()
	);

	it('says what was set, left out, found and moved', () => {
		const summary = summariseVisit(groups, [60, 61, 62, 63, 64], target);
		expect(summary.notes.get(60)).toEqual({
			note: 60,
			found: expect.closeTo(-6),
			left: expect.closeTo(0.2),
			set: true
		});
		expect(summary.set).toEqual([60, 62, 63]);
		expect(summary.leftOut).toEqual([61, 64]);
		expect(summary.foundMiddle).toBeCloseTo(2);
		expect(summary.leftMean).toBeCloseTo(0);
		expect(summary.movedMean).toBeCloseTo((6.2 + 4.2) / 2, 9);
		expect(summary.movedMost).toEqual({ note: 60, by: expect.closeTo(6.2) });
	});

	it('does not mix two zeros when A4 is changed in mid-visit', () => {
		const before = reading(of(60), -6);
		const after = reading(of(60), 0.2, { target: target(60, 436) });
		const both = groupRecords(reportOf([before, after, accept(of(60), after)]).sounders.values());
		const down = 1200 * Math.log2(440 / 436);
		const { notes, movedMean } = summariseVisit(both, [60], (note) => target(note, 436));
		expect(notes.get(60)?.found).toBeCloseTo(down - 6, 9);
		expect(notes.get(60)?.left).toBeCloseTo(0.2, 9);
		expect(movedMean).toBeCloseTo(Math.abs(0.2 - (down - 6)), 9);
		// Against the former pitch everything is as much lower.
		expect(summariseVisit(both, [60], target).notes.get(60)?.left).toBeCloseTo(0.2 - down, 9);
	});

	it('has a sentence for nothing', () => {
		const summary = summariseVisit(new Map(), [60, 61], target);
		expect(summary.set).toEqual([]);
		expect(summary.movedMean).toBeUndefined();
		expect(summary.movedMost).toBeUndefined();
	});
});
