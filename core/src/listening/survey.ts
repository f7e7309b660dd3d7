import { cents, hz, type Cents, type Hz } from '../units/quantity';
import type { StringReading } from './reading';
import { AUDIBLE_DEPTH, type UnisonAnalysis } from './unison';

/** One strike in a survey, with a closer look at it when it sounded long enough. */
export interface SurveyStrike {
	readonly reading: StringReading;
	readonly analysis: UnisonAnalysis | undefined;
	/** Strings that were left unmuted. */
	readonly strings: number;
}

/** Why a note is to be struck once more. */
export type StrikeAgain =
	/** Pitch, or B, is not known well enough yet. */
	| 'pitch unsure'
	| 'stiffness unsure'
	/** The strikes differ by more than their errors allow. */
	| 'strikes differ';

/** A note as its strikes tell it. */
export interface SurveyedNote {
	readonly note: number;
	readonly strikes: number;
	readonly pitch: Hz;
	readonly pitchError: Cents;
	readonly inharmonicity: { readonly b: number; readonly error: number } | undefined;
	/** One string's own beat at the partial that shows it best; "none" when it was looked for. */
	readonly falseBeat: FalseBeat | 'none' | undefined;
	/** Of several strings together; a false beat cannot be told from it. */
	readonly spread: { readonly cents: Cents; readonly error: Cents } | 'none' | undefined;
	readonly again: StrikeAgain | undefined;
}

export interface FalseBeat {
	readonly partial: number;
	/** Beats per second. */
	readonly rate: number;
	/** 0 to 1: how deep it beats. */
	readonly depth: number;
}

/** A pitch known this well decides nothing wrong. */
const SURE_CENTS = 0.3;
/** So well a B must be known where strings show enough partials to tell it. */
const SURE_B = 0.1;
const B_TOLD_TO = 84;
/** Two strikes of one string differ by this at most, whatever their errors are: it settles, it is warmed. */
const SETTLING_CENTS = 0.5;
const MOST_STRIKES = 3;

/** What the strikes of one note say together; the newest kind of strike (one string, or several) counts. */
export function surveyNote(strikes: readonly SurveyStrike[]): SurveyedNote | undefined {
	const last = strikes.at(-1);
	if (!last) return undefined;
	const alike = strikes.filter(({ strings }) => strings === last.strings).slice(-MOST_STRIKES);
	const [reference] = alike;
	const offs = alike.map(({ reading }) => ({
		value: 1200 * Math.log2(reading.pitch / reference.reading.pitch),
		error: Math.max(reading.pitchError, 0.005)
	}));
	const { mean: off, error, scatter } = weightedMean(offs);
	const told = alike.flatMap(({ reading: { inharmonicity, inharmonicityError } }) =>
		inharmonicity !== undefined && inharmonicityError !== undefined && last.strings === 1
			? [{ value: Math.log(inharmonicity), error: inharmonicityError / inharmonicity }]
			: []
	);
	const b = told.length ? weightedMean(told) : undefined;
	const inharmonicity = b && { b: Math.exp(b.mean), error: Math.exp(b.mean) * b.error };
	const { note } = last.reading;
	return {
		note,
		strikes: alike.length,
		pitch: hz(reference.reading.pitch * 2 ** (off / 1200)),
		pitchError: cents(error),
		inharmonicity,
		falseBeat: last.strings === 1 && last.analysis ? (falseBeatOf(last.analysis) ?? 'none') : undefined,
		spread: last.strings > 1 && last.analysis ? (last.analysis.spread ?? 'none') : undefined,
		again: alike.length < MOST_STRIKES ? whyAgain() : undefined
	};

	function whyAgain(): StrikeAgain | undefined {
		if (scatter > SETTLING_CENTS) return 'strikes differ';
		if (error > SURE_CENTS) return 'pitch unsure';
		const tells = last!.strings === 1 && note <= B_TOLD_TO;
		return tells && !(inharmonicity && inharmonicity.error < SURE_B * inharmonicity.b) ? 'stiffness unsure' : undefined;
	}
}

/** The false beat where it is deepest; undefined when no partial beats to be heard. */
export function falseBeatOf({ partials }: Pick<UnisonAnalysis, 'partials'>): FalseBeat | undefined {
	const [deepest] = partials
		.flatMap(({ partial, beat, depth }) => (beat !== undefined ? [{ partial, rate: beat as number, depth }] : []))
		.filter(({ depth }) => depth >= AUDIBLE_DEPTH)
		.sort((a, b) => b.depth - a.depth);
	return deepest;
}

/** Weighted by their errors; values that scatter by more say so in the error of the mean. */
function weightedMean(values: readonly { readonly value: number; readonly error: number }[]) {
	const weights = values.map(({ error }) => 1 / error ** 2);
	const weight = weights.reduce((sum, each) => sum + each, 0);
	const mean = values.reduce((sum, { value }, i) => sum + weights[i] * value, 0) / weight;
	const misfit = values.reduce((sum, { value }, i) => sum + weights[i] * (value - mean) ** 2, 0);
	const stretch = values.length > 1 ? Math.max(1, misfit / (values.length - 1)) : 1;
	const all = values.map(({ value }) => value);
	return { mean, error: Math.sqrt(stretch / weight), scatter: Math.max(...all) - Math.min(...all) };
}

/** Semitones between notes that a survey asks for. */
export const SURVEY_STEPS = [1, 2, 3, 4, 6] as const;

/**
 * The notes of a survey, from the bass up: every so many semitones, both ends, and both sides of the break, where B jumps.
 * @throws RangeError when the step is below 1
 */
export function surveyNotes(lowest: number, highest: number, step: number, breakNote?: number): readonly number[] {
	if (!(step >= 1)) throw new RangeError(`surveyNotes: a step of ${step} semitones leads nowhere`);
	const notes = new Set([highest]);
	for (let note = lowest; note <= highest; note += step) notes.add(note);
	if (breakNote !== undefined)
		for (const note of [breakNote - 1, breakNote]) if (note >= lowest && note <= highest) notes.add(note);
	return [...notes].sort((a, b) => a - b);
}
