import { describe, expect, it } from 'vitest';
import { beatOfPair, PAIR_RATE, struckPair, thoughtOf, usualB, type PairWishes } from '../../../fixtures/strikePairs';
import { renderStrike, USUAL_MOTION } from '../../sounding/strike';
import { partialHz, stringFromFirstPartial, type StiffString } from '../../strings/stiffString';
import { equalHz, hzAbove } from '../../units/pitch';
import { cents, hz } from '../../units/quantity';
import { hearPair, type HeardBeat } from './hearPair';

type Pair = readonly [lower: number, upper: number];

function heard(wishes: PairWishes, pairs: readonly Pair[]) {
	const made = struckPair(wishes);
	const { note, semitones } = wishes;
	const told = hearPair(
		{ samples: made.samples, sampleRate: PAIR_RATE },
		thoughtOf(note),
		thoughtOf(note + semitones),
		pairs
	);
	return { made, told };
}

/** What was said of each coincidence, with the truth. */
function beats(wishes: PairWishes, pairs: readonly Pair[]) {
	const { made, told } = heard(wishes, pairs);
	if (told.kind !== 'heard') throw new Error(told.why);
	return told.beats.map((beat: HeardBeat) => ({
		...beat,
		truth: beatOfPair(made, [beat.lowerPartial, beat.upperPartial])
	}));
}

const THIRD: Pair = [5, 4];
const FIFTH: Pair = [3, 2];

describe('two strings struck together', () => {
	it.each([
		['minor third', 3, [6, 5]],
		['major third', 4, THIRD],
		['fourth', 5, [4, 3]],
		['fifth', 7, FIFTH],
		['major sixth', 9, [5, 3]],
		['major tenth', 16, [5, 2]]
	] as const)('beat as they were made, wide or narrow: %s', (_, semitones, pair) => {
		for (const [i, note] of [45, 53, 58, 65].entries()) {
			const [beat] = beats({ note, semitones, seed: 40 + i }, [pair]);
			// Three seconds part tones a third of a turn apart; noise 20 dB down moves them by hundredths.
			expect(Math.abs(beat.rate - beat.truth)).toBeLessThan(0.06);
			expect(beat.certainty).toBe('clear');
			if (beat.sense) expect(beat.sense).toBe(beat.truth > 0 ? 'wide' : 'narrow');
		}
	});

	it('tell an octave’s sizes, though the upper note has no partial of its own', () => {
		for (const [i, note] of [41, 50, 53, 62].entries())
			for (const beat of beats({ note, semitones: 12, seed: 60 + i }, [
				[2, 1],
				[4, 2],
				[6, 3]
			])) {
				expect(Math.abs(beat.rate - beat.truth)).toBeLessThan(0.17);
				if (beat.sense) expect(beat.sense).toBe(beat.truth > 0 ? 'wide' : 'narrow');
			}
	});

	it('are told below a turn in the time heard, with an error that says so', () => {
		for (const off of [2, 2.5, 3]) {
			const [beat] = beats({ note: 53, semitones: 7, seed: 5, off, scatter: 0 }, [FIFTH]);
			expect(Math.abs(beat.truth)).toBeLessThan(1 / 3);
			expect(Math.abs(beat.rate - beat.truth)).toBeLessThan(Math.max(0.05, 3 * beat.error));
		}
	});

	it('turn their sense with their size', () => {
		const sense = (off: number) => beats({ note: 57, semitones: 7, seed: 9, off, scatter: 0 }, [FIFTH])[0].sense;
		expect(sense(-9)).toBe('narrow');
		expect(sense(9)).toBe('wide');
	});

	it('are said sooner with a wider error', () => {
		const at = (seconds: number) => beats({ note: 53, semitones: 4, seed: 3, seconds }, [THIRD])[0];
		expect(at(1).error).toBeGreaterThan(at(3).error);
		expect(Math.abs(at(1).rate - at(1).truth)).toBeLessThan(0.3);
	});

	const SIXTH: Pair = [5, 3];
	const glide = { cents: 1.4, seconds: 0.12 };
	it('are told though both strings come down to their pitch after the attack', () => {
		for (const note of [53, 57, 62, 67])
			for (const [semitones, pair] of [[4, THIRD] as const, [9, SIXTH] as const]) {
				const [beat] = beats({ note, semitones, seed: 31 * note + semitones, glide, over: 40 }, [pair]);
				expect(beat.untold).toBeUndefined();
				expect(Math.abs(beat.rate - beat.truth)).toBeLessThan(0.05);
			}
	});

	it('are hardly told where one of them beats by itself by more than could be said, and never wrong', () => {
		const motion = { ...USUAL_MOTION, sideways: { share: 0.3, cents: 3 } };
		let told = 0;
		for (const note of [57, 62, 65, 67])
			for (const [semitones, pair] of [[4, THIRD] as const, [9, SIXTH] as const])
				for (const beat of beats({ note, semitones, seed: 19 * note + semitones, glide, motion, over: 40 }, [pair])) {
					if (beat.untold) continue;
					told++;
					expect(Math.abs(beat.rate - beat.truth)).toBeLessThan(3 * beat.error);
				}
		expect(told).toBeLessThan(3);
	});
});

describe('open unisons', () => {
	/** Three strings about a note, so many cents to either side. */
	const unison = (note: number, by: number, apart: number) =>
		[0, -apart, 0.7 * apart].map((off) =>
			stringFromFirstPartial(hzAbove(equalHz(note, hz(440)), cents(by + off)), usualB(note))
		);
	const struck = (note: number, strings: readonly StiffString[], seed: number) =>
		renderStrike({
			...{ note, strings, sampleRate: PAIR_RATE, seconds: 3.12, strength: 0.6, seed, motion: USUAL_MOTION }
		}).subarray(Math.round(0.12 * PAIR_RATE));

	it.each([
		['major third', 4, THIRD, 1],
		['major third whose upper note is soft', 4, THIRD, 0.25],
		['major sixth', 9, [5, 3] as const, 0.6],
		['tenth', 16, [5, 2] as const, 0.6]
	] as const)('beat as their strings do on the whole: %s', (_, semitones, pair, level) => {
		for (const [i, note] of [45, 50, 55].entries()) {
			const [low, high] = [unison(note, 3 * i, 0.6), unison(note + semitones, -2 * i, 0.8)];
			const [a, b] = [struck(note, low, 70 + i), struck(note + semitones, high, 90 + i)];
			const samples = a.map((value, k) => value + level * b[k]);
			const open = (of: number) => ({ ...thoughtOf(of), strings: 3 });
			const told = hearPair({ samples, sampleRate: PAIR_RATE }, open(note), open(note + semitones), [pair]);
			if (told.kind !== 'heard') throw new Error(told.why);
			const [beat] = told.beats;
			const truth = partialHz(high[0], pair[1]) - partialHz(low[0], pair[0]);
			// The strings of a unison lie up to a cent apart: 0.5 per second at 900 Hz.
			if (beat.certainty !== 'not to be said') expect(Math.abs(beat.rate - truth)).toBeLessThan(0.55);
			if (beat.sense) expect(beat.sense).toBe(truth > 0 ? 'wide' : 'narrow');
			if (level === 1) expect(beat.certainty).not.toBe('not to be said');
		}
	});
});

describe('a unison that moves', () => {
	it('faster than the interval takes its sense away, whatever the interval is', () => {
		const strings = [-2.5, 2.5].map((off) =>
			stringFromFirstPartial(hzAbove(equalHz(53, hz(440)), cents(off)), usualB(53))
		);
		const upper = stringFromFirstPartial(hzAbove(equalHz(60, hz(440)), cents(-1)), usualB(60));
		const strike = { sampleRate: PAIR_RATE, seconds: 3.12, strength: 0.6, motion: USUAL_MOTION };
		const low = renderStrike({ ...strike, note: 53, strings, seed: 1 });
		const high = renderStrike({ ...strike, note: 60, strings: [upper], seed: 2 });
		const samples = low.map((value, i) => value + high[i]).subarray(Math.round(0.12 * PAIR_RATE));
		const told = hearPair(
			{ samples, sampleRate: PAIR_RATE },
			{ ...thoughtOf(53), strings: 2 },
			{ ...thoughtOf(60), strings: 1 },
			[FIFTH]
		);
		if (told.kind !== 'heard') throw new Error(told.why);
		// Five cents at 523 Hz.
		expect(told.beats[0].unisonRate).toBeGreaterThan(1);
		expect(told.beats[0].sense).toBeUndefined();
	});
});

describe('what is no pair', () => {
	it.each(['lower', 'upper'] as const)('only the %s key was struck', (only) => {
		const { told } = heard({ note: 53, semitones: 4, seed: 8, only }, [THIRD]);
		expect(told).toMatchObject({ kind: 'refused', why: 'one note only' });
	});

	it('a third note sounds too', () => {
		for (const [i, third] of [57, 60, 64].entries()) {
			const made = struckPair({ note: 53, semitones: 7, seed: 20 + i });
			const other = struckPair({ note: third, semitones: 12, seed: 30 + i, only: 'lower' });
			const samples = made.samples.map((value, at) => value + 0.8 * other.samples[at]);
			const told = hearPair({ samples, sampleRate: PAIR_RATE }, thoughtOf(53), thoughtOf(60), [FIFTH]);
			// A note that is one of the two is no third.
			if (third === 60) expect(told.kind).toBe('heard');
			else expect(told).toEqual({ kind: 'refused', why: 'another note' });
		}
	});

	it('another key than was thought', () => {
		const made = struckPair({ note: 53, semitones: 5, seed: 12 });
		const told = hearPair({ samples: made.samples, sampleRate: PAIR_RATE }, thoughtOf(53), thoughtOf(57), [THIRD]);
		expect(told.kind).toBe('refused');
	});

	it('too short to tell', () => {
		const { told } = heard({ note: 53, semitones: 4, seed: 8, seconds: 0.4 }, [THIRD]);
		expect(told).toEqual({ kind: 'refused', why: 'too short' });
	});
});
