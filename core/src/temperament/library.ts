import { mildTemperaments } from './library/mild';
import { wellTemperaments } from './library/well';
import { meantoneTemperaments } from './library/meantone';
import { oldTemperaments } from './library/old';
import type { Temperament } from './temperament';

/** Fifths run C-G, G-D, D-A, A-E, E-B, B-F♯, F♯-C♯, C♯-G♯, G♯-E♭, E♭-B♭, B♭-F, F-C. */
export const TEMPERAMENTS: readonly Temperament[] = [
	...mildTemperaments,
	...wellTemperaments,
	...meantoneTemperaments,
	...oldTemperaments
];

/** The library's entry of that id. @throws RangeError when there is none. */
export function temperamentById(id: string): Temperament {
	const found = TEMPERAMENTS.find((temperament) => temperament.id === id);
	if (!found) throw new RangeError(`temperamentById: no temperament is called "${id}"`);
	return found;
}
