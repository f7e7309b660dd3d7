import { noteName } from '../units/note';

const octave = (low: number, high = low + 12) => ({
	low,
	high,
	get name() {
		return `${noteName(low)} to ${noteName(high)}`;
	}
});
const USUAL = [octave(53), octave(57), octave(60)];

/** Octaves in which a temperament is set. */
export const OCTAVES = [...USUAL, octave(53, 69)] as const;
/** Octaves whose beats are counted. */
export const COUNTED_OCTAVES = [...USUAL, octave(45), octave(65)] as const;
