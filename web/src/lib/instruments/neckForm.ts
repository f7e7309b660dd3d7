import {
	MOST_FRETS,
	NECK_FAMILIES,
	neckById,
	neckProblem,
	NECKS,
	noteName,
	readNote,
	placeOf,
	SCALES,
	STRING_STUFF,
	type Course,
	type FretEnds,
	type Neck,
	type NeckString
} from '@fendrel/core';
import { z } from 'zod';
import { typedNumber } from '$lib/ui/typed';
import { decimal, listed } from '$lib/ui/format';
import type { Result } from '$lib/ui/result';
import { lengthFigure, lengthUnit, lengthWords, saysUnit, typedLength, typedMm } from '$lib/ui/measures';

/** Necks to choose from, and one's own: string by string. */
export const OWN_NECK = 'own';
export const NECK_CHOICES = [...NECKS.map(({ id, name }) => ({ id, name })), { id: OWN_NECK, name: 'One’s own' }];
const LONGEST = 600;

/** What is asked of strings over frets besides what is asked of any instrument. */
export const neckFields = {
	neck: z.string().default('bass'),
	neckFamily: z.enum(NECK_FAMILIES).default('viol'),
	openStrings: z.string().max(LONGEST).default(''),
	scale: z.string().trim().max(30).default(''),
	frets: z.string().trim().max(4).default(''),
	stuff: z.enum(STRING_STUFF).default('gut'),
	actionFirst: z.string().trim().max(10).default(''),
	actionLast: z.string().trim().max(10).default(''),
	fretPlaces: z.string().max(2000).default(''),
	capo: z.string().trim().max(4).default('')
};
const fields = z.object(neckFields);
export type NeckFields = z.infer<typeof fields>;
/** What is wrong, and in which field. */
export type NeckFieldProblem = { readonly field: keyof NeckFields; readonly text: string };
export const BLANK_NECK = fields.parse({});

/** A length as it was typed, in mm: "690", "69 cm", "27.2 in". A bare number that may be of either is refused. */
export function readLength(text: string): Result<number> {
	const value = typedMm(text);
	if (!(value > 0)) return { problem: 'Write a length such as 690 mm, 69 cm or 27.2 in.' };
	if (!saysUnit(text) && value < SCALES.shortest)
		return { problem: `${text.trim()} what? Write mm, cm or in behind it, as in ${text.trim()} in.` };
	return { value };
}

/** Open strings as they were typed, from the highest: "D4 A3 E3"; a course as "F3+F3", with an octave string as "F3+F4". */
export function readStrings(text: string): Result<readonly NeckString[]> {
	const strings: NeckString[] = [];
	for (const word of text
		.trim()
		.split(/[\s,;]+/)
		.filter(Boolean)) {
		const [first, second, ...more] = word.split('+').map(readNote);
		if (first === undefined || more.length || (word.includes('+') && second === undefined))
			return { problem: `“${word}” is no string. Write notes such as D4 A3 E3, a course as F3+F3 or F3+F4.` };
		const apart = second === undefined ? undefined : Math.abs(second - first);
		if (apart !== undefined && apart !== 0 && apart !== 12)
			return { problem: `“${word}”: the two strings of a course lie on one note, or an octave apart.` };
		const course: Course = apart === undefined ? 'single' : apart === 0 ? 'unison' : 'octave';
		strings.push({ note: Math.min(first, second ?? first), course });
	}
	return { value: strings };
}

/** Where frets lie as it was typed, a line each: "1 39.0 38.4", mm from the nut at the lowest string and at the highest. */
function readPlaces(text: string, frets: number): Result<readonly (FretEnds | null)[]> {
	const places: (FretEnds | null)[] = Array<null>(frets).fill(null);
	for (const [i, line] of text.split('\n').entries()) {
		if (line.trim() === '') continue;
		const [fret, low, high = low, ...more] = line
			.trim()
			.split(/[\s;]+/)
			.map(typedNumber);
		if (!Number.isInteger(fret) || !(low > 0) || !(high > 0) || more.length)
			return {
				problem: `Line ${i + 1}: write the fret and its two places in mm, lowest string first, as in “1 39.0 38.4”.`
			};
		if (fret < 1 || fret > frets) return { problem: `Line ${i + 1}: there is no fret ${fret}.` };
		if (places[fret - 1]) return { problem: `Line ${i + 1}: fret ${fret} is there twice.` };
		places[fret - 1] = { low, high };
	}
	return { value: places };
}

const wrong = (field: keyof NeckFields, text: string): NeckFieldProblem => ({ field, text });

/** A neck as its fields say; what is left blank is as usual. */
export function neckFrom(typed: NeckFields): Neck | NeckFieldProblem {
	const known = neckById(typed.neck);
	const usual = known?.neck ?? NECKS.find(({ neck }) => neck.family === typed.neckFamily)!.neck;
	const own = known ? { value: known.neck.strings } : readStrings(typed.openStrings);
	if ('problem' in own) return wrong('openStrings', own.problem);
	const scale = typed.scale === '' ? { value: usual.scale } : readLength(typed.scale);
	if ('problem' in scale) return wrong('scale', scale.problem);
	const frets = typed.frets === '' ? usual.frets : Number(typed.frets);
	if (!Number.isInteger(frets) || frets < 1 || frets > MOST_FRETS)
		return wrong('frets', `Write how many frets there are, 1 to ${MOST_FRETS}.`);
	const action = { ...usual.action };
	for (const [end, field] of [
		['first', 'actionFirst'],
		['last', 'actionLast']
	] as const) {
		if (typed[field] === '') continue;
		action[end] = typedMm(typed[field]);
		if (!(action[end] > 0 && action[end] < 20))
			return wrong(field, `Write the height in ${lengthUnit()}; it lies below ${lengthWords(20, 0)}.`);
	}
	const places = readPlaces(typed.fretPlaces, frets);
	if ('problem' in places) return wrong('fretPlaces', places.problem);
	const capo = typed.capo === '' ? usual.capo : Number(typed.capo);
	if (!Number.isInteger(capo) || capo < 0 || capo > frets - 1)
		return wrong('capo', `There is no fret ${typed.capo} that a capo could sit at.`);
	const neck: Neck = {
		...{ family: known ? known.neck.family : typed.neckFamily, strings: own.value, scale: scale.value, frets },
		...{ stuff: typed.stuff, action, places: places.value, capo }
	};
	const problem = neckProblem(neck);
	switch (problem?.problem) {
		case undefined:
			return neck;
		case 'no strings':
			return wrong('openStrings', 'Write the open strings from the highest, as in D4 A3 E3 C3 G2 D2.');
		case 'order':
			return wrong('openStrings', 'These go from the lowest up. Write the highest string first.');
		case 'reach':
			return wrong('openStrings', `String ${problem.string}: strings lie between C1 and C6.`);
		case 'scale':
			return wrong(
				'scale',
				`A scale of ${lengthWords(scale.value, 0)}? It lies between ${lengthFigure(SCALES.shortest, 0)} and ${lengthWords(SCALES.longest, 0)}.`
			);
		case 'fret':
			return wrong(
				'fretPlaces',
				`Fret ${problem.fret} does not lie beyond the one before it. Frets go from the nut to the bridge.`
			);
	}
}

const stringText = ({ note, course }: NeckString) =>
	course === 'single' ? noteName(note) : `${noteName(note)}+${noteName(course === 'octave' ? note + 12 : note)}`;

/** The fields that say a neck. */
export function neckFieldsOf(neck: Neck): NeckFields {
	const same = (a: readonly NeckString[]) => a.map(stringText).join(' ') === neck.strings.map(stringText).join(' ');
	const known = NECKS.find(({ neck: { strings, family } }) => family === neck.family && same(strings));
	return {
		...{ neck: known?.id ?? OWN_NECK, neckFamily: neck.family, stuff: neck.stuff },
		...{ openStrings: known ? '' : neck.strings.map(stringText).join(' ') },
		...{
			scale: `${typedLength(Number(neck.scale.toFixed(1)))} ${lengthUnit()}`,
			frets: String(neck.frets),
			capo: neck.capo ? String(neck.capo) : ''
		},
		...{ actionFirst: typedLength(neck.action.first), actionLast: typedLength(neck.action.last) },
		fretPlaces: neck.places
			.flatMap((ends, i) => (ends ? `${i + 1} ${ends.low.toFixed(1)} ${ends.high.toFixed(1)}` : []))
			.join('\n')
	};
}

/** From the lowest note to the highest. */
export function neckCompassOf({ strings, frets }: Neck): { readonly lowest: number; readonly highest: number } {
	const notes = strings.map(({ note }) => note);
	return { lowest: Math.min(...notes), highest: Math.max(...notes) + frets };
}

/** What is said of a neck on its page. */
export function neckFacts(neck: Neck): readonly (readonly [string, string])[] {
	const { strings, scale, frets, stuff, capo } = neck;
	return [
		['Strings', `${listed(strings.map(stringText))}, ${stuff}`],
		['Scale', `${decimal(typedLength(Number(scale.toFixed(1))))} ${lengthUnit()}`],
		['Frets', `${frets}, ${neck.family === 'guitar' ? 'fixed' : 'tied'}${capo ? `; capo at ${capo}` : ''}`]
	];
}

/** Frets as a neck's picture shows them while nothing is said of any: where somebody has measured, else where they usually lie. */
export function fretsShown({ frets, scale, places }: Neck) {
	return Array.from({ length: frets }, (_, i) => {
		const usual = placeOf(scale, 100 * (i + 1));
		const at = places[i] ?? { low: usual, high: usual };
		return {
			fret: i + 1,
			now: at,
			then: at,
			wishes: [],
			said: `Fret ${i + 1}, ${lengthWords(at.high, 0)} from the nut`
		};
	});
}
