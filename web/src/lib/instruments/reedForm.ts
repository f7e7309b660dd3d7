import {
	LAYOUTS,
	layoutById,
	layoutProblem,
	noteName,
	readNote,
	placedReeds,
	REED_LENGTHS,
	REED_METALS,
	type Auxiliary,
	type HoleNotes,
	type Plate,
	type ReedSet
} from '@fendrel/core';
import { z } from 'zod';
import type { Result } from '$lib/ui/result';

/** Layouts to choose from, and one's own: hole by hole, or single reeds on a bench. */
export const OWN_LAYOUT = 'own';
export const LAYOUT_CHOICES = [
	...LAYOUTS.map(({ id, name }) => ({ id, name })),
	{ id: OWN_LAYOUT, name: 'One’s own, or single reeds on a bench' }
];
const LONGEST = 2000;
const SPACING = { least: 3, most: 30 } as const;

/** What is asked of free reeds besides what is asked of any instrument. */
export const reedFields = {
	tonic: z.string().trim().default('C4'),
	layout: z.string().default('major'),
	holes: z.string().max(LONGEST).default(''),
	auxiliaries: z.string().max(LONGEST).default(''),
	metal: z.enum(REED_METALS).default('brass'),
	length: z.enum(REED_LENGTHS).default('usual'),
	spacing: z.coerce.number().min(SPACING.least, 'At least 3 mm.').max(SPACING.most, 'At most 30 mm.').default(7.5)
};
const fields = z.object(reedFields);
export type ReedFields = z.infer<typeof fields>;
/** What is wrong, and in which field. */
export type ReedProblem = { readonly field: keyof ReedFields; readonly text: string };

/** Lowest and highest note that a tonic may be. */
const TONICS = { lowest: 36, highest: 84 } as const;
const NO_REED = /^[-–—]$/;
const MOST_HOLES = 32;

const lines = (text: string) =>
	text
		.split('\n')
		.flatMap((line, i) => (line.trim() === '' ? [] : [{ at: i + 1, words: line.trim().split(/[\s,;]+/) }]));

/** Holes as they were typed, a line each: "4 C5 D5"; a dash where there is no reed. */
function readHoles(text: string, tonic: number): Result<readonly HoleNotes[]> {
	const holes = new Map<number, HoleNotes>();
	for (const { at, words } of lines(text)) {
		const [hole, blow, draw = '-', ...more] = words;
		const number = Number(hole);
		const notes = [blow ?? '', draw].map((word) => (NO_REED.test(word) ? null : readNote(word)));
		if (!/^\d{1,2}$/.test(hole) || more.length || blow === undefined || notes.includes(undefined))
			return {
				problem: `Line ${at}: write the hole, its blow note and its draw note, as in “4 C5 D5”; a dash where there is no reed.`
			};
		if (number < 1 || number > MOST_HOLES) return { problem: `Line ${at}: holes are numbered 1 to ${MOST_HOLES}.` };
		if (holes.has(number)) return { problem: `Line ${at}: hole ${number} is there twice.` };
		const [up, down] = (notes as (number | null)[]).map((note) => (note === null ? null : note - tonic));
		holes.set(number, { blow: up, draw: down });
	}
	const missing = Array.from({ length: Math.max(0, ...holes.keys()) }, (_, i) => i + 1).find(
		(hole) => !holes.has(hole)
	);
	if (missing !== undefined) return { problem: `Hole ${missing} is missing.` };
	const all = [...holes].sort(([a], [b]) => a - b).map(([, notes]) => notes);
	const problem = layoutProblem(all);
	if (problem?.problem === 'no holes') return { problem: 'Write each hole on a line of its own.' };
	if (problem)
		return {
			problem: `Hole ${problem.hole}: a reed lies between an octave below the tonic and five octaves above it.`
		};
	return { value: all };
}

/** Auxiliary reeds as they were typed, a line each: the reed that bends, and the note wanted: "blow 5 D♯5". */
function readAuxiliaries(text: string, tonic: number, holes: readonly HoleNotes[]): Result<readonly Auxiliary[]> {
	const found: Auxiliary[] = [];
	for (const { at, words } of lines(text)) {
		const [plate, hole, note, ...more] = words;
		const number = Number(hole);
		const wanted = readNote(note ?? '');
		const isPlate = plate.toLowerCase() === 'blow' || plate.toLowerCase() === 'draw';
		if (!isPlate || wanted === undefined || more.length || !/^\d{1,2}$/.test(hole ?? ''))
			return { problem: `Line ${at}: write the reed that bends and the note wanted, as in “blow 5 Eb5”.` };
		const of = plate.toLowerCase() as Plate;
		const bends = holes[number - 1]?.[of] ?? null;
		if (bends === null) return { problem: `Line ${at}: there is no ${of} reed in hole ${hole}.` };
		if (wanted - tonic >= bends)
			return {
				problem: `Line ${at}: ${noteName(wanted)} does not lie below ${of} ${hole}, which is ${noteName(tonic + bends)}.`
			};
		if (found.some((each) => each.plate === of && each.hole === number))
			return { problem: `Line ${at}: ${of} ${hole} has an auxiliary reed already.` };
		found.push({ hole: number, plate: of, wanted: wanted - tonic });
	}
	return { value: found };
}

/** A set of reeds as its fields say. */
export function reedSetFrom({ tonic: key, layout: id, ...typed }: ReedFields): ReedSet | ReedProblem {
	const tonic = readNote(key);
	if (tonic === undefined || tonic < TONICS.lowest || tonic > TONICS.highest)
		return { field: 'tonic', text: 'Write the lowest tonic as a note from C2 to C6, such as C4.' };
	const known = layoutById(id);
	const own = known ? { value: known.holes } : readHoles(typed.holes, tonic);
	if ('problem' in own) return { field: 'holes', text: own.problem };
	const auxiliaries = readAuxiliaries(typed.auxiliaries, tonic, own.value);
	if ('problem' in auxiliaries) return { field: 'auxiliaries', text: auxiliaries.problem };
	const layout = known ?? {
		...{ id: OWN_LAYOUT, name: 'One’s own', holes: own.value, slide: false },
		doubling: { kind: 'none' as const }
	};
	const { metal, length, spacing } = typed;
	return { tonic, layout, auxiliaries: auxiliaries.value, metal, length, spacing };
}

/** The fields that say a set of reeds. */
export function reedFieldsOf({ tonic, layout, auxiliaries, ...rest }: ReedSet): ReedFields {
	const name = (note: number | null) => (note === null ? '-' : noteName(tonic + note));
	return {
		...rest,
		...{ tonic: noteName(tonic), layout: layout.id },
		holes:
			layout.id === OWN_LAYOUT
				? layout.holes.map(({ blow, draw }, i) => `${i + 1} ${name(blow)} ${name(draw)}`).join('\n')
				: '',
		auxiliaries: auxiliaries.map(({ hole, plate, wanted }) => `${plate} ${hole} ${name(wanted)}`).join('\n')
	};
}

export const BLANK_REEDS = fields.parse({});

/** From the lowest reed to the highest, as notes. */
export function compassOf(set: ReedSet): { readonly lowest: number; readonly highest: number } {
	const notes = placedReeds(set).map(({ note }) => set.tonic + note);
	return { lowest: Math.min(...notes), highest: Math.max(...notes) };
}
