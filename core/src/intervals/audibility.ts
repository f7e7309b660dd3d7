import type { Hz } from '../units/quantity';

/** Partials 1 to 16 are looked at: above, piano strings give the ear nothing to hold on to. */
export const HIGHEST_PARTIAL = 16;

/** Level of a partial relative to the first, in dB: about 3 dB less from one to the next on struck strings in the middle. */
const FALL = 3;
/** A partial heard best between these pitches; beyond them it loses 12 dB an octave. */
const BEST_HZ = { low: 200, high: 2500 } as const;
/** 45 dB under the first partial nobody follows a beat any more. */
const DEAF = 45;

/**
 * How well the ear follows a beat between two partials of those numbers at that pitch: 1 at best, 0 not at all.
 * A rule of thumb of ours for struck strings, to rank by; no measurement rests on it.
 */
export function audibility(lowerPartial: number, upperPartial: number, heardAt: Hz): number {
	const weaker = Math.max(lowerPartial, upperPartial) - 1;
	const octavesOut = Math.max(0, Math.log2(BEST_HZ.low / heardAt), Math.log2(heardAt / BEST_HZ.high));
	return Math.max(0, 1 - (FALL * weaker + 12 * octavesOut) / DEAF);
}

/** Rates that can be counted or compared with ease, per second. */
export const EASY_RATES = { slowest: 3, fastest: 12 } as const;
/** Faster than this a beat is roughness, not a count. */
export const FASTEST_COUNT = 15;
/** Faster than this nobody hears one beat after another any more: fluctuation has become roughness (Terhardt 1974). */
const FASTEST_FOLLOWED = 20;

/** 1 up to 8 beats a second, falling to 0 where nobody follows it any more. */
export function countability(rate: number): number {
	const fast = Math.abs(rate);
	if (fast <= 8) return 1;
	return Math.max(0, 1 - (fast - 8) / (FASTEST_FOLLOWED - 8));
}

/** 27 dB under what the ear hears best, a partial of a struck string is gone before it has told its beat. */
const LEAST_AUDIBLE = 0.4;

/**
 * Whether an ear follows a beat at all: not faster than 20 per second, and between partials that are strong enough at
 * their pitch. Beats that nobody follows are left out where beats are shown.
 */
export function isFollowed(rate: number, lowerPartial: number, upperPartial: number, heardAt: Hz): boolean {
	return countability(rate) > 0 && audibility(lowerPartial, upperPartial, heardAt) >= LEAST_AUDIBLE;
}
