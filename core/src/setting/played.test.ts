import { describe, expect, it } from 'vitest';
import { INTERVALS } from '../intervals/intervalKinds';
import { settingOrder } from './order';
import { playedWith } from './played';

const ground = { lowest: 21, highest: 108 };
const stepOf = (note: number) => settingOrder(ground).find((step) => step.note === note)!;

describe('notes that are played with a step', () => {
	it('are F2 with the reference', () => expect([...playedWith(stepOf(69))]).toEqual([41]));

	it('are the note it is heard against, the coincidence, and the test note', () => {
		// A3 by its 4:2 from A4: F3 below both, A5 struck over silent keys.
		expect(playedWith(stepOf(57))).toEqual(new Set([69, 81, 53]));
		// C2 by its 6:3 from C3: E flat 2, and G4, a fifth and two octaves above C2.
		const c2 = { ...stepOf(36), against: 48, interval: INTERVALS.octave63 };
		expect(playedWith(c2)).toEqual(new Set([48, 67, 39]));
	});

	it('never hold the note itself, on any keyboard', () => {
		for (const step of settingOrder(ground)) expect(playedWith(step).has(step.note)).toBe(false);
	});
});
