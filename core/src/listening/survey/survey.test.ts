import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beatsPerSecond, cents, hz } from '../../units/quantity';
import type { StringReading } from '../reading';
import { falseBeatOf, surveyNote, surveyNotes, surveyStrike, type SurveyStrike } from './survey';
import type { PartialBeat, UnisonAnalysis } from '../closer/unison';

const clean: UnisonAnalysis = { partials: [], told: 1, spread: undefined, unresolved: cents(0.4) };
const beating = (partial: number, rate: number, depth: number): PartialBeat => ({
	partial,
	components: [],
	beat: beatsPerSecond(rate),
	depth,
	slowest: beatsPerSecond(0.6),
	unresolved: cents(0.4)
});
const strike = (off: number, change: Partial<SurveyStrike> = {}): SurveyStrike => ({
	note: 57,
	pitch: hz(220 * 2 ** (off / 1200)),
	pitchError: cents(0.02),
	inharmonicity: { b: 3e-4, error: 3e-6 },
	open: false,
	falseBeat: 'none',
	spread: undefined,
	...change
});

describe('a surveyed note', () => {
	it('is known from one good strike', () => {
		expect(surveyNote([strike(2)])).toEqual({
			...strike(2),
			strikes: 1,
			pitch: expect.closeTo(220 * 2 ** (2 / 1200), 6),
			inharmonicity: { b: expect.closeTo(3e-4, 8), error: expect.closeTo(3e-6, 8) },
			pitchError: expect.closeTo(0.02),
			again: undefined
		});
		expect(surveyNote([])).toBeUndefined();
	});

	it('weighs strikes by their errors, and says when they differ by more', () => {
		const both = surveyNote([strike(0, { pitchError: cents(0.3) }), strike(0.3, { pitchError: cents(0.1) })])!;
		expect(1200 * Math.log2(both.pitch / 220)).toBeCloseTo(0.27, 3);
		expect(both.pitchError).toBeCloseTo(Math.sqrt(1 / (1 / 0.09 + 1 / 0.01)), 3);
		const apart = surveyNote([strike(0), strike(1)])!;
		expect(apart.again).toBe('strikes differ');
		expect(apart.pitchError).toBeGreaterThan(0.3);
	});

	it('asks for one more strike only where it helps', () => {
		expect(surveyNote([strike(0, { pitchError: cents(0.6) })])!.again).toBe('pitch unsure');
		const false3 = { rate: 2, depth: 0.5 };
		expect(surveyNote([strike(0, { pitchError: cents(0.6), falseBeat: false3 })])!.again).toBeUndefined();
		const limp = { inharmonicity: undefined };
		expect(surveyNote([strike(0, limp)])!.again).toBe('stiffness unsure');
		expect(surveyNote([strike(0, { ...limp, note: 100 })])!.again).toBeUndefined();
		expect(surveyNote([strike(0, { ...limp, open: true })])!.again).toBeUndefined();
		expect(surveyNote([strike(0, limp), strike(0, limp), strike(0, limp)])!.again).toBeUndefined();
	});

	it('keeps one string and several apart, and the closer look of an earlier strike', () => {
		const spread = { cents: cents(1.4), error: cents(0.1) };
		const open = { open: true, falseBeat: undefined, inharmonicity: undefined };
		expect(surveyNote([strike(9), strike(0, { ...open, spread })])).toMatchObject({ strikes: 1, spread });
		const false3 = { rate: 2.2, depth: 0.6 };
		expect(surveyNote([strike(0, { falseBeat: false3 }), strike(0, { falseBeat: undefined })])!.falseBeat).toBe(false3);
	});
});

describe('a strike with a closer look', () => {
	const reading: StringReading = {
		note: 57,
		struckAt: 1,
		moment: 0.6,
		pitch: hz(220),
		pitchError: cents(0.02),
		flexiblePitch: hz(219.9),
		inharmonicity: 3e-4,
		inharmonicityError: 3e-6,
		partials: []
	};
	it('tells a false beat of one string, a spread of several, never both', () => {
		const partials = [beating(1, 0.8, 0.3), beating(3, 2.2, 0.6), beating(5, 4, 0.05)];
		const spread = { cents: cents(1.4), error: cents(0.1) };
		const analysis = { ...clean, partials, spread };
		expect(surveyStrike(reading, analysis, 1)).toMatchObject({
			falseBeat: { rate: 2.2, depth: 0.6 },
			spread: undefined,
			inharmonicity: { b: 3e-4, error: 3e-6 },
			open: false
		});
		expect(surveyStrike(reading, analysis, 3)).toMatchObject({
			falseBeat: undefined,
			spread,
			inharmonicity: undefined,
			open: true
		});
		expect(surveyStrike(reading, clean, 2).spread).toBe('none');
		expect(surveyStrike(reading, undefined, 1).falseBeat).toBeUndefined();
	});
	it('has no false beat in what is too shallow, or slower than the string sounds', () =>
		expect(falseBeatOf({ partials: [beating(1, 1, 0.09), beating(2, 0.5, 0.4)] })).toBeUndefined());
});

describe('the notes of a survey', () => {
	it('go from end to end and stand on both sides of the break', () => {
		expect(surveyNotes(21, 108, 3, 44)).toHaveLength(32);
		fc.assert(
			fc.property(
				fc.integer({ min: 21, max: 50 }),
				fc.integer({ min: 12, max: 60 }),
				fc.integer({ min: 1, max: 6 }),
				(lowest, size, step) => {
					const notes = surveyNotes(lowest, lowest + size, step, lowest + 7);
					expect(notes[0]).toBe(lowest);
					expect(notes.at(-1)).toBe(lowest + size);
					expect(notes).toEqual(expect.arrayContaining([lowest + 6, lowest + 7]));
					notes.slice(1).forEach((note, i) => {
						expect(note).toBeGreaterThan(notes[i]);
						expect(note - notes[i]).toBeLessThanOrEqual(step);
					});
				}
			)
		);
	});
	it('are not asked for in steps of nothing', () => expect(() => surveyNotes(21, 108, 0)).toThrow(RangeError));
});
