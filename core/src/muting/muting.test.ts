import { describe, expect, it } from 'vitest';
import { usualStringing, type Stringing } from '../strings/stringing';
import { mutingPlan, type MutingPlan } from './stripPlan';

/** Strings that speak while everything is muted, by note: each mute silences what it lies against. */
function speaking(
	plan: MutingPlan,
	stringing: Stringing,
	strings: (note: number) => number,
	highest: number
): number[] {
	const silent = new Map<number, number>();
	const silence = (note: number, by = 1) => silent.set(note, (silent.get(note) ?? 0) + by);
	for (const mute of plan.mutes)
		if (mute.kind === 'strip') {
			for (let note = mute.from; note <= mute.to; note++) silence(note, 2);
			if (mute.from > stringing.lowest && strings(mute.from - 1) === 2) silence(mute.from - 1);
		} else if (mute.kind === 'pair') [mute.lower, mute.upper].forEach((note) => silence(note));
		else silence(mute.note);
	return Array.from({ length: highest - stringing.lowest + 1 }, (_, i) => stringing.lowest + i).map(
		(note) => strings(note) - (silent.get(note) ?? 0)
	);
}

describe('muting', () => {
	const strung = (singles: number, bichords: number): Stringing => ({
		lowest: 21,
		choirs: [{ id: 'strings', name: 'Strings' }],
		sections: [
			{ to: 20 + singles, strings: 1, wound: true },
			{ to: 20 + singles + bichords, strings: 2, wound: true },
			{ to: 108, strings: 3, wound: false }
		]
	});

	it.each([9, 10, 13, 14])('leaves one string of each note speaking, with %d bichords below the strip', (bichords) => {
		const stringing = strung(8, bichords);
		const plan = mutingPlan(stringing, 108);
		const strings = (note: number) => (note < 29 ? 1 : note < 29 + bichords ? 2 : 3);
		expect(new Set(speaking(plan, stringing, strings, 108))).toEqual(new Set([1]));
		// Odd: no wedge is left over; even: one, at the lowest.
		const leftOver = plan.mutes.filter((mute) => mute.kind === 'wedge');
		expect(leftOver).toEqual(bichords % 2 ? [] : [{ kind: 'wedge', note: 29 }]);
		expect(plan.free).toEqual([21, 22, 23, 24, 25, 26, 27, 28]);
	});

	it.each([9, 10])('is the other way round in a section of their own: %d bichords', (bichords) => {
		const plan = mutingPlan(strung(8, bichords), 108, [29 + bichords]);
		expect(plan.mutes.filter((mute) => mute.kind === 'wedge')).toHaveLength(bichords % 2);
	});

	it('needs nothing on single-strung instruments', () => {
		const plan = mutingPlan(usualStringing('harpsichord', 29, 89), 89);
		expect([plan.mutes, plan.wedges, plan.free.length]).toEqual([[], 0, 61]);
	});
});
