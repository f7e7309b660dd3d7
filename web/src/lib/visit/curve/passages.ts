import type { Chord, NoteTarget } from '@fendrel/core';

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
] as const;
export type CurvePassage = (typeof CURVE_PASSAGES)[number];

/** The passage from that note on these targets; undefined where the keyboard ends too soon. */
export function soundedFrom(
	{ chords, seconds }: CurvePassage,
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
