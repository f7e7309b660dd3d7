/** Which of the two plates a reed lies on: it sounds when one blows, or when one draws. */
export const PLATES = ['blow', 'draw'] as const;
export type Plate = (typeof PLATES)[number];

/** A hole's notes, in semitones above the key's lowest tonic; null: no reed there. */
export type HoleNotes = Readonly<Record<Plate, number | null>>;

/** What two reeds on one note are to each other. */
export type Doubling =
	| { readonly kind: 'none' }
	/** The second one an octave above. */
	| { readonly kind: 'octave' }
	/** The second one sharp by so many beats a second. */
	| { readonly kind: 'tremolo'; readonly beats: number };

/** The notes of a harmonica, hole by hole. */
export interface ReedLayout {
	readonly id: string;
	readonly name: string;
	readonly holes: readonly HoleNotes[];
	/** With the slide in, every hole sounds a semitone higher, on reeds of its own. */
	readonly slide: boolean;
	readonly doubling: Doubling;
}

const holesOf = (blow: readonly (number | null)[], draw: readonly (number | null)[]): readonly HoleNotes[] =>
	blow.map((note, i) => ({ blow: note, draw: draw[i] }));
const NONE: Doubling = { kind: 'none' };

const MAJOR_BLOW = [0, 4, 7, 12, 16, 19, 24, 28, 31, 36];
const MAJOR_DRAW = [2, 7, 11, 14, 17, 21, 23, 26, 29, 33];
const MINOR_BLOW = [0, 3, 7, 12, 15, 19, 24, 27, 31, 36];
const TEN = { slide: false, doubling: NONE } as const;
const MAJOR = holesOf(MAJOR_BLOW, MAJOR_DRAW);
const octaves = (within: readonly number[]) => [0, 12, 24].flatMap((up) => within.map((note) => note + up));

/** Layouts that many makers build; others are typed hole by hole. */
export const LAYOUTS: readonly ReedLayout[] = [
	{ ...TEN, id: 'major', name: 'Ten holes, major', holes: MAJOR },
	{
		...{ ...TEN, id: 'raisedFifthDraw', name: 'Ten holes, major, draw 5 raised' },
		holes: holesOf(
			MAJOR_BLOW,
			MAJOR_DRAW.map((note, i) => (i === 4 ? note + 1 : note))
		)
	},
	{
		...{ ...TEN, id: 'naturalMinor', name: 'Ten holes, natural minor' },
		holes: holesOf(MINOR_BLOW, [2, 7, 10, 14, 17, 21, 22, 26, 29, 33])
	},
	{
		...{ ...TEN, id: 'harmonicMinor', name: 'Ten holes, harmonic minor' },
		holes: holesOf(MINOR_BLOW, [2, 7, 11, 14, 17, 20, 23, 26, 29, 32])
	},
	{
		...{ id: 'chromatic', name: 'Twelve holes with slide', slide: true, doubling: NONE },
		holes: holesOf(octaves([0, 4, 7, 12]), octaves([2, 5, 9, 11]))
	},
	{ id: 'octavePairs', name: 'Ten holes, octave pairs', holes: MAJOR, slide: false, doubling: { kind: 'octave' } },
	{
		...{ id: 'tremolo', name: 'Ten holes, tremolo pairs', holes: MAJOR, slide: false },
		doubling: { kind: 'tremolo', beats: 4 }
	}
];

export const layoutById = (id: string): ReedLayout | undefined => LAYOUTS.find((each) => each.id === id);

/** Why a layout that was typed is none. */
export type LayoutProblem =
	| { readonly problem: 'no holes' }
	/** A hole has no reed, or a note lies out of reach. */
	| { readonly problem: 'hole'; readonly hole: number };

/** Semitones above the lowest tonic that a reed may have. */
const REACH = { least: -12, most: 60 } as const;
const MOST_HOLES = 32;

/** What is wrong with holes that were typed; undefined: nothing. Holes are counted from 1. */
export function layoutProblem(holes: readonly HoleNotes[]): LayoutProblem | undefined {
	if (holes.length === 0 || holes.length > MOST_HOLES) return { problem: 'no holes' };
	const isWrong = (note: number | null) =>
		note !== null && !(Number.isInteger(note) && note >= REACH.least && note <= REACH.most);
	const at = holes.findIndex(({ blow, draw }) => (blow === null && draw === null) || isWrong(blow) || isWrong(draw));
	return at < 0 ? undefined : { problem: 'hole', hole: at + 1 };
}
