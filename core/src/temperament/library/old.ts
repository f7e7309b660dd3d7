import { fraction, type Fraction } from '../fraction';
import type { Temperament } from '../temperament';
import { chainWithWolf } from './chains';

const JUST: readonly Fraction[] = [
	fraction(1),
	fraction(16, 15),
	fraction(9, 8),
	fraction(6, 5),
	fraction(5, 4),
	fraction(4, 3),
	fraction(45, 32),
	fraction(3, 2),
	fraction(8, 5),
	fraction(5, 3),
	fraction(9, 5),
	fraction(15, 8)
];

/** Pure fifths, and pure triads. */
export const oldTemperaments: readonly Temperament[] = [
	{
		id: 'pythagorean',
		name: 'Pythagorean',
		family: 'Pythagorean',
		uses: ['organ', 'voices'],
		period: 'Middle Ages',
		character: 'Eleven pure fifths, bright wide thirds, the wolf between G♯ and E♭.',
		goodFor: 'Single lines and early organum; music whose chords rest on fifths.',
		source: 'Arnaut de Zwolle, c. 1440, and older theory.',
		tuning: { by: 'fifths', fifths: chainWithWolf(8) }
	},
	{
		id: 'pythagorean-b-fsharp',
		name: 'Pythagorean, wolf B-F♯',
		family: 'Pythagorean',
		uses: ['organ', 'voices'],
		period: '15th century',
		character: 'Eleven pure fifths with the wolf at B-F♯: the thirds on D, A, E and B come out almost pure.',
		goodFor: 'Keyboard music of the early fifteenth century.',
		source: 'Arnaut de Zwolle, c. 1440 (M. Lindley 1980).',
		tuning: { by: 'fifths', fifths: chainWithWolf(5) }
	},
	{
		id: 'just-ptolemaic',
		name: 'Just, Ptolemaic',
		family: 'just',
		uses: ['voices'],
		period: 'antiquity; Renaissance theory',
		character: 'Pure triads on C, F, G, A♭ and E♭, a fifth D-A that fails by a comma.',
		goodFor: 'One key only: demonstrations, drones, chords of one hymn.',
		source: 'Ptolemy, Harmonics, syntonic diatonic; chromatic notes after G. Zarlino 1558.',
		tuning: { by: 'ratios', ratios: JUST }
	}
];
