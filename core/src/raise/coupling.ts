/*
 * How the strings of an instrument pull on each other while it is raised or lowered. Raising the strings of one note yields
 * soundboard and frame, so that others sink: near ones more. Besides, each string loses a share of its own raise over the next
 * minutes, as tension creeps along it. Counted in cents, note by note: the unit is all strings of a note, set together.
 */

/** A note as the pull of its strings counts. */
export interface RaisedNote {
	readonly note: number;
	/** Strings of the note that are set: 1 to 3. */
	readonly strings: number;
	/** How much it sinks when others are raised: wound strings least, the shortest most. */
	readonly row: 'wound' | 'plain' | 'top';
}

/** What a piano does when it is raised; dimensionless but for `reach`. */
export interface Coupling {
	/** Cents that a plain note sinks for each cent that its neighbour (three strings) is raised; falls off over `reach` notes. */
	readonly local: number;
	readonly reach: number;
	/** Cents that a plain note sinks for each cent that any other note is raised. */
	readonly whole: number;
	/** Of wound and of the shortest strings, against plain ones. */
	readonly wound: number;
	readonly top: number;
	/** Factor on the usual share of its raise that a string loses. */
	readonly setBack: number;
	/** Factors of single notes; 1 where nothing is said. */
	readonly own: ReadonlyMap<number, number>;
}

/** Where learning begins; real pianos differ by half and more. */
export const USUAL_COUPLING: Coupling = {
	local: 0.008,
	reach: 6,
	whole: 0.001,
	wound: 0.5,
	top: 1.2,
	setBack: 1,
	own: new Map()
};

/** From here up strings are the shortest: C7. */
export const TOP_FROM = 96;
const FULL_NOTE = 3;

/** The usual share of its raise that a string loses: A0, A2, C4, C6, C8; straight between. */
const SET_BACK: readonly (readonly [note: number, share: number])[] = [
	[21, 0.01],
	[45, 0.04],
	[60, 0.08],
	[84, 0.14],
	[108, 0.2]
];

/** Share of its raise that a string of a note usually loses within minutes. */
export function usualSetBack(note: number): number {
	const last = SET_BACK[SET_BACK.length - 1];
	if (note <= SET_BACK[0][0]) return SET_BACK[0][1];
	if (note >= last[0]) return last[1];
	const at = SET_BACK.findIndex(([from]) => from > note);
	const [[low, below], [high, above]] = [SET_BACK[at - 1], SET_BACK[at]];
	return below + ((note - low) / (high - low)) * (above - below);
}

export function setBackOf(coupling: Coupling, note: number): number {
	return coupling.setBack * usualSetBack(note);
}

function rowOf({ wound, top, own }: Coupling, { note, row }: RaisedNote): number {
	return (row === 'wound' ? wound : row === 'top' ? top : 1) * (own.get(note) ?? 1);
}

/** The two ways by which raising one note reaches another, apart: what learning needs. */
export function reaches(coupling: Coupling, to: RaisedNote, from: RaisedNote): { near: number; far: number } {
	const mates = (to.note === from.note ? from.strings - 1 : from.strings) / FULL_NOTE;
	const share = rowOf(coupling, to) * mates;
	const near = coupling.local * Math.exp(-Math.abs(to.note - from.note) / coupling.reach);
	return { near: share * near, far: share * coupling.whole };
}

/** Cents that a note sinks for each cent that another is raised; for the note itself, by its unison mates. */
export function sinking(coupling: Coupling, to: RaisedNote, from: RaisedNote): number {
	const { near, far } = reaches(coupling, to, from);
	return near + far;
}
