import {
	cents,
	hz,
	surveyNote,
	surveyStrike,
	type StringReading,
	type SurveyedNote,
	type SurveyStrike,
	type UnisonAnalysis
} from '@fendrel/core';
import { readingFrom } from '../reading';
import type { Reading } from '../schema';
import type { Kept } from '../setting.svelte';

/** A reading in Sound as it is kept: what a strike told, with the closer look at it. */
export function foundReading(
	reading: StringReading,
	analysis: UnisonAnalysis | undefined,
	of: {
		readonly string: Reading['string'];
		readonly strings: number;
		readonly source: Reading['source'];
		readonly target: number;
	}
): Reading {
	const { string, strings, source, target } = of;
	const { falseBeat, spread } = surveyStrike(reading, analysis, strings);
	return readingFrom(reading, {
		note: reading.note,
		string,
		source,
		accepted: false,
		found: true,
		target,
		deviation: 1200 * Math.log2(reading.pitch / target),
		falseBeat: falseBeat === 'none' ? 0 : (falseBeat?.rate ?? null),
		falseBeatDepth: falseBeat === 'none' ? 0 : (falseBeat?.depth ?? null),
		spread: spread === 'none' ? 0 : (spread?.cents ?? null),
		spreadError: spread === 'none' ? 0 : (spread?.error ?? null)
	});
}

/** What was found of every note, from the readings of Sound. */
export function foundNotes(readings: readonly Kept[]): ReadonlyMap<number, SurveyedNote> {
	const strikes = new Map<number, SurveyStrike[]>();
	for (const reading of readings) {
		const strike = asStrike(reading);
		if (strike) strikes.set(reading.note, [...(strikes.get(reading.note) ?? []), strike]);
	}
	return new Map([...strikes].map(([note, of]) => [note, surveyNote(of)!]));
}

function asStrike({ note, found, string, pitch, pitchError, ...rest }: Kept): SurveyStrike | undefined {
	if (!found || pitch === null) return undefined;
	const { inharmonicity, inharmonicityError, falseBeat, falseBeatDepth, spread, spreadError } = rest;
	const open = string === 'open';
	return {
		note,
		pitch: hz(pitch),
		pitchError: cents(pitchError ?? 0),
		inharmonicity:
			!open && inharmonicity !== null && inharmonicityError !== null
				? { b: inharmonicity, error: inharmonicityError }
				: undefined,
		open,
		falseBeat:
			falseBeat === null ? undefined : falseBeat === 0 ? 'none' : { rate: falseBeat, depth: falseBeatDepth ?? 0 },
		spread:
			spread === null ? undefined : spread === 0 ? 'none' : { cents: cents(spread), error: cents(spreadError ?? 0) }
	};
}
