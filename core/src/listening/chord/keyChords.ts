import { noteClass } from '../../units/note';

/** Chords by which a keyboard is tried in all keys. */
export const CHORD_KINDS = ['major', 'dominantSeventh'] as const;
export type ChordKind = (typeof CHORD_KINDS)[number];

/** Notes that sound together as a chord of a key, from the lowest up. */
export interface KeyChord {
	/** 0 for C to 11 for B. */
	readonly root: number;
	readonly kind: ChordKind;
	readonly notes: readonly number[];
}

const SEMITONES: Record<ChordKind, readonly number[]> = { major: [0, 4, 7], dominantSeventh: [0, 4, 7, 10] };
/** Around the circle of fifths downwards: each seventh leads into the next chord. */
const ROOTS = Array.from({ length: 12 }, (_, i) => (5 * i) % 12);
/** The middle of the keyboard, where chords are clear. */
const ASKED_FROM = 53;
/** Where chords are known by their notes: lower they are thick, higher too short. */
const KNOWN = { from: 48, to: 84 } as const;

const chordAt = (root: number, kind: ChordKind, lowest: number): KeyChord => ({
	...{ root: noteClass(root), kind },
	notes: SEMITONES[kind].map((semitones) => lowest + semitones)
});

/** Major triads and dominant sevenths through all keys, in the order in which they lead into each other, as far as a keyboard has them. */
export function chordsOfKeys({ lowest, highest }: { readonly lowest: number; readonly highest: number }): KeyChord[] {
	return ROOTS.flatMap((root) => {
		const from = ASKED_FROM + ((root - ASKED_FROM + 120) % 12);
		return CHORD_KINDS.map((kind) => chordAt(root, kind, from)).filter(
			({ notes }) => notes[0] >= lowest && notes[notes.length - 1] <= highest
		);
	});
}

/** Every place and inversion in which such a chord is known when it is played. */
export function knownChords({ lowest, highest }: { readonly lowest: number; readonly highest: number }): KeyChord[] {
	const chords: KeyChord[] = [];
	for (const kind of CHORD_KINDS)
		for (let root = KNOWN.from - 11; root <= KNOWN.to; root++) {
			let { notes } = chordAt(root, kind, root);
			for (let inversion = 0; inversion < notes.length; inversion++) {
				const isThere =
					notes[0] >= Math.max(lowest, KNOWN.from) && notes[notes.length - 1] <= Math.min(highest, KNOWN.to);
				if (isThere) chords.push({ root: noteClass(root), kind, notes });
				notes = [...notes.slice(1), notes[0] + 12];
			}
		}
	return chords;
}
