import { deviation, mean } from 'd3-array';
import { weightedLine } from '../../numeric/weighted';
import { centsBetween } from '../../units/pitch';
import { cents, hz, type Cents, type Hz } from '../../units/quantity';
import type { TonePoint } from './tracker';

/** What a tone did over some seconds. */
export interface Steadiness {
	readonly seconds: number;
	readonly pitch: Hz;
	/** Standard error of the mean. */
	readonly error: Cents;
	/** Standard deviation about a straight line, and how that line rises, in cents a second. */
	readonly wobble: Cents;
	readonly drift: number;
	readonly level: number;
	readonly isSteady: boolean;
}

/** A tone that wobbles or drifts more is no figure to file by; bows need limits of their own. */
export interface SteadyLimits {
	readonly wobble: number;
	readonly drift: number;
	/** How far a harmonic may stand from the comb, as a share of its frequency. */
	readonly spread: number;
	/** Whether an octave that sounds with it is looked for: a trembling hand turns harmonics as a second tone does. */
	readonly partners: boolean;
}
export const REED_LIMITS: SteadyLimits = { wobble: 3, drift: 6, spread: 0.003, partners: true };
/** A bow trembles, and so does the hand: some ten cents to either side, five times a second. */
export const BOW_LIMITS: SteadyLimits = { wobble: 14, drift: 20, spread: 0.012, partners: false };

/** The mean's error is told by how the means of so many parts scatter: neighbouring points are no two witnesses. */
const PARTS = 5;
const LEAST_ERROR = 0.01;
/** Points that say anything. */
const FEWEST = 4;

/** @returns undefined for a tone too short to say anything */
export function steadinessOf(points: readonly TonePoint[], limits = REED_LIMITS): Steadiness | undefined {
	if (points.length < FEWEST) return undefined;
	const about = points[0].pitch;
	const offs = points.map(({ pitch }) => centsBetween(about, pitch));
	const times = points.map(({ at }) => at);
	const line = weightedLine(times, offs);
	const drift = line?.slope ?? 0;
	const middle = mean(offs)!;
	const left = offs.map((off, i) => off - middle - drift * (times[i] - mean(times)!));
	const wobble = deviation(left) ?? 0;
	const each = Math.max(1, Math.floor(points.length / PARTS));
	const parts = Array.from({ length: Math.floor(points.length / each) }, (_, k) =>
		mean(left.slice(k * each, (k + 1) * each))!
	);
	const scatter = parts.length > 1 ? deviation(parts)! / Math.sqrt(parts.length) : wobble;
	const noise = Math.sqrt(mean(points, ({ error }) => error * error)! / points.length);
	return {
		seconds: times.at(-1)! - times[0],
		pitch: hz(about * 2 ** (middle / 1200)),
		error: cents(Math.hypot(scatter, noise, LEAST_ERROR)),
		wobble: cents(wobble),
		drift,
		level: mean(points, ({ level }) => level)!,
		isSteady: wobble <= limits.wobble && Math.abs(drift) <= limits.drift
	};
}
