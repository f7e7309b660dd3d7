import { PURE, pythagorean, syntonic, type Tempering } from './comma';
import { fraction, type Fraction } from './fraction';
import type { Temperament } from './temperament';

const P3 = pythagorean(1, 3);
const P4 = pythagorean(1, 4);
const P5 = pythagorean(1, 5);
const P6 = pythagorean(1, 6);
const P8 = pythagorean(1, 8);
const P9 = pythagorean(1, 9);
const P10 = pythagorean(1, 10);
const P12 = pythagorean(1, 12);
const P18 = pythagorean(1, 18);
const P20 = pythagorean(1, 20);
const P24 = pythagorean(1, 24);
const WIDE3 = pythagorean(-1, 3);
const WIDE4 = pythagorean(-1, 4);
const S2 = syntonic(1, 2);
const S4 = syntonic(1, 4);
const S5 = syntonic(1, 5);
const S316 = syntonic(3, 16);
/** The two commas' difference. */
const SCHISMA: Tempering = { pythagorean: fraction(1), syntonic: fraction(-1) };
/** A quarter of what four fifths of 3/16 syntonic comma leave. */
const YOUNG: Tempering = { pythagorean: fraction(1, 4), syntonic: fraction(-3, 16) };
/** A quarter of what four fifths of 1/4 syntonic and four of 1/12 Pythagorean comma leave: wide. */
const ORDINARY: Tempering = { pythagorean: fraction(1, 6), syntonic: fraction(-1, 4) };
/** A fifth of what seven fifths of 1/5 syntonic comma leave: wide. */
const MILL: Tempering = { pythagorean: fraction(1, 5), syntonic: fraction(-7, 25) };

/** Eleven fifths alike from E♭ to G♯, the wolf between them. */
const meantone = (num: number, den: number) => chainWithWolf(8, syntonic(num, den));

function chainWithWolf(wolf: number, fifth = PURE): readonly (Tempering | 'wolf')[] {
	return Array.from({ length: 12 }, (_, step) => (step === wolf ? 'wolf' : fifth));
}

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

/** Fifths run C-G, G-D, D-A, A-E, E-B, B-F♯, F♯-C♯, C♯-G♯, G♯-E♭, E♭-B♭, B♭-F, F-C. */
export const TEMPERAMENTS: readonly Temperament[] = [
	{
		id: 'equal',
		name: 'Equal',
		family: 'equal',
		uses: ['concert piano', 'home piano', 'voices'],
		period: 'general since the 19th century',
		character: 'Every key alike: fifths a trace narrow, thirds all equally wide.',
		goodFor: 'Modern repertoire, and whenever nobody asks for anything else.',
		source: 'Twelve fifths narrow by 1/12 Pythagorean comma (S. Stevin, c. 1605; M. Mersenne 1636).',
		tuning: { by: 'fifths', fifths: Array.from({ length: 12 }, () => pythagorean(1, 12)) }
	},
	{
		id: 'tideline',
		name: 'Tideline',
		family: 'mild well',
		uses: ['concert piano', 'home piano'],
		period: 'our own',
		character:
			'The gentlest lean towards the white keys: the third on C 2.6 cents calmer than equal, that on F♯ 2.6 keener.',
		goodFor: 'Pianos that must pass for equal and yet have a home.',
		source: 'Our design: white-key fifths narrow by 1/9, the others by 1/18 of the Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P9, P9, P9, P9, P9, P18, P18, P18, P18, P18, P18, P9] }
	},
	{
		id: 'ferry-bell',
		name: 'Ferry Bell',
		family: 'mild well',
		uses: ['concert piano', 'home piano'],
		period: 'our own',
		character: 'Four of the remote fifths relaxed to half of the others: colour one feels rather than hears.',
		goodFor: 'Romantic repertoire on a piano that also accompanies.',
		source: 'Our design: eight fifths narrow by 1/10, four (F♯-C♯-G♯-E♭-B♭) by 1/20 of the Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P10, P10, P10, P10, P10, P10, P20, P20, P20, P20, P10, P10] }
	},
	{
		id: 'chapel-slope',
		name: 'Chapel Slope',
		family: 'mild well',
		uses: ['concert piano', 'home piano', 'organ'],
		period: 'our own',
		character: 'An even slope of thirds from C and F up to F♯ and D♭, nothing abrupt on the way.',
		goodFor: 'Classical sonatas; a first unequal tuning for owners who are curious.',
		source:
			'Our design: F-C-G-D-A-E narrow by 1/8, E-B and B♭-F by 1/12, the other five by 1/24 of the Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P8, P8, P8, P8, P12, P24, P24, P24, P24, P24, P12, P8] }
	},
	{
		id: 'vallotti',
		name: 'Vallotti',
		family: 'well',
		uses: ['harpsichord', 'organ', 'viols and lutes', 'home piano'],
		period: '18th century',
		character: 'Six fifths tempered on the white keys, six pure: gentle at home, brighter step by step away from it.',
		goodFor: 'A safe well temperament for mixed baroque programmes and for players with fixed holes or frets.',
		source: 'F. A. Vallotti, manuscript c. 1754; published by G. Tartini.',
		tuning: { by: 'fifths', fifths: [P6, P6, P6, P6, P6, PURE, PURE, PURE, PURE, PURE, PURE, P6] }
	},
	{
		id: 'young-1',
		name: 'Young I',
		family: 'well',
		uses: ['home piano', 'harpsichord'],
		period: 'around 1800',
		character: 'Smoothly graded: the best third on C, an even climb on both sides to the keenest on F♯.',
		goodFor: 'Haydn to early Beethoven on fortepianos and pianos.',
		source: 'T. Young 1800, Phil. Trans.: C-G-D-A-E narrow by 3/16 syntonic comma, F, B♭, E and B share what is left.',
		tuning: { by: 'fifths', fifths: [S316, S316, S316, S316, YOUNG, YOUNG, PURE, PURE, PURE, PURE, YOUNG, YOUNG] }
	},
	{
		id: 'young-2',
		name: 'Young II',
		family: 'well',
		uses: ['harpsichord', 'home piano'],
		period: 'around 1800',
		character: 'Six fifths tempered from C to F♯, six pure: one step sharper around the circle than Vallotti.',
		goodFor: 'Sharp-side classical programmes; simple to set by ear.',
		source: 'T. Young 1800, Phil. Trans.: C-G-D-A-E-B-F♯ narrow by 1/6 Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P6, P6, P6, P6, P6, P6, PURE, PURE, PURE, PURE, PURE, PURE] }
	},
	{
		id: 'werckmeister-3',
		name: 'Werckmeister III',
		family: 'well',
		uses: ['organ', 'harpsichord'],
		period: 'late 17th century',
		character: 'Four strongly tempered fifths, eight pure: key colour from restful C major to keen F♯ major.',
		goodFor: 'German organ and harpsichord music that walks through every key.',
		source: 'A. Werckmeister 1691, Musicalische Temperatur.',
		tuning: { by: 'fifths', fifths: [P4, P4, P4, PURE, PURE, P4, PURE, PURE, PURE, PURE, PURE, PURE] }
	},
	{
		id: 'werckmeister-4',
		name: 'Werckmeister IV',
		family: 'well',
		uses: ['organ'],
		period: 'late 17th century',
		character: 'Narrow and wide fifths side by side, each by a third of the comma; uneven colours.',
		goodFor: 'Trying older German organ tunings between meantone and well.',
		source: 'A. Werckmeister 1691: C-G, D-A, E-B, F♯-C♯, B♭-F narrow, G♯-E♭, E♭-B♭ wide by 1/3 Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P3, PURE, P3, PURE, P3, PURE, P3, PURE, WIDE3, WIDE3, P3, PURE] }
	},
	{
		id: 'werckmeister-5',
		name: 'Werckmeister V',
		family: 'well',
		uses: ['organ'],
		period: 'late 17th century',
		character: 'Five fifths narrow and one wide by a quarter of the comma: close to equal in many thirds.',
		goodFor: 'Chromatic organ works of the same school.',
		source: 'A. Werckmeister 1691: D-A-E, F♯-C♯-G♯, F-C narrow, G♯-E♭ wide by 1/4 Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [PURE, PURE, P4, P4, PURE, PURE, P4, P4, WIDE4, PURE, PURE, P4] }
	},
	{
		id: 'kirnberger-2',
		name: 'Kirnberger II',
		family: 'well',
		uses: ['organ', 'harpsichord'],
		period: '18th century',
		character: 'Pure thirds C-E, G-B and D-F♯ bought with two very narrow fifths, D-A and A-E.',
		goodFor: 'Studying key contrast; music that avoids A as a resting fifth.',
		source: 'J. P. Kirnberger 1771: D-A and A-E narrow by 1/2 syntonic comma, F♯-C♯ by the schisma.',
		tuning: { by: 'fifths', fifths: [PURE, PURE, S2, S2, PURE, PURE, SCHISMA, PURE, PURE, PURE, PURE, PURE] }
	},
	{
		id: 'kirnberger-3',
		name: 'Kirnberger III',
		family: 'well',
		uses: ['organ', 'harpsichord'],
		period: '18th century',
		character: 'A pure third C-E divided by four quarter-comma fifths, pure fifths everywhere else but one.',
		goodFor: 'Baroque keyboard music with C, F and G as centre.',
		source: 'J. P. Kirnberger, letter to J. N. Forkel, c. 1779.',
		tuning: { by: 'fifths', fifths: [S4, S4, S4, S4, PURE, PURE, SCHISMA, PURE, PURE, PURE, PURE, PURE] }
	},
	{
		id: 'neidhardt-village',
		name: 'Neidhardt, for a village',
		family: 'well',
		uses: ['organ', 'harpsichord'],
		period: 'early 18th century',
		character: 'Firm home keys, a gentle rise outwards, two soft steps on the flat side.',
		goodFor: 'Village organs: hymns and chorales near C.',
		source: 'J. G. Neidhardt 1724, as tabulated by J. M. Barbour 1951.',
		tuning: { by: 'fifths', fifths: [P6, P6, P6, P6, P12, P12, PURE, PURE, P12, P12, PURE, PURE] }
	},
	{
		id: 'neidhardt-small-town',
		name: 'Neidhardt, for a small town',
		family: 'well',
		uses: ['organ', 'harpsichord', 'home piano'],
		period: 'early 18th century',
		character: 'Three fifths by a sixth, six by a twelfth: close to equal, with a quiet lean towards C.',
		goodFor: 'Instruments that accompany everything from motets to concertos.',
		source: 'J. G. Neidhardt 1724, as tabulated by J. M. Barbour 1951.',
		tuning: { by: 'fifths', fifths: [P6, P6, P6, P12, PURE, P12, P12, P12, PURE, PURE, P12, P12] }
	},
	{
		id: 'marpurg-thirds',
		name: 'Marpurg, equal thirds',
		family: 'well',
		uses: ['organ', 'home piano'],
		period: 'late 18th century',
		character: 'Nine pure fifths and three narrow by a third of the comma; every major third as in equal.',
		goodFor: 'Hearing what pure fifths do when the thirds stay equal.',
		source:
			'F. W. Marpurg 1776, as tabulated by J. M. Barbour 1951: C-G, E-B and G♯-E♭ narrow by 1/3 Pythagorean comma.',
		tuning: { by: 'fifths', fifths: [P3, PURE, PURE, PURE, P3, PURE, PURE, PURE, P3, PURE, PURE, PURE] }
	},
	{
		id: 'barnes',
		name: 'Barnes',
		family: 'well',
		uses: ['harpsichord', 'organ'],
		period: "20th century, after J. S. Bach's keyboard works",
		character: 'Vallotti with E-B pure and B-F♯ tempered instead: the sharp keys a little smoother.',
		goodFor: 'The forty-eight preludes and fugues.',
		source: 'J. Barnes 1979, Early Music 7:236.',
		tuning: { by: 'fifths', fifths: [P6, P6, P6, P6, PURE, P6, PURE, PURE, PURE, PURE, PURE, P6] }
	},
	{
		id: 'kellner',
		name: 'Kellner',
		family: 'well',
		uses: ['harpsichord', 'organ'],
		period: '20th century, after J. S. Bach',
		character: "Five fifths by a fifth of the comma, seven pure; C major's third beats as fast as its fifth is narrow.",
		goodFor: 'Baroque keyboard music in all keys.',
		source: 'H. A. Kellner 1977, Das Musikinstrument 26.',
		tuning: { by: 'fifths', fifths: [P5, P5, P5, P5, PURE, P5, PURE, PURE, PURE, PURE, PURE, PURE] }
	},
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
	},
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

/** The library's entry of that id. @throws RangeError when there is none. */
export function temperamentById(id: string): Temperament {
	const found = TEMPERAMENTS.find((temperament) => temperament.id === id);
	if (!found) throw new RangeError(`temperamentById: no temperament is called "${id}"`);
	return found;
}
