import { PURE, pythagorean, syntonic, type Tempering } from '../comma';
import { fraction } from '../fraction';
import type { Temperament } from '../temperament';

const P3 = pythagorean(1, 3);
const P4 = pythagorean(1, 4);
const P5 = pythagorean(1, 5);
const P6 = pythagorean(1, 6);
const P12 = pythagorean(1, 12);
const WIDE3 = pythagorean(-1, 3);
const WIDE4 = pythagorean(-1, 4);
const S2 = syntonic(1, 2);
const S4 = syntonic(1, 4);
const S316 = syntonic(3, 16);
/** The two commas' difference. */
const SCHISMA: Tempering = { pythagorean: fraction(1), syntonic: fraction(-1) };
/** A quarter of what four fifths of 3/16 syntonic comma leave. */
const YOUNG: Tempering = { pythagorean: fraction(1, 4), syntonic: fraction(-3, 16) };

/** Every key usable, each with a colour of its own. */
export const wellTemperaments: readonly Temperament[] = [
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
	}
];
