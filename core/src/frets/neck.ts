import { noteName } from '../units/note';

/** What a course of two strings is: both on one note, or the second an octave above. */
export type Course = 'single' | 'unison' | 'octave';

/** A string over the frets, or a course of two. */
export interface NeckString {
	/** Open, as a note. */
	readonly note: number;
	readonly course: Course;
}

export const NECK_FAMILIES = ['viol', 'lute', 'guitar'] as const;
export type NeckFamily = (typeof NECK_FAMILIES)[number];
export const STRING_STUFF = ['gut', 'nylon', 'steel'] as const;
export type StringStuff = (typeof STRING_STUFF)[number];

/** What is known of a fretted instrument. Strings are counted from the highest, as players do: the first is 1. */
export interface Neck {
	readonly family: NeckFamily;
	readonly strings: readonly NeckString[];
	/** Millimetres from nut to bridge. */
	readonly scale: number;
	/** Frets that are there: tied ones move, the others are fixed. */
	readonly frets: number;
	readonly stuff: StringStuff;
	/** Millimetres from a string down to the frets, at the first and at the last fret. */
	readonly action: { readonly first: number; readonly last: number };
	/** Where tied frets lie, in mm from the nut at the lowest string and at the highest; null: nobody has measured. */
	readonly places: readonly (FretEnds | null)[];
	/** Where the capo usually sits; 0: nowhere. */
	readonly capo: number;
}

/** Millimetres at the two ends of a fret: at the lowest string, and at the highest. */
export interface FretEnds {
	readonly low: number;
	readonly high: number;
}
export const FRET_ENDS = ['low', 'high'] as const;
export type FretEnd = (typeof FRET_ENDS)[number];

const single = (...notes: readonly number[]): readonly NeckString[] =>
	notes.map((note) => ({ note, course: 'single' as const }));
const courses = (first: number, unisons: readonly number[], octaves: readonly number[]): readonly NeckString[] => [
	{ note: first, course: 'single' },
	...unisons.map((note) => ({ note, course: 'unison' as const })),
	...octaves.map((note) => ({ note, course: 'octave' as const }))
];

/** How strings are usually tuned; others are typed string by string. */
export interface KnownNeck {
	readonly id: string;
	readonly name: string;
	readonly neck: Omit<Neck, 'places'>;
}
const VIOL = { family: 'viol', frets: 7, stuff: 'gut', capo: 0 } as const;
const LUTE = { family: 'lute', frets: 8, stuff: 'gut', capo: 0 } as const;

export const NECKS: readonly KnownNeck[] = [
	{
		...{ id: 'treble', name: 'Treble viol, six strings' },
		neck: { ...VIOL, strings: single(74, 69, 64, 60, 55, 50), scale: 400, action: { first: 1.2, last: 3.5 } }
	},
	{
		...{ id: 'tenor', name: 'Tenor viol, six strings' },
		neck: { ...VIOL, strings: single(67, 62, 57, 53, 48, 43), scale: 520, action: { first: 1.3, last: 4 } }
	},
	{
		...{ id: 'bass', name: 'Bass viol, six strings' },
		neck: { ...VIOL, strings: single(62, 57, 52, 48, 43, 38), scale: 690, action: { first: 1.5, last: 5 } }
	},
	{
		...{ id: 'bassSeven', name: 'Bass viol, seven strings' },
		neck: { ...VIOL, strings: single(62, 57, 52, 48, 43, 38, 33), scale: 700, action: { first: 1.5, last: 5 } }
	},
	{
		...{ id: 'luteSix', name: 'Lute in G, six courses' },
		neck: { ...LUTE, strings: courses(67, [62, 57], [53, 48, 43]), scale: 600, action: { first: 1, last: 3 } }
	},
	{
		...{ id: 'luteEight', name: 'Lute in G, eight courses' },
		neck: { ...LUTE, strings: courses(67, [62, 57], [53, 48, 43, 41, 38]), scale: 620, action: { first: 1, last: 3 } }
	},
	{
		...{ id: 'steelGuitar', name: 'Guitar, six steel strings' },
		neck: {
			...{ family: 'guitar', strings: single(64, 59, 55, 50, 45, 40), scale: 645, frets: 20, stuff: 'steel' },
			...{ action: { first: 0.4, last: 2.6 }, capo: 0 }
		}
	},
	{
		...{ id: 'nylonGuitar', name: 'Guitar, six nylon strings' },
		neck: {
			...{ family: 'guitar', strings: single(64, 59, 55, 50, 45, 40), scale: 650, frets: 19, stuff: 'nylon' },
			...{ action: { first: 0.6, last: 3.5 }, capo: 0 }
		}
	}
];

export const neckById = (id: string): KnownNeck | undefined => NECKS.find((each) => each.id === id);

/** Frets that are moved: those of guitars are not. */
export const isTied = ({ family }: Pick<Neck, 'family'>): boolean => family !== 'guitar';
/** Whether strings are bowed, so that their tones last. */
export const isBowed = ({ family }: Pick<Neck, 'family'>): boolean => family === 'viol';

/** Strings are counted up to less than this; a group of the next hundred is one fret up. */
const STRINGS = 100;
/** The second string of a course is numbered so far on. */
const SECOND = 50;

/** The group of an open string (fret 0), of a stopped one, of the second string of a course. */
export const fretGroup = (string: number, fret = 0, isSecond = false): number =>
	STRINGS * fret + string + (isSecond ? SECOND : 0);

/** Where a group lies. */
export interface FretPlace {
	/** From 1, the highest. */
	readonly string: number;
	/** 0: open. */
	readonly fret: number;
	readonly isSecond: boolean;
}
export function fretPlaceOf(group: number): FretPlace {
	const string = group % STRINGS;
	return { string: string % SECOND, fret: Math.floor(group / STRINGS), isSecond: string > SECOND };
}

/** The note that is sounded there. */
export function noteAt({ strings }: Pick<Neck, 'strings'>, { string, fret, isSecond }: FretPlace): number {
	const { note, course } = strings[string - 1];
	return note + fret + (isSecond && course === 'octave' ? 12 : 0);
}

/** Open strings and the second ones of courses, from the highest. */
export const openGroups = ({ strings }: Pick<Neck, 'strings'>): readonly number[] =>
	strings.flatMap(({ course }, i) =>
		course === 'single' ? [fretGroup(i + 1)] : [fretGroup(i + 1), fretGroup(i + 1, 0, true)]
	);

/** These; then fret by fret, one of each course. */
export function fretGroups({ strings, frets }: Pick<Neck, 'strings' | 'frets'>): readonly number[] {
	const open = openGroups({ strings });
	const stopped = Array.from({ length: frets }, (_, k) => strings.map((_, i) => fretGroup(i + 1, k + 1))).flat();
	return [...open, ...stopped];
}

const ORDINALS = [
	'First',
	'Second',
	'Third',
	'Fourth',
	'Fifth',
	'Sixth',
	'Seventh',
	'Eighth',
	'Ninth',
	'Tenth'
] as const;
/** "First" to "Tenth", then "11th". */
export const ordinal = (count: number): string => ORDINALS[count - 1] ?? `${count}th`;

/** "Third string", "Third string, fret 4", "Other string of the third course". */
export function fretGroupName(group: number): string {
	const { string, fret, isSecond } = fretPlaceOf(group);
	if (isSecond) return `Other string of the ${ordinal(string).toLowerCase()} course`;
	return fret === 0 ? `${ordinal(string)} string` : `${ordinal(string)} string, fret ${fret}`;
}

/** "D4", "E♭4 on D4". */
export function soundedName(neck: Pick<Neck, 'strings'>, group: number): string {
	const place = fretPlaceOf(group);
	const note = noteName(noteAt(neck, place));
	return place.fret === 0 ? note : `${note} on ${noteName(neck.strings[place.string - 1].note)}`;
}

/** How far a string lies across the neck: 0 the lowest, 1 the highest. */
export const across = ({ strings }: Pick<Neck, 'strings'>, string: number): number =>
	strings.length === 1 ? 0 : (strings.length - string) / (strings.length - 1);

/** The same note on two strings: what they must agree on. */
export interface SameNote {
	readonly note: number;
	/** Groups, the one nearer the nut first. */
	readonly two: readonly [number, number];
}

/** Neighbouring strings that give one note: an open string and the fret that repeats it, and on up the neck. */
export function sameNotes({ strings, frets }: Pick<Neck, 'strings' | 'frets'>): readonly SameNote[] {
	return strings.slice(1).flatMap(({ note }, i): SameNote[] => {
		const higher = strings[i].note;
		const apart = higher - note;
		if (apart <= 0) return [];
		return Array.from({ length: Math.max(0, frets - apart + 1) }, (_, fret) => ({
			note: higher + fret,
			two: [fretGroup(i + 1, fret), fretGroup(i + 2, fret + apart)] as const
		}));
	});
}

/** Frets in the order in which trouble is looked for: the first, the fourth, those that repeat the next open string, the rest. */
export function usualSuspects({ strings, frets }: Pick<Neck, 'strings' | 'frets'>): readonly number[] {
	const repeats = strings.slice(1).map(({ note }, i) => strings[i].note - note);
	const first = [1, 4, ...repeats.sort((a, b) => b - a)].filter((fret) => fret >= 1 && fret <= frets);
	return [...new Set([...first, ...Array.from({ length: frets }, (_, k) => k + 1)])];
}

/** Why a neck that was typed is none. */
export type NeckProblem =
	| { readonly problem: 'no strings' }
	/** Written from the lowest to the highest. */
	| { readonly problem: 'order' }
	| { readonly problem: 'reach'; readonly string: number }
	| { readonly problem: 'scale' }
	/** A fret that does not lie between the one before it and the bridge. */
	| { readonly problem: 'fret'; readonly fret: number };

const MOST_STRINGS = 14;
export const MOST_FRETS = 24;
const NOTES = { lowest: 24, highest: 84 } as const;
export const SCALES = { shortest: 200, longest: 1200 } as const;
/** Frets lie so far apart at least, in mm. */
const APART = 2;

/** What is wrong with a neck that was typed; undefined: nothing. */
export function neckProblem({
	strings,
	scale,
	places
}: Pick<Neck, 'strings' | 'scale' | 'places'>): NeckProblem | undefined {
	if (strings.length === 0 || strings.length > MOST_STRINGS) return { problem: 'no strings' };
	const reach = strings.findIndex(({ note }) => !(note >= NOTES.lowest && note <= NOTES.highest));
	if (reach >= 0) return { problem: 'reach', string: reach + 1 };
	if (strings.length > 1 && strings[0].note < strings.at(-1)!.note) return { problem: 'order' };
	if (!(scale >= SCALES.shortest && scale <= SCALES.longest)) return { problem: 'scale' };
	let before: FretEnds = { low: 0, high: 0 };
	for (const [i, ends] of places.entries()) {
		if (!ends) continue;
		const isBeyond = (end: FretEnd) => !(ends[end] >= before[end] + APART && ends[end] < scale);
		if (isBeyond('low') || isBeyond('high')) return { problem: 'fret', fret: i + 1 };
		before = ends;
	}
	return undefined;
}
