import type { LastingReading, LastingRefusal } from '@fendrel/core';
import { fixed, signed } from '$lib/ui/format';

export const REFUSED_WORDS: Readonly<Record<LastingRefusal, string>> = {
	'breath only': 'That was no steady tone: breath, talk or a fan. Keep the microphone out of the air stream.',
	'two tones': 'More than one tone sounded. Sound one by itself.',
	uneven: 'It wandered too much to be read. Breathe more evenly, or bow more steadily.',
	'too short': 'Too short. Hold it for a second.',
	interrupted: 'The sound broke off. Sound it once more.'
};

/** How a reed follows the breath. */
export function slopeWords({ slope }: LastingReading): string {
	if (!slope) return 'not swelled';
	return `${signed(slope.slope, 2)} ±${fixed(slope.error, 2)} c/dB`;
}

/** A tone an octave above that sounded with it. */
export function partnerWords({ partner }: LastingReading): string {
	if (!partner) return 'none';
	const { rate, sense } = partner;
	const beats = `${fixed(Math.abs(rate), 2)} a second`;
	return sense ? `${beats} ${sense}` : `slower than ${fixed(Math.max(0.1, 2 * partner.error), 1)} a second`;
}
