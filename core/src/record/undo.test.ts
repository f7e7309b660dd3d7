import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accept, happened, of, reading } from '../../fixtures/visitEvents';
import type { Act, VisitEvent } from './happened';
import { reportOf } from './report';
import { undoable } from './undo';

const takeBack = (act: Act): Act => ({ ...happened(), do: 'takeBack', act: act.id });
const plan = (a4: number): Act => ({
	...happened(),
	do: 'plan',
	plan: { id: `p${a4}`, a4, temperamentId: 't', tolerance: 1, curveId: null, lead: null }
});

describe('taking back what was done', () => {
	it('goes back to the first plan and no further, and up again', () => {
		const strike = reading(of(60), -3);
		const done = [
			plan(440),
			strike,
			accept(of(60), strike),
			plan(442),
			{ ...happened(), do: 'place' as const, group: 61 }
		];
		const events: VisitEvent[] = [...done];
		const back: Act[] = [];
		for (let [last] = undoable(reportOf(events)).last; last; [last] = undoable(reportOf(events)).last) {
			const act = takeBack(last);
			back.push(act);
			events.push(act);
		}
		expect(back).toHaveLength(2);
		expect(reportOf(events).plan?.a4).toBe(440);
		expect(reportOf(events).sounders.get(of(60)[0])?.left).toBeUndefined();
		// The strike stays: only what was meant by it is taken back.
		expect(reportOf(events).sounders.get(of(60)[0])?.found).toBeDefined();
		const [again] = undoable(reportOf(events)).again;
		expect(again.act).toBe(done[2]);
		events.push(takeBack(again.by));
		expect(reportOf(events).sounders.get(of(60)[0])?.left?.figure?.id).toBe(strike.id);
		expect(undoable(reportOf(events)).again[0]?.act).toBe(done[3]);
	});

	it('takes nothing up again once something else was done', () => {
		const kept = accept(of(60), null);
		const events = [plan(440), kept, takeBack(kept)];
		expect(undoable(reportOf(events)).again[0]?.act).toBe(kept);
		expect(undoable(reportOf([...events, accept(of(61), null)])).again).toEqual([]);
	});

	it('takes all that one strike of two keys told at once, and no other strike', () => {
		const heard = (upper: number, partial: number): Act => ({
			...happened(),
			...{ do: 'heard', lower: 45, upper, lowerPartial: 2 * partial, upperPartial: partial },
			...{ rate: 0.4, error: 0.1, sense: 'wide' }
		});
		const strikes = [heard(57, 1), heard(57, 2), heard(57, 1), heard(57, 2), heard(57, 3)];
		const events: VisitEvent[] = [plan(440), ...strikes];
		expect(undoable(reportOf(events)).last).toEqual(strikes.slice(2));
		const back = strikes.slice(2).map(takeBack);
		events.push(...back);
		expect(undoable(reportOf(events)).last).toEqual(strikes.slice(0, 2));
		expect(undoable(reportOf(events)).again.map(({ act }) => act)).toEqual(strikes.slice(2));
		expect(undoable(reportOf([plan(440), heard(57, 1), heard(60, 1)])).last).toHaveLength(1);
	});

	it('leaves any history as it was, gone back and up again', () => {
		fc.assert(
			fc.property(fc.array(fc.integer({ min: 60, max: 63 }), { maxLength: 12 }), fc.nat(14), (notes, steps) => {
				const events: VisitEvent[] = [plan(440), ...notes.map((note) => accept(of(note), null))];
				const before = reportOf(events);
				let gone = 0;
				for (; gone < steps; gone++) {
					const [last] = undoable(reportOf(events)).last;
					if (!last) break;
					events.push(takeBack(last));
				}
				expect(gone).toBe(Math.min(steps, notes.length));
				const left = new Set(notes.slice(0, notes.length - gone));
				const standing = [...reportOf(events).sounders.values()].filter(({ left }) => left);
				expect(standing).toHaveLength(left.size);
				for (let [again] = undoable(reportOf(events)).again; again; [again] = undoable(reportOf(events)).again)
					events.push(takeBack(again.by));
				expect(reportOf(events).sounders).toEqual(before.sounders);
			}),
			{ numRuns: 60 }
		);
	});
});
