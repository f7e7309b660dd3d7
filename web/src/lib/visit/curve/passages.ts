import type { Chord, NoteTarget } from '@fendrel/core';

/** What versions are compared by: chords in semitones above a note, each as long. */
export interface HeardPassage {
	readonly id: string;
	readonly name: string;
	readonly seconds: number;
	readonly chords: readonly (readonly number[])[];
}

/** What curves are heard by: intervals above the note that is chosen. */
export const CURVE_PASSAGES = [
	{ id: 'octave', name: 'Octave', seconds: 2.6, chords: [[0, 12]] },
	{
		id: 'octaves',
		name: 'Octaves, rising',
		seconds: 1.3,
		chords: [0, 2, 4, 5, 7, 9, 11, 12].map((up) => [up, up + 12])
	},
	{ id: 'double', name: 'Double octave', seconds: 2.6, chords: [[0, 24]] },
	{ id: 'twelfth', name: 'Twelfth', seconds: 2.6, chords: [[0, 19]] },
	{ id: 'chord', name: 'Wide chord', seconds: 3.5, chords: [[0, 12, 19, 24, 28, 31, 36]] }
] as const satisfies readonly HeardPassage[];

/** What temperaments are told apart by: a home key, and a distant one. */
export const TEMPERAMENT_PASSAGES: readonly HeardPassage[] = [
	{ id: 'home', name: 'Cadence in C', seconds: 1.8, chords: cadenceFrom(0) },
	{ id: 'distant', name: 'Cadence in E', seconds: 1.8, chords: cadenceFrom(4) },
	{ id: 'both', name: 'C, then E', seconds: 1.5, chords: [...cadenceFrom(0), ...cadenceFrom(4)] }
];

/** Tonic, subdominant, dominant, tonic. */
function cadenceFrom(root: number): readonly (readonly number[])[] {
	return [
		[-12, 4, 7, 12],
		[-7, 5, 9, 12],
		[-5, 2, 7, 11],
		[-12, 0, 7, 16]
	].map((chord) => chord.map((up) => root + up));
}

/** The passage from that note on these targets; undefined where the keyboard ends too soon. */
export function soundedFrom(
	{ chords, seconds }: HeardPassage,
	note: number,
	targetOf: (note: number) => NoteTarget | undefined
): Chord[] | undefined {
	const found = chords.map((chord, i) => ({
		at: i * seconds,
		seconds: i === chords.length - 1 ? seconds : seconds - 0.05,
		voices: chord.flatMap((up) => {
			const target = targetOf(note + up);
			return target ? [{ note: note + up, string: target.string }] : [];
		})
	}));
	return found.every(({ voices }, i) => voices.length === chords[i].length) ? found : undefined;
}
