import { fixed } from './format';
import { noteName } from '@fendrel/core';

/** Slower than this nobody hears a beat within the time that a note sounds. */
export const STILL_RATE = 0.05;

/** "6.9 beats per second, wide", "still". */
export function rateWords(rate: number, digits = 1): string {
	if (Math.abs(rate) < STILL_RATE) return 'still: no beat';
	return `${fixed(Math.abs(rate), digits)} beats per second, ${rate < 0 ? 'narrow' : 'wide'}`;
}

/** A count that a watch can check: swells within five seconds. */
export function inFiveSeconds(rate: number): string {
	return fixed(5 * Math.abs(rate), Math.abs(rate) < 2 ? 1 : 0);
}

/** "F3-A3". */
export function pairName({ lower, upper }: { readonly lower: number; readonly upper: number }): string {
	return `${noteName(lower)}-${noteName(upper)}`;
}
