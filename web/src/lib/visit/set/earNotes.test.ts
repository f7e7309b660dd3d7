import { settingOrder, temperamentById, type NoteRecord } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { BALANCED, curveAt, type KeptCurve } from '$lib/tuning/curve';
import { planFor } from '$lib/tuning/plan';
import { earNotes } from './earNotes';
import { followingCurve } from './followingCurve';

const [lowest, highest] = [21, 108];
const curve: KeptCurve = {
	id: 'c',
	visitId: null,
	madeAt: new Date(0),
	wish: BALANCED,
	lowest,
	deviations: Array.from({ length: 88 }, (_, i) => (i - 48) / 10),
	notesRead: 12
};
const plan = planFor({
	...{ kind: 'upright', lowest, highest, a4: 440, measured: [] },
	...{ temperament: temperamentById('equal'), curve }
});
const order = settingOrder({ lowest, highest });
const left = (...notes: readonly (readonly [note: number, off: number])[]) =>
	new Map(notes.map(([note, off]): [number, NoteRecord] => [note, { note, found: off, left: off, set: true }]));
const open = (notes: ReadonlyMap<number, NoteRecord>, more: object = {}) =>
	({
		record: {
			visitId: 'v',
			report: { plan: { ...more } },
			groups: new Map([...notes.keys()].map((note, i) => [note, { left: { at: i } }]))
		},
		summary: { notes },
		visit: { tolerance: 1 },
		instrument: { lowest },
		...{ curve, plan }
	}) as unknown as Parameters<typeof followingCurve>[0];

describe('notes kept by ear', () => {
	it('are those off the plan, in the order in which they were kept; never the reference', () => {
		const kept = open(left([48, 2], [60, 0.4], [47, -1.5], [69, 3]));
		expect(earNotes(kept, order)).toEqual([
			{ note: 48, off: 2 },
			{ note: 47, off: -1.5 }
		]);
	});

	it('count from less on where the ear sets', () => {
		const byEar = {
			order: { first: 'circle', octave: 53, outwards: 'upFirst', unisons: 'notAsked', byEar: 'outwards' }
		};
		expect(earNotes(open(left([40, 0.4], [60, 0.4]), byEar), order)).toEqual([{ note: 40, off: 0.4 }]);
	});

	it('are none while notes are only touched', () =>
		expect(earNotes(open(left([48, 2]), { touch: [{ note: 48, above: 2 }] }), order)).toEqual([]));
});

describe('a plan that follows the ear', () => {
	const ear = [{ note: 48, off: 2 }];
	const anew = followingCurve(open(left([48, 2], [47, 0])), ear)!;
	const moved = (note: number) => curveAt(anew, note) - plan.stretchAt(note);

	it('has the ear’s notes where they stand, what was kept where it was, and the rest between', () => {
		expect(moved(48)).toBeCloseTo(2, 6);
		expect(moved(47)).toBeCloseTo(0, 6);
		expect(moved(69)).toBeCloseTo(0, 6);
		expect(moved(50)).toBeGreaterThan(0.5);
		expect(moved(50)).toBeLessThan(2);
		expect(Math.abs(moved(100))).toBeLessThan(0.01);
	});

	it('says which notes it has by ear', () => expect(Object.keys(anew.wish.held)).toEqual(['48']));

	it('does not come of a plan without a curve', () =>
		expect(followingCurve({ ...open(left([48, 2])), curve: undefined } as never, ear)).toBeUndefined());
});
