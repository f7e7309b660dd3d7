import {
	cents,
	groupOf,
	hz,
	isUsable,
	surveyNote,
	surveyStrike,
	type Hz,
	type Reading,
	type SounderId,
	type StringReading,
	type SurveyedNote,
	type SurveyStrike,
	type UnisonAnalysis
} from '@fendrel/core';
import type { StrikeDetails } from '../visitRecord.svelte';

/** What a strike in Sound told besides its pitch, with the closer look at it. */
export function foundDetails(
	reading: StringReading,
	analysis: UnisonAnalysis | undefined,
	of: { readonly sounders: readonly SounderId[]; readonly source: Reading['source']; readonly target: Hz }
): StrikeDetails {
	const { falseBeat, spread } = surveyStrike(reading, analysis, of.sounders.length);
	return {
		...of,
		deviation: 1200 * Math.log2(reading.pitch / of.target),
		falseBeat: falseBeat === 'none' ? 0 : (falseBeat?.rate ?? null),
		falseBeatDepth: falseBeat === 'none' ? 0 : (falseBeat?.depth ?? null),
		spread: spread === 'none' ? 0 : (spread?.cents ?? null),
		spreadError: spread === 'none' ? 0 : (spread?.error ?? null)
	};
}

/** Of every note whose strings were all struck together: what that told. */
export function walkedNotes(readings: readonly Reading[]): ReadonlyMap<number, SurveyedNote> {
	return foundNotes(readings.filter(({ sounders }) => sounders.length > 1));
}

/**
 * What was found of every note, from the readings of Sound in their order.
 * @param outOfLine notes whose B does not go with their neighbours', and is not confirmed
 */
export function foundNotes(
	readings: readonly Reading[],
	outOfLine: ReadonlySet<number> = new Set()
): ReadonlyMap<number, SurveyedNote> {
	const strikes = new Map<number, SurveyStrike[]>();
	for (const reading of readings.filter(isUsable)) {
		const strike = asStrike(reading);
		strikes.set(strike.note, [...(strikes.get(strike.note) ?? []), strike]);
	}
	return new Map([...strikes].map(([note, of]) => [note, surveyNote(of, outOfLine.has(note))!]));
}

function asStrike({ sounders, pitch, pitchError, ...rest }: Reading): SurveyStrike {
	const { inharmonicity, inharmonicityError, falseBeat, falseBeatDepth, spread, spreadError } = rest;
	const open = sounders.length > 1;
	return {
		note: groupOf(sounders[0]),
		pitch: hz(pitch),
		pitchError: cents(pitchError ?? 0),
		inharmonicity:
			!open && inharmonicity !== null && inharmonicity > 0 && inharmonicityError !== null
				? { b: inharmonicity, error: inharmonicityError }
				: undefined,
		open,
		falseBeat:
			falseBeat === null ? undefined : falseBeat === 0 ? 'none' : { rate: falseBeat, depth: falseBeatDepth ?? 0 },
		spread:
			spread === null ? undefined : spread === 0 ? 'none' : { cents: cents(spread), error: cents(spreadError ?? 0) }
	};
}
