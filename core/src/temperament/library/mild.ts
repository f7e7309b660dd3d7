import { pythagorean } from '../comma';
import type { Temperament } from '../temperament';

const P8 = pythagorean(1, 8);
const P9 = pythagorean(1, 9);
const P10 = pythagorean(1, 10);
const P12 = pythagorean(1, 12);
const P18 = pythagorean(1, 18);
const P20 = pythagorean(1, 20);
const P24 = pythagorean(1, 24);

/** Equal, and those that lean a little. */
export const mildTemperaments: readonly Temperament[] = [
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
	}
];
