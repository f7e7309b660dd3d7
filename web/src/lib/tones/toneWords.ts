import type { LastingReading, LastingRefusal, LastingTone } from '@fendrel/core';
import { signed } from '$lib/ui/format';

export const REFUSED_WORDS: Readonly<Record<LastingRefusal, string>> = {
	'breath only': 'That was no steady tone: breath, talk or a fan. Keep the microphone out of the air stream.',
	'two tones': 'More than one tone sounded. Sound one reed by itself.',
	uneven: 'It wandered too much to be read. Breathe more evenly, or bow more steadily.',
	'too short': 'Too short. Hold it for a second.',
	interrupted: 'The sound broke off. Sound it once more.'
};

/** How a reed follows the breath. */
export function slopeWords({ slope }: LastingReading): string {
	if (!slope) return 'not swelled';
	return `${signed(slope.slope, 2)} ±${slope.error.toFixed(2)} c/dB`;
}

/** A tone an octave above that sounded with it. */
export function partnerWords({ partner }: LastingReading): string {
	if (!partner) return 'none';
	const { rate, sense } = partner;
	const beats = `${Math.abs(rate).toFixed(2)} a second`;
	return sense ? `${beats} ${sense}` : `slower than ${Math.max(0.1, 2 * partner.error).toFixed(1)} a second`;
}

/** Ways in which a simulated reed is blown. */
export interface Breath {
	readonly id: string;
	readonly name: string;
	readonly tone: Pick<LastingTone, 'from' | 'to' | 'seconds' | 'rise'>;
}
export const BREATHS: readonly Breath[] = [
	{ id: 'gently', name: 'Blow gently', tone: { from: -14, to: -14, seconds: 2.2, rise: 0.3 } },
	{ id: 'playing', name: 'as one plays', tone: { from: -4, to: -4, seconds: 2.2, rise: 0.2 } },
	{ id: 'swell', name: 'a swell', tone: { from: -18, to: 0, seconds: 4.5, rise: 0.2 } }
];
