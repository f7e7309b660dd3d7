import { cents, hz, type Cents, type Hz } from './quantity';

/** The note number of A4, counted in semitones (C4 = 60). */
export const A4 = 69;

/** Reference pitches that a technician may ask for, in Hz. */
export const A4_RANGE = { lowest: 380, highest: 480 } as const;
export const A4_PRESETS = [392, 415, 430, 440, 442, 466] as const;

/** What strings, reeds and pipes sound at: below and above it a figure is a mistake. In Hz. */
export const AUDIBLE = { lowest: 8, highest: 24_000 } as const;

/** How far `pitch` lies above `reference`: 1200 log2(pitch / reference). */
export function centsBetween(reference: Hz, pitch: Hz): Cents {
	return cents(1200 * Math.log2(pitch / reference));
}

/** What a small step in Hz, an error say, is in cents at a frequency. */
export function stepInCents(step: number, at: number): Cents {
	return cents((1200 / Math.LN2) * (step / at));
}

/** The frequency `above` cents over `reference`. */
export function hzAbove(reference: Hz, above: Cents): Hz {
	return hz(reference * 2 ** (above / 1200));
}

/** Equal temperament: a4 * 2^((note - 69) / 12). */
export function equalHz(note: number, a4: Hz): Hz {
	return hz(a4 * 2 ** ((note - A4) / 12));
}

/** The nearest equal-tempered note of a frequency, and how far from it the frequency lies. */
export function nearestNote(pitch: Hz, a4: Hz): { note: number; off: Cents } {
	const exact = A4 + 12 * Math.log2(pitch / a4);
	const note = Math.round(exact);
	return { note, off: cents(100 * (exact - note)) };
}
