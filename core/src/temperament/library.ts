import { PURE, pythagorean, syntonic } from './comma';
import type { Temperament } from './temperament';

const P4 = pythagorean(1, 4);
const P6 = pythagorean(1, 6);
const S4 = syntonic(1, 4);

/** Fifths run C-G, G-D, D-A, A-E, E-B, B-F♯, F♯-C♯, C♯-G♯, G♯-E♭, E♭-B♭, B♭-F, F-C. */
export const TEMPERAMENTS: readonly Temperament[] = [
	{
		id: 'equal',
		name: 'Equal',
		period: 'general since the 19th century',
		character: 'Every key alike: fifths a trace narrow, thirds all equally wide.',
		goodFor: 'Modern repertoire, and whenever nobody asks for anything else.',
		source: 'Twelve fifths narrow by 1/12 Pythagorean comma (S. Stevin, c. 1605; M. Mersenne 1636).',
		fifths: Array.from({ length: 12 }, () => pythagorean(1, 12))
	},
	{
		id: 'pythagorean',
		name: 'Pythagorean',
		period: 'Middle Ages',
		character: 'Eleven pure fifths, bright wide thirds, the wolf between G♯ and E♭.',
		goodFor: 'Single lines and early organum; music whose chords rest on fifths.',
		source: 'Arnaut de Zwolle, c. 1440, and older theory.',
		fifths: [PURE, PURE, PURE, PURE, PURE, PURE, PURE, PURE, 'wolf', PURE, PURE, PURE]
	},
	{
		id: 'meantone-quarter',
		name: 'Quarter-comma meantone',
		period: '16th and 17th centuries',
		character: 'Eight pure major thirds, calm home keys, a howling wolf between G♯ and E♭.',
		goodFor: 'Renaissance and early baroque keyboard music that stays within two flats and three sharps.',
		source: 'P. Aaron 1523; G. Zarlino 1571.',
		fifths: [S4, S4, S4, S4, S4, S4, S4, S4, 'wolf', S4, S4, S4]
	},
	{
		id: 'vallotti',
		name: 'Vallotti',
		period: '18th century',
		character: 'Six fifths tempered on the white keys, six pure: gentle at home, brighter step by step away from it.',
		goodFor: 'A safe well temperament for mixed baroque programmes and for players with fixed holes or frets.',
		source: 'F. A. Vallotti, manuscript c. 1754; published by G. Tartini.',
		fifths: [P6, P6, P6, P6, P6, PURE, PURE, PURE, PURE, PURE, PURE, P6]
	},
	{
		id: 'werckmeister-3',
		name: 'Werckmeister III',
		period: 'late 17th century',
		character: 'Four strongly tempered fifths, eight pure: key colour from restful C major to keen F♯ major.',
		goodFor: 'German organ and harpsichord music that walks through every key.',
		source: 'A. Werckmeister 1691, Musicalische Temperatur.',
		fifths: [P4, P4, P4, PURE, PURE, P4, PURE, PURE, PURE, PURE, PURE, PURE]
	}
];

/** The library's entry of that id. @throws RangeError when there is none. */
export function temperamentById(id: string): Temperament {
	const found = TEMPERAMENTS.find((temperament) => temperament.id === id);
	if (!found) throw new RangeError(`temperamentById: no temperament is called "${id}"`);
	return found;
}
