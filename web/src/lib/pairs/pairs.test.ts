import type { HeardBeat, PairWord } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import {
	besideAsked,
	errorWords,
	heardRate,
	heardSigned,
	heardWords,
	refusedWords,
	unsidedWords,
	untoldWords,
	wordOf
} from './pairWords';

const beat = (rate: number, error: number, more: Partial<HeardBeat> = {}): HeardBeat => ({
	...{ rate, error, wide: rate > 0 ? 1 : 0, isResolved: true, lowerPartial: 5, upperPartial: 4, heardAt: 880 },
	...{ expected: rate, expectedError: 0.2, unisonRate: 0, certainty: 'clear', sense: rate > 0 ? 'wide' : 'narrow' },
	...more
});

describe('what is said of a beat', () => {
	it('has as many figures as its error lets stand', () => {
		expect(heardWords(beat(7.284, 0.2))).toBe('7.3 wide, ±0.2');
		expect(heardWords(beat(-0.417, 0.03))).toBe('0.42 narrow, ±0.03');
		expect(heardSigned(beat(-7.284, 0.2))).toBe('−7.3 ±0.2');
		expect(heardSigned(beat(0.41, 0.03, { sense: undefined }))).toBe('0.41 ±0.03');
		expect(wordOf({ lower: 53, upper: 57 }, beat(7.284, 0.2))).toBe('F3-A3, 7.3 wide, ±0.2');
		expect([0.004, 0.02, 0.094, 0.095, 0.34].map(errorWords)).toEqual(['0.01', '0.02', '0.09', '0.1', '0.3']);
	});

	it('names no side that is not sure, and nothing that is not to be said', () => {
		expect(heardRate(beat(0.8, 0.3, { sense: undefined, certainty: 'at the limit' }))).toBe('about 0.8');
		expect(heardRate(beat(0.02, 0.04, { sense: undefined }))).toBe('still');
		expect(unsidedWords(beat(0.8, 0.3, { sense: undefined, unisonRate: 1 }))).toContain('a unison itself moves faster');
		expect(unsidedWords(beat(0.8, 0.3, { sense: undefined }))).toBe('Wide or narrow is not sure.');
		expect(unsidedWords(beat(0.8, 0.3)) + unsidedWords(beat(0.02, 0.04, { sense: undefined }))).toBe('');
		const untold = beat(0.8, 0.5, { sense: undefined, certainty: 'not to be said' });
		expect(heardWords(untold)).toBe('not to be told');
		expect(untoldWords({ ...untold, untold: 'too high' })).toContain('unison');
		expect(untoldWords({ ...untold, untold: 'too slow' })).toContain('moves too little');
	});

	it('stands beside what is asked for', () => {
		expect(besideAsked(beat(7.3, 0.05), 7.25)).toBe('as asked');
		expect(besideAsked(beat(7.9, 0.05), 7.1)).toBe('0.8 too fast');
		expect(besideAsked(beat(-0.6, 0.05), -1.1)).toBe('0.5 too slow');
		expect(besideAsked(beat(0.6, 0.05), -0.6)).toBe('on the other side of pure');
		// Without a side only sizes are compared; a still interval has none.
		expect(besideAsked(beat(0.6, 0.05, { sense: undefined }), -0.6)).toBe('as asked');
		expect(besideAsked(beat(0.6, 0.05), 0)).toBe('0.6 too fast');
		expect(besideAsked(beat(0.6, 0.05, { certainty: 'not to be said' }), 0)).toBe('');
	});

	it('says why nothing is told', () => {
		const refused = (why: Extract<PairWord, { kind: 'refused' }>['why'], only?: number) =>
			refusedWords({ kind: 'refused', why, struckAt: 0, seconds: 1, isFinal: true, ...(only && { only }) });
		expect(refused('one note only', 53)).toBe('Only F3 sounded. Strike both keys together.');
		const hidden = { note: 69, beat: beat(1, 0.3, { certainty: 'not to be said', untold: 'unsteady' }) };
		const octave = { kind: 'refused', why: 'one note only', struckAt: 0, seconds: 1, isFinal: true, only: 57 } as const;
		expect(refusedWords({ ...octave, hidden })).toBe(
			'Only A3 sounded, or A4 with it and no beat can be told: one of its strings beats by itself, or does not stand still.'
		);
		expect(refused('another note')).toContain('third key');
		expect(refused('too short')).toContain('Hold both keys');
		expect(refused('no note')).toMatch(/^Nothing/);
	});
});
