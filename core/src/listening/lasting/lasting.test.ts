import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderLastingTone, STEADY_REED, type LastingTone } from '../../sounding/reed';
import { Spectrum } from '../stream/spectrum';
import { centsBetween } from '../../units/pitch';
import { cents, hz } from '../../units/quantity';
import { findComb } from './comb';
import { pressureSlope, weighSlopes } from './pressureSlope';
import { BOW_LIMITS, steadinessOf } from './steadiness';
import { trackTone } from './tracker';

const RATE = 24_000;
const reed = (of: Partial<LastingTone>) => renderLastingTone({ ...STEADY_REED, pitch: 440, seed: 1, ...of }, RATE);
const middleOf = (sound: Float32Array) => sound.subarray(0.3 * RATE, sound.length - 0.3 * RATE);
const combOf = (sound: Float32Array) => {
	const size = 4096;
	const spectrum = new Spectrum(size);
	const ring = sound.slice(RATE, RATE + size);
	spectrum.take(ring, size);
	return findComb(spectrum, RATE);
};

describe('the comb of a tone that lasts', () => {
	it('is that of the tone, from low reeds to high ones, never of its octave', () => {
		for (const pitch of [65, 98, 196, 311, 440, 880, 1760, 3520])
			for (const brightness of [0.5, 0.75, 0.92]) {
				const comb = combOf(reed({ pitch, brightness, seed: pitch }))!;
				expect(Math.abs(1200 * Math.log2(comb.pitch / pitch))).toBeLessThan(12);
				expect(comb.clarity).toBeGreaterThan(8);
				expect(comb.foreign).toBeLessThan(0.02);
			}
	});

	it('stands little above what is breath alone, and a second tone shows beside it', () => {
		expect(combOf(reed({ noise: -6 }))?.clarity ?? -Infinity).toBeLessThan(8);
		// Also in a pure interval, whose tones make one comb together.
		for (const ratio of [6 / 5, 5 / 4, 4 / 3, 3 / 2, 5 / 3, 1.37]) {
			const second = reed({ pitch: 440 * ratio, seed: 2 });
			const both = reed({}).map((value, i) => value + second[i]);
			expect(combOf(both)!.foreign).toBeGreaterThan(0.05);
		}
	});
});

describe('the pitch of a tone that lasts', () => {
	it('is told within half a cent each twentieth of a second, within a tenth in one second', () => {
		const random = createRandom(3);
		const [short, long]: [number[], number[]] = [[], []];
		let [inOne, all] = [0, 0];
		for (let note = 43; note <= 96; note += 5) {
			const pitch = 440 * 2 ** ((note - 69 + 0.2 * random.uniform()) / 12);
			const points = trackTone(middleOf(reed({ pitch, noise: 30, seed: note })), RATE, pitch * 1.004);
			for (const point of points) {
				const off = Math.abs(centsBetween(hz(pitch), point.pitch));
				short.push(off);
				all++;
				if (off <= 2 * point.error) inOne++;
			}
			const { pitch: mean } = steadinessOf(points.slice(0, 20))!;
			long.push(Math.abs(centsBetween(hz(pitch), mean)));
		}
		short.sort((a, b) => a - b);
		expect(short[Math.floor(0.95 * short.length)]).toBeLessThan(0.5);
		expect(Math.max(...long)).toBeLessThan(0.1);
		// Stated errors hold: 95 of 100 within two of them, and not many fewer.
		expect(inOne / all).toBeGreaterThan(0.88);
	});

	it('is steady or not, by limits of reeds and of bows', () => {
		const of = (changes: Partial<LastingTone>, limits?: typeof BOW_LIMITS) =>
			steadinessOf(trackTone(middleOf(reed({ seconds: 3, ...changes })), RATE, 440), limits)!;
		const still = of({});
		expect(still).toMatchObject({ isSteady: true });
		expect(Math.abs(still.drift)).toBeLessThan(0.2);
		expect(of({ drift: 10 })).toMatchObject({ isSteady: false });
		expect(of({ drift: 10 }).drift).toBeCloseTo(10, 0);
		const wobbles = { wobble: { cents: 6, rate: 2 } };
		expect(of(wobbles)).toMatchObject({ isSteady: false });
		expect(of(wobbles, BOW_LIMITS)).toMatchObject({ isSteady: true });
		// Six cents to either side are 4.2 as a standard deviation.
		expect(of(wobbles).wobble).toBeCloseTo(6 / Math.SQRT2, 0);
		expect(of(wobbles).error).toBeGreaterThan(still.error);
		expect(steadinessOf([])).toBeUndefined();
	});
});

describe('the slope of pitch on breath', () => {
	it('is told by one swell within a twentieth of a cent a decibel, and its error is true', () => {
		const off: number[] = [];
		let [right, all] = [0, 0];
		for (let seed = 1; seed <= 24; seed += 2) {
			const slope = -0.5 + 0.025 * seed;
			const swell = { from: -18, to: 0, slope, seconds: 4, noise: 40, wobble: { cents: 0.3, rate: 1.3 } };
			const told = pressureSlope(
				trackTone(middleOf(reed({ ...swell, pitch: 180 + 40 * seed, seed })), RATE, 180 + 40 * seed)
			)!;
			off.push(Math.abs(told.slope - slope));
			all++;
			if (Math.abs(told.slope - slope) <= 2 * told.error) right++;
		}
		off.sort((a, b) => a - b);
		expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(0.05);
		expect(right / all).toBeGreaterThan(0.85);
	});

	it('is refused where harmonics follow the breath each in its own way: a room hides what the reed does', () => {
		const at = Array.from({ length: 60 }, (_, i) => i / 20);
		const levelAt = (moment: number) => -20 + 6 * moment;
		const points = at.map((moment) => ({
			...{ at: moment, pitch: hz(440 * 2 ** ((-0.3 * levelAt(moment)) / 1200)) },
			...{ error: cents(0.05), level: levelAt(moment) }
		}));
		const harmonics = (apart: number) => () =>
			[1, 2, 3].map((n) => ({
				n,
				points: at.map((moment) => ({
					...{ level: levelAt(moment) },
					off: (-0.3 + (n % 2 ? apart : -apart)) * levelAt(moment)
				}))
			}));
		expect(pressureSlope(points, harmonics(0.02))!.slope).toBeCloseTo(-0.3, 3);
		expect(pressureSlope(points, harmonics(0.3))).toBeUndefined();
	});

	it('is not told by a breath that hardly changes, and several swells are weighed together', () => {
		expect(pressureSlope(trackTone(middleOf(reed({ from: -4, seconds: 4 })), RATE, 440))).toBeUndefined();
		expect(weighSlopes([])).toBeUndefined();
		const one = (slope: number, error: number) => ({ slope, error, swells: 1 });
		expect(weighSlopes([one(-0.2, 0.1), one(-0.2, 0.1)])!.error).toBeCloseTo(0.1 / Math.SQRT2, 12);
		const apart = weighSlopes([one(-0.1, 0.02), one(-0.4, 0.02)])!;
		expect(apart.slope).toBeCloseTo(-0.25, 12);
		// They contradict each other: neither is as sure as it says.
		expect(apart.error).toBeGreaterThan(0.1);
	});
});
