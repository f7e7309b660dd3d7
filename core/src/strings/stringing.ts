import type { StringKind } from './inharmonicity';
import { A4 } from '../units/pitch';

/** A run of notes strung alike, from the note after the section below it up to `to`. */
export interface StringSection {
	readonly to: number;
	/** Strings of a note in each choir, 1 to 3. */
	readonly strings: number;
	readonly wound: boolean;
}

/** A set of strings over the whole keyboard: a piano has one, a harpsichord's registers are several. */
export interface Choir {
	/** Small letters, digits and hyphens. */
	readonly id: string;
	readonly name: string;
	/** Octaves that it sounds above its keys; 0 unless said. */
	readonly octave?: number;
}

/** How a keyboard is strung, from the lowest note up. */
export interface Stringing {
	readonly lowest: number;
	readonly sections: readonly StringSection[];
	readonly choirs: readonly Choir[];
}

export const MOST_STRINGS = 3;
export const ONE_CHOIR: readonly Choir[] = [{ id: 'strings', name: 'Strings' }];
/** Registers of a keyboard that has more than one: the first is tuned by the temperament, the others to it. */
export const CHOIRS = [
	{ id: 'lower', name: 'Lower 8′' },
	{ id: 'upper', name: 'Upper 8′' },
	{ id: 'four', name: '4′', octave: 1 },
	{ id: 'lute', name: 'Lute 8′' }
] as const satisfies readonly Choir[];

/** What a keyboard usually has: one row of strings, or registers. */
export const REGISTRATIONS: readonly {
	readonly id: string;
	readonly name: string;
	readonly choirs: readonly Choir[];
}[] = [
	{ id: 'one', name: 'one', choirs: ONE_CHOIR },
	{ id: 'two', name: 'two: lower and upper 8′', choirs: CHOIRS.slice(0, 2) },
	{ id: 'eightFour', name: 'two: 8′ and 4′', choirs: [CHOIRS[0], CHOIRS[2]] },
	{ id: 'three', name: 'three: lower and upper 8′, 4′', choirs: CHOIRS.slice(0, 3) },
	{ id: 'four', name: 'four: lower and upper 8′, 4′, lute 8′', choirs: CHOIRS }
];
/** The one that these registers are; undefined: none of the usual ones. */
export const registrationOf = (choirs: readonly Choir[]) =>
	REGISTRATIONS.find((each) => each.choirs.map(({ id }) => id).join() === choirs.map(({ id }) => id).join());

const OCTAVES: ReadonlyMap<string, number> = new Map(
	CHOIRS.map((choir) => [choir.id, 'octave' in choir ? choir.octave : 0])
);
/** Octaves that a sounder sounds above its key: its register's. @param member of the sounder's name */
export const octaveOfMember = (member: string): number => OCTAVES.get(member.replace(/-.*$/, '')) ?? 0;
/** "Upper 8′" */
export const registerName = (id: string): string => CHOIRS.find((choir) => choir.id === id)?.name ?? id;
/** Semitones of an octave, as registers count them. */
export const REGISTER_OCTAVE = 12;

/** Where plain strings usually begin, and for how many notes the bass has one string. */
const USUAL_BREAK = A4 - 25;
const SINGLES = 10;

/** How an instrument of a kind is usually strung. */
export function usualStringing(kind: StringKind, lowest: number, highest: number): Stringing {
	const one = (strings: number) => ({
		lowest,
		sections: [{ to: highest, strings, wound: false }],
		choirs: ONE_CHOIR
	});
	if (kind === 'harpsichord') return one(1);
	if (kind === 'fortepiano') return one(2);
	const sections = [
		{ to: Math.min(lowest + SINGLES, USUAL_BREAK) - 1, strings: 1, wound: true },
		{ to: USUAL_BREAK - 1, strings: 2, wound: true },
		{ to: highest, strings: 3, wound: false }
	];
	return { lowest, sections: withoutEmpty(lowest, highest, sections), choirs: ONE_CHOIR };
}

function withoutEmpty(lowest: number, highest: number, sections: readonly StringSection[]): StringSection[] {
	let from = lowest;
	return sections.flatMap((section) => {
		const to = Math.min(section.to, highest);
		if (to < from) return [];
		from = to + 1;
		return [{ ...section, to }];
	});
}

/** The section a note stands in; beyond the ends, the end's. */
export function sectionAt({ sections }: Pick<Stringing, 'sections'>, note: number): StringSection {
	return sections.find(({ to }) => note <= to) ?? sections[sections.length - 1];
}

export function stringsAt(stringing: Pick<Stringing, 'sections'>, note: number): number {
	return sectionAt(stringing, note).strings;
}

/** The lowest plain note above wound ones; undefined when all are alike. */
export function breakOf({ sections }: Pick<Stringing, 'sections'>): number | undefined {
	const at = sections.findIndex(({ wound }, i) => !wound && sections[i - 1]?.wound);
	return at < 0 ? undefined : sections[at - 1].to + 1;
}

/** What a table of strings knows of a note. */
export interface KnownStringing {
	readonly note: number;
	readonly strings: number;
	readonly wound: boolean;
}

/** Notes measured no further apart than that say what lies between them, where they agree. */
const NEAR = 4;

/** Stringing by the table where it knows, else as `usual` has it. */
export function stringingFrom(usual: Stringing, known: readonly KnownStringing[]): Stringing {
	if (known.length === 0) return usual;
	const highest = usual.sections[usual.sections.length - 1].to;
	const byNote = new Map(known.map((each) => [each.note, each]));
	const inOrder = [...known].sort((a, b) => a.note - b.note);
	const sections: StringSection[] = [];
	for (let note = usual.lowest; note <= highest; note++) {
		const below = inOrder.filter((each) => each.note <= note).at(-1);
		const above = inOrder.find((each) => each.note >= note);
		const between =
			below &&
			above &&
			above.note - below.note <= NEAR &&
			below.strings === above.strings &&
			below.wound === above.wound;
		const { strings, wound } = byNote.get(note) ?? (between ? below : sectionAt(usual, note));
		const last = sections.at(-1);
		if (last && last.strings === strings && last.wound === wound) sections[sections.length - 1] = { ...last, to: note };
		else sections.push({ to: note, strings, wound });
	}
	return { ...usual, sections };
}

/** Why sections make no keyboard, as a sentence; undefined when they do. */
export function stringingProblem(
	{ sections, choirs, lowest }: Stringing,
	highest: number,
	nameOf: (note: number) => string
): string | undefined {
	if (choirs.length === 0) return 'A keyboard has at least one set of strings.';
	if (new Set(choirs.map(({ id }) => id)).size < choirs.length) return 'A register stands there twice.';
	let from = lowest;
	for (const { to, strings } of sections) {
		if (to < from) return `A section ends at ${nameOf(to)}, below where it begins (${nameOf(from)}).`;
		if (!(strings >= 1 && strings <= MOST_STRINGS)) return `A note has 1 to ${MOST_STRINGS} strings.`;
		from = to + 1;
	}
	if (from !== highest + 1)
		return `The last section ends at ${nameOf(from - 1)}; the keyboard ends at ${nameOf(highest)}.`;
	return undefined;
}
