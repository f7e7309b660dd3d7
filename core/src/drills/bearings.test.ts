import { describe, expect, it } from 'vitest';
import { DEFAULT_EAR } from '../bearing/ear';
import { bearingPlan } from '../bearing/plan';
import { SCHOOLS } from '../bearing/schools';
import { beatOf } from '../intervals/beats';
import { createRandom } from '../numeric/random';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { scatteredNotes, scoreBearings, type SetNote } from './bearings';
import { movedBy } from '../strings/movedString';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));
const planOf = (school: string) =>
	bearingPlan({
		school,
		start: 69,
		low: 53,
		high: 65,
		strings,
		temperament: temperamentById('equal'),
		ear: DEFAULT_EAR
	});

/** Sets each note of a plan so that its leading interval beats as asked, but for what `errs` adds in beats a second. */
function setBy(plan: ReturnType<typeof planOf>, errs: (step: number) => number): SetNote[] {
	const offs = new Map<number, number>([[plan.start, 0]]);
	plan.steps.forEach(({ note, by }, step) => {
		if (!by[0]) return;
		const { edge } = by[0];
		const rateAt = (off: number) => {
			const at = (of: number) => movedBy(strings(of), of === note ? off : offs.get(of)!);
			return beatOf(at(edge.lower), at(edge.upper), edge.kind).rate;
		};
		let [low, high] = [-60, 60];
		const rises = rateAt(high) > rateAt(low);
		for (let i = 0; i < 60; i++) {
			const middle = (low + high) / 2;
			if (rateAt(middle) < edge.rate + errs(step) === rises) low = middle;
			else high = middle;
		}
		offs.set(note, (low + high) / 2);
	});
	return [...offs].map(([note, off]) => ({ note, off }));
}

describe('bearings that were set', () => {
	it('are without fault where every interval beats as asked, in every school', () => {
		for (const { id } of SCHOOLS.filter(({ id }) => id !== 'pure-first')) {
			const plan = planOf(id);
			const score = scoreBearings(
				plan,
				strings,
				setBy(plan, () => 0),
				DEFAULT_EAR
			);
			expect(score.overall).toBeLessThan(1e-6);
			expect(score.wrong).toBeUndefined();
			expect(score.inversions).toEqual([]);
		}
	});

	it('name the one step that was wrong, by how much, and what it handed on, but not what followed from it', () => {
		for (const { id } of SCHOOLS.filter(({ id }) => id !== 'pure-first')) {
			const plan = planOf(id);
			const wrong = 4;
			const { by, note } = plan.steps[wrong];
			const set = setBy(plan, (step) => (step === wrong ? 3 : 0));
			const found = scoreBearings(plan, strings, set, DEFAULT_EAR).wrong!;
			expect([found.step, found.note]).toEqual([wrong, note]);
			expect(found.found - found.asked).toBeCloseTo(3, 6);
			const { edge } = by[0];
			const perCent = edge.upper === note ? edge.perCentUpper : -edge.perCentLower;
			expect(found.by).toBeCloseTo(3 / perCent, 1);
			// What it handed on is where those notes stand: nothing else was wrong. The model is linear, the strings are not quite.
			for (const { note: other, off } of found.followed)
				expect(off).toBeCloseTo(set.find((each) => each.note === other)!.off, 1);
			const untouched = set.filter(
				(each) => each.note !== note && !found.followed.some((other) => other.note === each.note)
			);
			for (const { off } of untouched) expect(Math.abs(off)).toBeLessThan(1e-6);
		}
	});

	it('take out what all notes stand off together', () => {
		const plan = planOf('circle');
		const set = plan.steps.map(({ note }) => ({ note, off: 7 + (note === 60 ? 2 : 0) }));
		const score = scoreBearings(plan, strings, set, DEFAULT_EAR);
		expect(score.level).toBeCloseTo(7 + 2 / 13, 9);
		expect(score.notes.find(({ note }) => note === 60)!.off).toBeCloseTo(2 - 2 / 13, 9);
		expect(score.overall).toBeLessThan(1);
	});

	it('stand off at first so far that each has to be set, and the fork right', () => {
		const plan = planOf('circle');
		const found = scatteredNotes(plan, createRandom(4));
		expect(found.map(({ note }) => note)).toEqual(plan.steps.map(({ note }) => note));
		expect(found[0]).toEqual({ note: 69, off: 0 });
		for (const { off } of found.slice(1)) {
			expect(Math.abs(off)).toBeGreaterThan(1.9);
			expect(Math.abs(off)).toBeLessThan(11.1);
		}
	});
});
