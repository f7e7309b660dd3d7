import { KEYBOARD, temperamentById, usualStringing } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { planFor } from '$lib/tuning/plan';
import { stepName, walkState } from './finalPass';

const [lowest, highest] = [48, 72];
const plan = planFor({
	...{ kind: 'upright', lowest, highest, a4: 440, measured: [], temperament: temperamentById('equal') }
});
const ground = {
	plan,
	family: KEYBOARD,
	body: { lowest, highest, stringing: usualStringing('upright', lowest, highest) },
	summary: { set: [60, 61] }
} as unknown as Parameters<typeof walkState>[0];
const NONE: Parameters<typeof walkState>[1] = { heard: [], unisons: [], chords: [], unisonLimit: () => 0.6 };
const heard = (lower: number, rate: number) =>
	[{ lower, upper: lower + 12, lowerPartial: 4, upperPartial: 2, rate, error: 0.05, sense: 'wide', at: 0 }] as const;

describe('the final pass', () => {
	it('begins at the bottom, and goes on with what nobody has heard or passed over', () => {
		const begun = walkState(ground, NONE, 'octaves', new Set());
		expect(begun).toMatchObject({ all: 13, heard: 0, out: [] });
		expect(stepName(begun.due!)).toBe('C3-C4');
		expect(stepName(walkState(ground, NONE, 'octaves', new Set(['C3-C4'])).due!)).toBe('C♯3-C♯4');
		const after = walkState(ground, { ...NONE, heard: heard(48, 0.6) }, 'octaves', new Set());
		expect(after.heard).toBe(1);
		expect(stepName(after.due!)).toBe('C♯3-C♯4');
	});

	it('names what stands out, with the note to set again', () => {
		const { out } = walkState(ground, { ...NONE, heard: heard(50, 3.2) }, 'octaves', new Set());
		expect(out).toMatchObject([
			{ note: 50, words: expect.stringMatching(/^3\.2 a second, the plan asks for \d\.\d$/) }
		]);
		const unisons = [
			{ note: 60, apart: 1.4, limit: 0.6 },
			{ note: 61, apart: 0.2, limit: 0.6 }
		];
		const walked = walkState(ground, { ...NONE, unisons }, 'unisons', new Set());
		expect(walked).toMatchObject({ all: 2, heard: 2, due: undefined });
		expect(walked.out).toMatchObject([{ note: 60, words: '1.4 cents apart' }]);
	});

	it('names the note of a chord that stands out of it, from the others', () => {
		const all = {
			...ground,
			summary: { set: Array.from({ length: 25 }, (_, i) => 48 + i) }
		} as unknown as typeof ground;
		const begun = walkState(all, NONE, 'chords', new Set());
		expect(begun.all).toBe(22);
		expect(stepName(begun.due!)).toBe('C major');
		const note = (each: number, cents: number | null, apart = 0) => ({ note: each, cents, error: cents && 0.2, apart });
		const played = (...notes: ReturnType<typeof note>[]) =>
			walkState(all, { ...NONE, chords: [{ root: 0, kind: 'major', notes, at: 0 }] }, 'chords', new Set());
		expect(played(note(60, -3.1), note(64, 1.6), note(67, -3)).out).toMatchObject([
			{ note: 64, words: 'E4 is 4.6 cents sharp of the others' }
		]);
		expect(played(note(60, 0.2), note(64, null), note(67, 0.1, 1.5)).out).toMatchObject([
			{ note: 67, words: 'G4 moves: its strings lie 1.5 cents apart, or one beats by itself' }
		]);
		const still = played(note(60, 0.2), note(64, -0.4), note(67, 0.1));
		expect([still.heard, still.out]).toEqual([1, []]);
	});

	it('ends where everything was heard or passed over', () => {
		const short = { ...ground, body: { ...(ground.body as object), highest: 60 } } as typeof ground;
		expect(walkState(short, { ...NONE, heard: heard(48, 0.5) }, 'octaves', new Set()).due).toBeUndefined();
		expect(walkState(short, NONE, 'doubleOctaves', new Set())).toMatchObject({ all: 0, due: undefined });
	});
});
