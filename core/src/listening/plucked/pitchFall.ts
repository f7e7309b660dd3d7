import { median } from 'd3-array';
import { MEDIAN_TO_SD } from '../../numeric/bisquare';
import { weightedLine } from '../../numeric/weighted';
import { cents, hz } from '../../units/quantity';
import { turnedBack, windowOf } from '../closer/envelope';
import type { PitchAt, PitchFall } from '../lasting/lastingListener';
import { fitString, type PartialFrequency } from '../stream/stringFit';

/*
 * A plucked string begins sharp and falls as it dies away, so that its pitch is one at a moment. Each partial is followed by its phase;
 * what they do together, each less where it stands by itself, is the string's fall.
 */

/** Seconds after the pluck that figures are told for. */
export const FALL_MOMENTS = [0.1, 0.5, 1.5] as const;
/** The moment that stands for the string where one figure is asked for. */
export const SETTLED = 0.5;

const HOP = 0.01;
const WINDOW = { periods: 4, seconds: 0.05 } as const;
const PARTIALS = 12;
/** The first estimate goes by so many: they stay in their windows wherever the pitch lies. */
const FIRST = 3;
/** Where the string stands: from and to, in seconds. */
const STANDS = { from: 0.25, to: 1.4 } as const;
/** A partial is followed while its power is so many times the noise's. */
const CLEAR = 20;
/** Half widths of the stretches that a figure is taken from, in seconds, by moment. */
const REACH = [0.06, 0.2, 0.35] as const;
/** Usual B of gut, nylon and steel, and how little that is known. */
const USUAL_B = { value: 4e-5, doubt: 1 } as const;
const MOST_WEIGHT = 0.5;
const LEAST_ERROR = 0.04;
const CENTS = 1200 / Math.LN2;

interface Track {
	readonly n: number;
	readonly frequency: number;
	/** Cents of the partial from its frequency, by hop, and how much each says. */
	readonly off: Float64Array;
	readonly weight: Float64Array;
}

/** One partial, hop by hop. @returns undefined where it does not stand over the noise */
function follow(
	samples: Float32Array,
	sampleRate: number,
	n: number,
	frequency: number,
	pitch: number,
	seconds: number
): Track | undefined {
	const hop = Math.round(HOP * sampleRate);
	const window = windowOf(Math.round(seconds * sampleRate));
	const count = Math.floor((samples.length - window.length) / hop) + 1;
	if (count < 3 || frequency > 0.45 * sampleRate) return undefined;
	const { re, im } = turnedBack(samples, window, hop, count, frequency / sampleRate);
	const beside = turnedBack(samples, window, hop, count, (frequency + pitch / 2) / sampleRate);
	const noise = median(beside.re, (value, i) => value * value + beside.im[i] ** 2)! / Math.LN2 + 1e-14;
	const perHop = (2 * Math.PI * hop) / sampleRate;
	const off = new Float64Array(count - 1);
	const weight = new Float64Array(count - 1);
	let clear = 0;
	for (let k = 0; k + 1 < count; k++) {
		const step = Math.atan2(im[k + 1] * re[k] - re[k + 1] * im[k], re[k + 1] * re[k] + im[k + 1] * im[k]);
		off[k] = CENTS * Math.log1p(step / perHop / frequency);
		const power = Math.min(re[k] ** 2 + im[k] ** 2, re[k + 1] ** 2 + im[k + 1] ** 2) / noise;
		weight[k] = power > CLEAR ? n * n * power : 0;
		if (weight[k] > 0) clear++;
	}
	return clear >= 8 ? { n, frequency, off, weight } : undefined;
}

/** The weighted middle of a partial over a stretch of hops, and its standard error, both in cents. */
function middleOf({ off, weight }: Track, from: number, to: number, common?: Float64Array) {
	let [sum, all, squares] = [0, 0, 0];
	for (let k = from; k < to; k++) {
		if (!weight[k]) continue;
		const value = off[k] - (common?.[k] ?? 0);
		sum += weight[k] * value;
		squares += weight[k] * value * value;
		all += weight[k];
	}
	if (all === 0) return undefined;
	const mean = sum / all;
	// Windows overlap five times.
	const independent = Math.max(1, (to - from) / 5);
	return { mean, error: Math.sqrt(Math.max(0, squares / all - mean * mean) / independent) };
}

/** What the partials do together: outliers left out, none outweighing the rest. */
function together(tracks: readonly Track[], stands: readonly number[], length: number) {
	const common = new Float64Array(length);
	const error = new Float64Array(length);
	for (let k = 0; k < length; k++) {
		const told = tracks.flatMap(({ off, weight }, i) =>
			weight[k] > 0 ? [{ off: off[k] - stands[i], weight: weight[k] }] : []
		);
		if (told.length === 0) {
			common[k] = error[k] = NaN;
			continue;
		}
		const middle = median(told, ({ off }) => off)!;
		const spread = MEDIAN_TO_SD * median(told, ({ off }) => Math.abs(off - middle))!;
		const kept = told.filter(({ off }) => Math.abs(off - middle) <= Math.max(2, 3 * spread));
		const all = kept.reduce((sum, { weight }) => sum + weight, 0);
		const cap =
			kept.length > 1
				? Math.max(
						(MOST_WEIGHT / (1 - MOST_WEIGHT)) * (all - Math.max(...kept.map(({ weight }) => weight))),
						all / kept.length
					)
				: Infinity;
		let [sum, weights] = [0, 0];
		for (const { off, weight } of kept) {
			const by = Math.min(weight, cap);
			sum += by * off;
			weights += by;
		}
		common[k] = sum / weights;
		error[k] = Math.max(spread, 0.05) / Math.sqrt(kept.length);
	}
	return { common, error };
}

/**
 * The pitch of a plucked string at fixed moments.
 * @param samples from the pluck on, mono
 * @param about Hz of its first partial, within a third of a semitone
 * @returns undefined where it does not last for half a second, or no partial stands over the noise
 */
export function pitchFall(samples: Float32Array, sampleRate: number, about: number): PitchFall | undefined {
	const seconds = Math.max(WINDOW.periods / about, WINDOW.seconds);
	const hops = (time: number) => Math.round((time - seconds / 2) / HOP);
	const follows = (count: number, flexible: number, b: number) =>
		Array.from({ length: count }, (_, i) => i + 1).flatMap((n) => {
			const frequency = n * flexible * Math.sqrt(1 + b * n * n);
			return follow(samples, sampleRate, n, frequency, flexible, seconds) ?? [];
		});
	const standsIn = (tracks: readonly Track[], common?: Float64Array) => {
		const length = tracks[0].off.length;
		const [from, to] = [Math.max(0, hops(STANDS.from)), Math.min(length, hops(STANDS.to))];
		return tracks.map((track) => middleOf(track, from, to, common));
	};
	const first = follows(FIRST, about, 0);
	if (first.length === 0 || first[0].off.length < hops(SETTLED)) return undefined;
	const roughly = standsIn(first).flatMap((each, i) =>
		each ? [(first[i].frequency / first[i].n) * 2 ** (each.mean / 1200)] : []
	);
	if (roughly.length === 0) return undefined;
	const flexible = median(roughly)!;
	let b = USUAL_B.value as number;
	let tracks = follows(PARTIALS, flexible, b);
	if (tracks.length === 0) return undefined;
	// Each partial's own place, less what all do: those that die early were heard while the string was still sharp.
	let common: Float64Array | undefined;
	let fit: ReturnType<typeof fitString>;
	let errors = new Float64Array(0);
	for (let round = 0; round < 3; round++) {
		const own = standsIn(tracks, common);
		tracks = tracks.filter((_, i) => own[i]);
		const told = own.flatMap((each) => each ?? []);
		if (tracks.length === 0) return undefined;
		const partials = tracks.map(({ n, frequency }, i): PartialFrequency => ({
			...{ partial: n, frequency: frequency * 2 ** (told[i].mean / 1200) },
			error: (frequency * Math.LN2 * Math.max(LEAST_ERROR, told[i].error)) / 1200
		}));
		fit = fitString(partials, { value: b, doubt: USUAL_B.doubt });
		if (!fit) return undefined;
		b = fit.inharmonicity ?? b;
		const found = together(
			tracks,
			told.map(({ mean }) => mean),
			tracks[0].off.length
		);
		// Counted from where the string stands.
		const from = Math.max(0, hops(STANDS.from));
		const to = Math.min(found.common.length, hops(STANDS.to));
		const middle = median(found.common.slice(from, to).filter((value) => !Number.isNaN(value))) ?? 0;
		common = found.common.map((value) => value - middle);
		errors = found.error;
	}
	const track = common!;
	const at = FALL_MOMENTS.flatMap((moment, i): PitchAt[] => {
		const reach = REACH[i];
		const from = Math.max(0, hops(moment - reach));
		const to = Math.min(track.length, hops(moment + reach) + 1);
		const times: number[] = [];
		const offs: number[] = [];
		const weights: number[] = [];
		for (let k = from; k < to; k++) {
			if (Number.isNaN(track[k])) continue;
			times.push(k * HOP + seconds / 2 - moment);
			offs.push(track[k]);
			weights.push(1 / errors[k] ** 2);
		}
		// It does not last to there.
		if (times.length < 5 || times.at(-1)! < -reach / 4) return [];
		const line = weightedLine(times, offs, weights);
		const off = line ? line.meanY - line.slope * line.meanX : median(offs)!;
		const scatter = MEDIAN_TO_SD * median(offs, (value, j) => Math.abs(value - off - (line?.slope ?? 0) * times[j]))!;
		const error = Math.hypot(LEAST_ERROR, fit!.pitchError, scatter / Math.sqrt(Math.max(1, times.length / 5)));
		return [{ moment, pitch: hz(fit!.pitch * 2 ** (off / 1200)), error: cents(error) }];
	});
	return at.length ? { at, inharmonicity: fit!.inharmonicity } : undefined;
}
