import { median } from 'd3-array';
import { MEDIAN_TO_SD } from '../../numeric/bisquare';
import { turnedBack, windowOf } from '../closer/envelope';
import { hz, type Cents, type Hz, cents } from '../../units/quantity';

/** Where a tone stands for a twentieth of a second. */
export interface TonePoint {
	/** Seconds from the tone's first sample. */
	readonly at: number;
	readonly pitch: Hz;
	/** Standard error. */
	readonly error: Cents;
	/** Decibels of its harmonics. */
	readonly level: number;
}

/** From one window to the next, in seconds. */
export const HOP = 0.01;
/** Windows that make one point. */
const EACH = 5;
const HARMONICS = 12;
/** A window is so many periods long, and no shorter than so many seconds: harmonics are parted, and the noise between them is seen. */
const WINDOW = { periods: 4, seconds: 0.05 } as const;
/** Tones are parted by a window where they lie so many turns in it apart. */
const PARTED = 2.4;
/** No harmonic says more than the others together. */
const MOST_WEIGHT = 0.5;
/** A harmonic further from the others than so many of their deviations, or cents, is none of the tone's. */
const OUTLIER = { deviations: 3, cents: 2 } as const;
/** Errors of windows that overlap: those of a point's five are hardly less than one's. */
const SHARED = 1.6;
/** No point errs by less: harmonics of real reeds stray by so much, in cents. */
export const LEAST_POINT_ERROR = 0.03;

/** How far a harmonic turned from one window to the next, in cents of the tone; its power; and how much it says. */
interface Turn {
	readonly off: number;
	readonly power: number;
	readonly weight: number;
}

/** Turns of a tone's own harmonics, window by window. */
function turnsOf(
	samples: Float32Array,
	sampleRate: number,
	pitch: number,
	others: readonly number[],
	seconds: number
): { readonly own: readonly number[]; readonly frames: readonly (readonly Turn[])[] } | undefined {
	const hop = Math.round(HOP * sampleRate);
	const length = Math.round(seconds * sampleRate);
	const count = Math.floor((samples.length - length) / hop) + 1;
	const own = ownHarmonics(pitch, others, seconds, sampleRate);
	if (count < 2 || own.length === 0) return undefined;
	const apart = PARTED / seconds;
	const window = windowOf(length);
	const turns = own.map((n) => turnedBack(samples, window, hop, count, (pitch * n) / sampleRate));
	const noises = own.map((n) => {
		const beside = [0.5, -0.5, 0.3, -0.3].find((off) => isAlone((n + off) * pitch, others, apart)) ?? 0.5;
		const { re, im } = turnedBack(samples, window, hop, count, (pitch * (n + beside)) / sampleRate);
		return median(Array.from(re, (value, i) => value * value + im[i] * im[i]))! / Math.LN2;
	});
	const perHop = perHopOf(sampleRate);
	const frames = Array.from({ length: count - 1 }, (_, k) =>
		turns.map(({ re, im }, h): Turn => {
			const n = own[h];
			const step = Math.atan2(im[k + 1] * re[k] - re[k + 1] * im[k], re[k + 1] * re[k] + im[k + 1] * im[k]);
			const power = re[k + 1] ** 2 + im[k + 1] ** 2;
			const off = (1200 / Math.LN2) * Math.log1p(step / perHop / (n * pitch));
			return { off, power, weight: (n * n * power) / (noises[h] + 1e-12) };
		})
	);
	return { own, frames };
}

/** Radians a sample's hop takes from a hertz. */
const perHopOf = (sampleRate: number) => (2 * Math.PI * Math.round(HOP * sampleRate)) / sampleRate;
const decibels = (turns: readonly Turn[]) => 10 * Math.log10(turns.reduce((sum, { power }) => sum + power, 0) + 1e-18);
const windowFor = (pitch: number) => Math.max(WINDOW.periods / pitch, WINDOW.seconds);
/** So many samples make one point of a tone. */
export const pointLength = (pitch: number, sampleRate: number) =>
	Math.round(windowFor(pitch) * sampleRate) + EACH * Math.round(HOP * sampleRate);

/**
 * Pitch by the phase of the harmonics from window to window, each weighed by the square of its number and its power over the noise,
 * which is heard half-way between harmonics.
 * @param pitch about: the tone stays within a quarter-tone of it
 * @param others pitches of tones that sound besides: harmonics that come near theirs are left out
 * @param seconds how long a window is; as short as the tone allows unless given
 */
export function trackTone(
	samples: Float32Array,
	sampleRate: number,
	pitch: number,
	others: readonly number[] = [],
	seconds = windowFor(pitch)
): TonePoint[] {
	const turned = turnsOf(samples, sampleRate, pitch, others, seconds);
	if (!turned) return [];
	const frames = turned.frames.map((told) => ({ ...combined(told), level: decibels(told) }));
	const hop = Math.round(HOP * sampleRate);
	const length = Math.round(seconds * sampleRate);
	const points: TonePoint[] = [];
	// Phase noise of one harmonic, in cents of the first, over one step.
	const scale = (1200 / Math.LN2 / pitch / perHopOf(sampleRate)) * Math.SQRT1_2;
	for (let k = 0; k + EACH <= frames.length; k += EACH) {
		const part = frames.slice(k, k + EACH);
		const off = part.reduce((sum, each) => sum + each.off, 0) / EACH;
		// The first and the last window of a point are all that tells its turn.
		const weight = part.reduce((sum, each) => sum + each.weight, 0) / EACH;
		const noise = (SHARED * scale) / Math.sqrt(weight + 1e-12) / EACH;
		points.push({
			at: (k * hop + (EACH * hop + length) / 2) / sampleRate,
			pitch: hz(pitch * 2 ** (off / 1200)),
			error: cents(Math.hypot(LEAST_POINT_ERROR, noise)),
			level: part.reduce((sum, each) => sum + each.level, 0) / EACH
		});
	}
	return points;
}

/** One harmonic by itself: cents of the tone and decibels of all of it, twenty times a second. */
export interface HarmonicTrack {
	readonly n: number;
	readonly points: readonly { readonly off: number; readonly level: number }[];
}

/** Harmonics that stand this far over the noise are followed by themselves, as a ratio of powers. */
const CLEAR = 30;

/** A tone's harmonics one by one: in a room each meets its own echoes, and what they have in common is the tone's. */
export function trackHarmonics(samples: Float32Array, sampleRate: number, pitch: number): readonly HarmonicTrack[] {
	const turned = turnsOf(samples, sampleRate, pitch, [], windowFor(pitch));
	if (!turned) return [];
	const { own, frames } = turned;
	const parts = Array.from({ length: Math.floor(frames.length / EACH) }, (_, k) =>
		frames.slice(k * EACH, (k + 1) * EACH)
	);
	return own.flatMap((n, h) => {
		const clear = median(frames, (told) => told[h].weight / (n * n))!;
		if (clear < CLEAR) return [];
		const points = parts.map((part) => ({
			off: part.reduce((sum, told) => sum + told[h].off, 0) / EACH,
			level: part.reduce((sum, told) => sum + decibels(told), 0) / EACH
		}));
		return [{ n, points }];
	});
}

/** Harmonics of a tone near which the others have none, in windows so long. */
export function ownHarmonics(
	pitch: number,
	others: readonly number[],
	seconds: number,
	sampleRate: number
): readonly number[] {
	const highest = Math.min(HARMONICS, Math.floor((0.45 * sampleRate) / pitch));
	return Array.from({ length: highest }, (_, k) => k + 1).filter((n) => isAlone(n * pitch, others, PARTED / seconds));
}

/** Whether nothing of the other tones comes near. */
const isAlone = (frequency: number, others: readonly number[], apart: number) =>
	others.every((other) => Math.abs(frequency - Math.max(1, Math.round(frequency / other)) * other) > apart);

/** What harmonics say together: outliers are left out, and none outweighs the rest. */
function combined(told: readonly { readonly off: number; readonly weight: number }[]) {
	const middle = median(told, ({ off }) => off)!;
	const spread = MEDIAN_TO_SD * median(told, ({ off }) => Math.abs(off - middle))!;
	const most = Math.max(OUTLIER.cents, OUTLIER.deviations * spread);
	const kept = told.filter(({ off }) => Math.abs(off - middle) <= most);
	const all = kept.reduce((sum, { weight }) => sum + weight, 0);
	const top = Math.max(...kept.map(({ weight }) => weight));
	const cap =
		kept.length > 1 ? Math.min(top, Math.max((MOST_WEIGHT / (1 - MOST_WEIGHT)) * (all - top), all / kept.length)) : top;
	let [sum, weight] = [0, 0];
	for (const each of kept) {
		const by = Math.min(each.weight, cap);
		sum += by * each.off;
		weight += by;
	}
	return { off: weight > 0 ? sum / weight : middle, weight };
}
