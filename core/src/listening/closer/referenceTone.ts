import { stepInCents } from '../../units/pitch';
import { cents, type Cents } from '../../units/quantity';
import { fitDampedPartial, partialEnvelope } from './envelope';

/** A steady tone as a sound card hears it. */
export interface ReferenceTone {
	/** Hz by the sound card's own clock, and its standard error from piece to piece. */
	readonly frequency: number;
	readonly error: number;
	/** Cents from the frequency it is known to have: what the clock is off by, the other way round. */
	readonly offset: Cents;
	readonly offsetError: Cents;
}

export type ToneProblem = 'too quiet' | 'not steady' | 'too far off';

const PIECE_SECONDS = 1;
const LEAST_PIECES = 4;
/** Nothing else within so many Hz is let through. */
const ALONE_HZ = 30;
const LEAST_LEVEL = 0.002;
/** Share of the power that may be something else than one tone. */
const MOST_LEFT = 0.02;
/** Sound cards are off by some hundredths of a percent; more than this is another tone. */
const FURTHEST_CENTS = 20;
/** Pieces that scatter by more than this are not from a steady source. */
const MOST_SCATTER_CENTS = 0.3;

/**
 * Measures a tone of known frequency against the sound card's clock.
 * @param samples five seconds or more
 * @returns what it was, or why it cannot serve
 */
export function measureReference(
	samples: Float32Array,
	sampleRate: number,
	known: number
): ReferenceTone | { readonly problem: ToneProblem } {
	const piece = Math.round(PIECE_SECONDS * sampleRate);
	const fits = Array.from({ length: Math.floor(samples.length / piece) }, (_, i) => {
		const envelope = partialEnvelope(samples.subarray(i * piece, (i + 1) * piece), sampleRate, known, ALONE_HZ);
		return envelope && fitDampedPartial(envelope);
	}).flatMap((fit) => (fit ? [fit] : []));
	if (fits.length < LEAST_PIECES || fits.some(({ amplitude }) => amplitude < LEAST_LEVEL))
		return { problem: 'too quiet' };
	if (fits.some(({ left }) => left > MOST_LEFT)) return { problem: 'not steady' };
	const count = fits.length;
	const frequency = fits.reduce((sum, fit) => sum + fit.frequency, 0) / count;
	const variance = fits.reduce((sum, fit) => sum + (fit.frequency - frequency) ** 2, 0) / (count - 1);
	if (stepInCents(Math.sqrt(variance), frequency) > MOST_SCATTER_CENTS) return { problem: 'not steady' };
	const offset = 1200 * Math.log2(frequency / known);
	if (Math.abs(offset) > FURTHEST_CENTS) return { problem: 'too far off' };
	const error = Math.sqrt(variance / count);
	return { frequency, error, offset: cents(offset), offsetError: stepInCents(error, frequency) };
}

/**
 * The rate a sound card really runs at: one that hears a known tone sharp takes fewer samples a second than it says.
 * @param offset cents by which it hears a known tone sharp
 */
export function trueRate(sampleRate: number, offset: Cents): number {
	return sampleRate / 2 ** (offset / 1200);
}
