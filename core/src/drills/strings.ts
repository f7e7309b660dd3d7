import type { IntervalKind } from '../intervals/intervalKinds';
import type { Chord, PassageVoice } from '../sounding/passage';
import { flexiblePitchOf, partialHz, type StiffString } from '../strings/stiffString';
import { hz } from '../units/quantity';

/** The upper string of an interval that beats at so much a second, wide. */
export function upperFor(
	lower: StiffString,
	b: number,
	kind: Pick<IntervalKind, 'lowerPartial' | 'upperPartial'>,
	rate: number
): StiffString {
	return {
		flexiblePitch: hz(flexiblePitchOf(partialHz(lower, kind.lowerPartial) + rate, b, kind.upperPartial)),
		inharmonicity: b
	};
}

/** Some strings struck together. */
export const chord = (seconds: number, ...voices: readonly PassageVoice[]): Chord => ({ at: 0, seconds, voices });

/** Chords one after the other in one sound. */
export function inSuccession(chords: readonly Chord[], pause = 0.05): Chord[] {
	let at = 0;
	return chords.map((each) => {
		const placed = { ...each, at };
		at += each.seconds + pause;
		return placed;
	});
}
