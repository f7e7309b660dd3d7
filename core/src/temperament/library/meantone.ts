import { pythagorean, syntonic, type Tempering } from '../comma';
import { fraction } from '../fraction';
import type { Temperament } from '../temperament';
import { meantone } from './chains';

const P12 = pythagorean(1, 12);
const S4 = syntonic(1, 4);
const S5 = syntonic(1, 5);
/** A quarter of what four fifths of 1/4 syntonic and four of 1/12 Pythagorean comma leave: wide. */
const ORDINARY: Tempering = { pythagorean: fraction(1, 6), syntonic: fraction(-1, 4) };
/** A fifth of what seven fifths of 1/5 syntonic comma leave: wide. */
const MILL: Tempering = { pythagorean: fraction(1, 5), syntonic: fraction(-7, 25) };

/** Pure or nearly pure thirds, and those that close their wolf. */
export const meantoneTemperaments: readonly Temperament[] = [
	{
		id: 'ordinaire',
		name: 'Tempérament ordinaire',
		family: 'modified meantone',
		uses: ['harpsichord', 'organ'],
		period: '18th century, France',
		character:
			'Quarter-comma at home, easing to nearly equal fifths, then four fifths slightly wide: no wolf, strong colours.',
		goodFor: 'French harpsichord music: tender C and G, biting F minor.',
		source: "Our reading of J. d'Alembert 1752, Élémens de musique, after J.-P. Rameau 1726.",
		tuning: { by: 'fifths', fifths: [S4, S4, S4, S4, P12, P12, P12, P12, ORDINARY, ORDINARY, ORDINARY, ORDINARY] }
	},
	{
		id: 'tide-mill',
		name: 'Tide Mill Consort',
		family: 'modified meantone',
		uses: ['viols and lutes', 'harpsichord', 'voices'],
		period: 'our own',
		character: 'Fifth-comma from F to C♯, the rest a trace wide: meantone that can go round the corner.',
		goodFor: 'Consorts whose keyboard must reach A♭ and E♭ for one piece.',
		source: 'Our design: F-C-G-D-A-E-B-F♯ narrow by 1/5 syntonic comma, the other five share what is over.',
		tuning: { by: 'fifths', fifths: [S5, S5, S5, S5, S5, S5, MILL, MILL, MILL, MILL, MILL, S5] }
	},
	{
		id: 'meantone-third',
		name: 'Third-comma meantone',
		family: 'meantone',
		uses: ['voices', 'organ'],
		period: '16th century',
		character: 'Pure minor thirds, melancholy fifths, major thirds seven cents narrow.',
		goodFor: 'Nineteen-key instruments and madrigals; on twelve keys for study.',
		source: 'F. de Salinas 1577, De musica.',
		tuning: { by: 'fifths', fifths: meantone(1, 3) }
	},
	{
		id: 'meantone-two-sevenths',
		name: 'Two-sevenths-comma meantone',
		family: 'meantone',
		uses: ['voices', 'organ'],
		period: '16th century',
		character: 'Major and minor thirds equally far from pure, fifths well narrow.',
		goodFor: 'Venetian music of the mid-sixteenth century.',
		source: 'G. Zarlino 1558, Le istitutioni harmoniche.',
		tuning: { by: 'fifths', fifths: meantone(2, 7) }
	},
	{
		id: 'meantone-quarter',
		name: 'Quarter-comma meantone',
		family: 'meantone',
		uses: ['organ', 'harpsichord', 'viols and lutes'],
		period: '16th and 17th centuries',
		character: 'Eight pure major thirds, calm home keys, a howling wolf between G♯ and E♭.',
		goodFor: 'Renaissance and early baroque keyboard music that stays within two flats and three sharps.',
		source: 'P. Aaron 1523; G. Zarlino 1571.',
		tuning: { by: 'fifths', fifths: meantone(1, 4) }
	},
	{
		id: 'meantone-fifth',
		name: 'Fifth-comma meantone',
		family: 'meantone',
		uses: ['harpsichord', 'viols and lutes'],
		period: '17th century',
		character: 'Thirds and sevenths share the error; fifths calmer than in quarter-comma.',
		goodFor: 'Seventeenth-century chamber music.',
		source: 'A. Verheijen, letter to S. Stevin, c. 1600; L. Rossi 1666.',
		tuning: { by: 'fifths', fifths: meantone(1, 5) }
	},
	{
		id: 'meantone-sixth',
		name: 'Sixth-comma meantone',
		family: 'meantone',
		uses: ['harpsichord', 'organ', 'viols and lutes'],
		period: '17th and 18th centuries',
		character: 'The mildest of the regular meantones: good fifths, warm thirds, a smaller wolf.',
		goodFor: 'Mixed consorts; late baroque music in the usual keys.',
		source: 'Reported of organ builders by G. A. Sorge 1748.',
		tuning: { by: 'fifths', fifths: meantone(1, 6) }
	}
];
