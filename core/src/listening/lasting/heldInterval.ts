import { deviation, mean, median } from 'd3-array';
import { normalTail } from '../../numeric/normalTail';
import { weightedLine } from '../../numeric/weighted';
import { turnedBack, windowOf } from '../closer/envelope';
import { HOP, LEAST_POINT_ERROR, ownHarmonics, trackTone, type TonePoint } from './tracker';

/** How two tones that last beat where their harmonics meet. */
export interface HeldBeat {
	/** Per second, above 0 where the upper tone is too high: wide. */
	readonly rate: number;
	readonly error: number;
	/** Undefined: slower than its error can tell. */
	readonly sense: 'wide' | 'narrow' | undefined;
}

/** Windows that may part two tones, in seconds: the shortest that leaves each of them so many harmonics of its own. */
const WINDOWS = [0.06, 0.09, 0.13, 0.2] as const;
const OWN = 3;
/** Parts whose means tell the error of the whole. */
const PARTS = 5;
const LEAST_ERROR = 0.005;
const SENSE = { chance: 0.95, errors: 1.6 } as const;

/** Phase that errs by more than that, in cents of the first harmonic times its hertz, is that of noise (237 to 370; tones up to 35, in a room more). */
const NOISE = 170;
/** Whether a tone was there that could be followed. */
export function isThere(points: readonly TonePoint[]): boolean {
	const errors = points.map(({ error, pitch }) => pitch * Math.sqrt(Math.max(0, error ** 2 - LEAST_POINT_ERROR ** 2)));
	return (median(errors) ?? Infinity) < NOISE;
}

function told(rates: readonly number[]): HeldBeat | undefined {
	if (rates.length < PARTS) return undefined;
	const each = Math.floor(rates.length / PARTS);
	const parts = Array.from({ length: PARTS }, (_, k) => mean(rates.slice(k * each, (k + 1) * each))!);
	const rate = mean(rates)!;
	const error = Math.max(LEAST_ERROR, deviation(parts)! / Math.sqrt(PARTS));
	return withSense(rate, error);
}

function withSense(rate: number, error: number): HeldBeat {
	const isSure = 1 - normalTail(Math.abs(rate) / error) >= SENSE.chance && Math.abs(rate) >= SENSE.errors * error;
	return { rate, error, sense: isSure ? (rate > 0 ? 'wide' : 'narrow') : undefined };
}

/**
 * Two tones, each followed by the harmonics that are its own: beat q f2 - p f1.
 * @param lower, upper Hz, as they are thought to stand
 * @param others what sounds besides
 * @returns undefined where one of them has too few harmonics of its own (an octave, a twelfth), or the sound is too short
 */
export function heldBeat(
	samples: Float32Array,
	sampleRate: number,
	lower: number,
	upper: number,
	[p, q]: readonly [lowerPartial: number, upperPartial: number],
	others: readonly number[] = []
): HeldBeat | undefined {
	const window = WINDOWS.find((seconds) =>
		[
			[lower, upper],
			[upper, lower]
		].every(([pitch, other]) => ownHarmonics(pitch, [other, ...others], seconds, sampleRate).length >= OWN)
	);
	if (window === undefined) return undefined;
	const low = trackTone(samples, sampleRate, lower, [upper, ...others], window);
	const high = trackTone(samples, sampleRate, upper, [lower, ...others], window);
	if (low.length !== high.length || ![low, high].every(isThere)) return undefined;
	return told(low.map(({ pitch }, i) => q * high[i].pitch - p * pitch));
}

/** A second tone an octave above another one, found by how the even harmonics move against the odd ones. */
export interface OctavePartner extends HeldBeat {
	/** How much better two tones explain what is heard than one: from some 3 on there are two. */
	readonly gain: number;
}

const MEETINGS = 6;
/** Odd harmonics by which the lower tone's turns are known. */
const ODD = [1, 3, 5, 7] as const;
/** How far off the octave a partner is looked for, in cents, and in how many steps a turn in the time heard. */
const LOOKED = { cents: 35, steps: 8 } as const;
const THERE = 3;
/** Turns in the time heard that show a second tone. */
export const LEAST_TURNS = 0.4;

/**
 * The beat of an octave whose upper tone has no harmonic of its own: the lower tone is known by its odd harmonics, the even ones
 * are turned back by it; what still turns there is the partner's.
 * @returns undefined where one tone explains all that is heard
 */
export function octavePartner(samples: Float32Array, sampleRate: number, lower: number): OctavePartner | undefined {
	const hop = Math.round(HOP * sampleRate);
	const window = windowOf(Math.round(Math.max(4 / lower, 0.05) * sampleRate));
	const count = Math.floor((samples.length - window.length) / hop) + 1;
	if (count < 40) return undefined;
	const at = (n: number) => turnedBack(samples, window, hop, count, (n * lower) / sampleRate);
	const odd = ODD.filter((n) => n * lower < 0.45 * sampleRate).map((n) => ({ n, ...at(n) }));
	// The lower tone's own turning, in radians of its first harmonic beyond what it is turned back by.
	const turned = new Float64Array(count);
	for (let k = 1; k < count; k++) {
		let [sum, weight] = [0, 0];
		for (const { n, re, im } of odd) {
			const step = Math.atan2(im[k] * re[k - 1] - re[k] * im[k - 1], re[k] * re[k - 1] + im[k] * im[k - 1]);
			const power = n * n * (re[k] ** 2 + im[k] ** 2);
			sum += (power * step) / n;
			weight += power;
		}
		turned[k] = turned[k - 1] + (weight > 0 ? sum / weight : 0);
	}
	const even = Array.from({ length: MEETINGS }, (_, i) => i + 1)
		.filter((m) => 2 * m * lower < 0.45 * sampleRate)
		.map((m) => {
			const { re, im } = at(2 * m);
			const back = (k: number, sense: number) => {
				const [c, s] = [Math.cos(2 * m * turned[k]), Math.sin(2 * m * turned[k])];
				return sense === 0 ? re[k] * c + im[k] * s : im[k] * c - re[k] * s;
			};
			return { m, re: re.map((_, k) => back(k, 0)), im: im.map((_, k) => back(k, 1)) };
		});
	const seconds = count * HOP;
	const most = 2 * lower * (2 ** (LOOKED.cents / 1200) - 1);
	const step = 1 / seconds / LOOKED.steps;
	const leftAt = (difference: number) => even.reduce((sum, each) => sum + leftOver(each, difference), 0);
	const one = even.reduce((sum, { re, im }) => sum + leftOverOne(re) + leftOverOne(im), 0);
	let best = { difference: step, left: Infinity };
	for (let difference = -most; difference <= most; difference += step) {
		// Slower than that it is the one tone that swells or fades.
		if (Math.abs(difference) * seconds < LEAST_TURNS) continue;
		const left = leftAt(difference);
		if (left < best.left) best = { difference, left };
	}
	// Between the steps, by a parabola.
	const [before, after] = [leftAt(best.difference - step), leftAt(best.difference + step)];
	const bend = before - 2 * best.left + after;
	const rate = best.difference + (bend > 0 ? (0.5 * (before - after) * step) / bend : 0);
	const gain = one / Math.max(best.left, 1e-30);
	if (gain < THERE) return undefined;
	// What is left over after the fit says how sharply its minimum stands (a fit of squares; 2 values to a window, half of them new).
	const variance = best.left / Math.max(1, (even.length * count) / 4);
	const error = bend > 0 ? Math.sqrt((2 * variance * step * step) / bend) : step;
	return { ...withSense(rate, Math.max(LEAST_ERROR, error)), gain };
}

/** Power left over when a tone that stands still, and swells or fades, is taken out. */
function leftOverOne(of: Float64Array): number {
	const values = Array.from(of);
	const line = weightedLine(
		values.map((_, k) => k),
		values
	)!;
	return values.reduce((sum, value, k) => sum + (value - line.meanY - line.slope * (k - line.meanX)) ** 2, 0);
}

/** The same with another one that turns besides. */
function leftOver(
	{ m, re, im }: { readonly m: number; readonly re: Float64Array; readonly im: Float64Array },
	difference: number
): number {
	const count = re.length;
	const turn = 2 * Math.PI * m * difference * HOP;
	let [gr, gi, sr, si, tr, ti, power] = [0, 0, 0, 0, 0, 0, 0];
	for (let k = 0; k < count; k++) {
		const [c, s] = [Math.cos(turn * k), Math.sin(turn * k)];
		gr += c;
		gi += s;
		sr += re[k];
		si += im[k];
		tr += re[k] * c + im[k] * s;
		ti += im[k] * c - re[k] * s;
		power += re[k] ** 2 + im[k] ** 2;
	}
	// Two unknown complex amplitudes: [count, g; g*, count] [a; b] = [s; t], with g the sum of turns.
	const det = count * count - (gr * gr + gi * gi);
	if (det < 1e-6 * count * count) return power - (sr * sr + si * si) / count;
	const [ar, ai] = [(count * sr - (gr * tr - gi * ti)) / det, (count * si - (gr * ti + gi * tr)) / det];
	const [br, bi] = [(count * tr - (gr * sr + gi * si)) / det, (count * ti - (gr * si - gi * sr)) / det];
	return Math.max(0, power - (ar * sr + ai * si) - (br * tr + bi * ti));
}
