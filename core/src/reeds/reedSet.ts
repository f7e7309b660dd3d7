import { noteName } from '../units/note';
import { PLATES, type Plate, type ReedLayout } from './layouts';
import type { ReedPlace } from './intonation';

export const REED_METALS = ['brass', 'bronze', 'steel'] as const;
export type ReedMetal = (typeof REED_METALS)[number];
export const REED_LENGTHS = ['short', 'usual', 'long'] as const;
export type ReedLength = (typeof REED_LENGTHS)[number];

/** A reed beneath another one that gives it a bend: it is tuned under the note that is wanted, and is not played itself. */
export interface Auxiliary {
	readonly hole: number;
	/** Of the reed that bends. */
	readonly plate: Plate;
	/** Note that the bend is to end at, in semitones above the lowest tonic. */
	readonly wanted: number;
}

/** What is known of a set of free reeds: a harmonica's two plates, or single reeds on a bench. */
export interface ReedSet {
	/** The lowest tonic's number as a note. */
	readonly tonic: number;
	readonly layout: ReedLayout;
	readonly auxiliaries: readonly Auxiliary[];
	readonly metal: ReedMetal;
	readonly length: ReedLength;
	/** Millimetres from one hole to the next. */
	readonly spacing: number;
}

/** What a reed is for: it sounds by itself, with the slide in, beneath another one, or with another one on its note. */
export const REED_ROLES = ['own', 'slide', 'auxiliary', 'second'] as const;
export type ReedRole = (typeof REED_ROLES)[number];

/** A reed with its group's number in the record. */
export interface PlacedReed extends ReedPlace {
	readonly group: number;
	readonly role: ReedRole;
}

/** Holes are counted up to less than this; a plate further on is the other one, two plates further on another role. */
const HOLES = 100;

export function reedGroup(hole: number, plate: Plate, role: ReedRole = 'own'): number {
	return hole + HOLES * PLATES.indexOf(plate) + 2 * HOLES * REED_ROLES.indexOf(role);
}

/** Where a group lies, by its number. */
export function reedPlaceOf(group: number): Pick<PlacedReed, 'hole' | 'plate' | 'role'> {
	const of = Math.floor(group / HOLES);
	return { hole: group % HOLES, plate: PLATES[of % 2], role: REED_ROLES[Math.floor(of / 2)] };
}

/** All reeds, the blow plate first; of each plate those that are played, then what lies beneath or beside them. */
export function placedReeds({ layout, auxiliaries }: ReedSet): readonly PlacedReed[] {
	const { holes, slide, doubling } = layout;
	return PLATES.flatMap((plate) => {
		const own = holes.flatMap(({ [plate]: note }, i) => (note === null ? [] : [{ hole: i + 1, plate, note }]));
		const as = (role: ReedRole, up: number) =>
			own.map((reed): PlacedReed => ({
				...reed,
				...{ note: reed.note + up, role, group: reedGroup(reed.hole, plate, role) }
			}));
		const beneath = auxiliaries
			.filter((each) => each.plate === plate)
			.map(({ hole, wanted }): PlacedReed => ({
				...{ hole, plate, note: wanted, role: 'auxiliary', group: reedGroup(hole, plate, 'auxiliary') }
			}));
		return [
			...as('own', 0),
			...(slide ? as('slide', 1) : []),
			...(doubling.kind === 'none' ? [] : as('second', doubling.kind === 'octave' ? 12 : 0)),
			...beneath
		];
	});
}

const ROLE_WORDS: Record<ReedRole, string> = {
	...{ own: '', slide: ', slide in', auxiliary: ', auxiliary', second: ', second reed' }
};

/** As one says it at the bench: "Blow 5", "Draw 3, slide in". */
export function reedName(group: number): string {
	const { hole, plate, role } = reedPlaceOf(group);
	return `${plate === 'blow' ? 'Blow' : 'Draw'} ${hole}${ROLE_WORDS[role]}`;
}

/** The note that a reed gives, by name. */
export const reedNote = ({ tonic }: Pick<ReedSet, 'tonic'>, { note }: Pick<ReedPlace, 'note'>): string =>
	noteName(tonic + note);

/** Whether the reeds are single ones, each by itself: no octaves or chords are played on them. */
export const isBench = ({ layout }: Pick<ReedSet, 'layout'>): boolean =>
	layout.holes.every(({ draw }) => draw === null);

/** What degree of the key a note is: 1 for the tonic, 5 for the fifth; sharps of a degree by their sign. */
const DEGREES = ['1', '♭2', '2', '♭3', '3', '4', '♯4', '5', '♭6', '6', '♭7', '7'] as const;
export const degreeOf = (note: number): string => DEGREES[((note % 12) + 12) % 12];
