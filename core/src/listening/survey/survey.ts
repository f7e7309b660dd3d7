import { weightedMean } from '../../numeric/weighted';
import { cents, hz, type Cents, type Hz } from '../../units/quantity';
import type { StringReading } from '../reading';
import { AUDIBLE_DEPTH, type PartialBeat, type UnisonAnalysis } from '../closer/unison';

/** One strike in a survey. */
export interface SurveyStrike {
	readonly note: number;
	readonly pitch: Hz;
	readonly pitchError: Cents;
	/** B with its standard error; undefined when the strike did not tell it. */
	readonly inharmonicity: { readonly b: number; readonly error: number } | undefined;
	/** Several strings sounded together. */
	readonly open: boolean;
	/** One string's own beat; undefined when the strike did not sound long enough to look, or several strings sounded. */
	readonly falseBeat: FalseBeat | 'none' | undefined;
	/** From the lowest string to the highest; a false beat cannot be told from it. */
	readonly spread: Spread | 'none' | undefined;
}

export interface FalseBeat {
	/** Beats per second. */
	readonly rate: number;
	/** 0 to 1: how deep it beats. */
	readonly depth: number;
}

export interface Spread {
	readonly cents: Cents;
	readonly error: Cents;
}

/**
 * What a reading and the closer look at its sound say together.
 * @param strings left unmuted
 */
export function surveyStrike(
	{ note, pitch, pitchError, inharmonicity, inharmonicityError }: StringReading,
	analysis: UnisonAnalysis | undefined,
	strings: number
): SurveyStrike {
	const open = strings > 1;
	return {
		note,
		pitch,
		pitchError,
		inharmonicity:
			!open && inharmonicity !== undefined && inharmonicityError !== undefined
				? { b: inharmonicity, error: inharmonicityError }
				: undefined,
		open,
		falseBeat: analysis && !open ? (falseBeatOf(analysis) ?? 'none') : undefined,
		spread: analysis && open ? (analysis.spread ?? 'none') : undefined
	};
}

/** Why a note is to be struck once more. */
export type StrikeAgain =
	/** Pitch, or B, is not known well enough yet. */
	| 'pitch unsure'
	| 'stiffness unsure'
	/** The strikes differ by more than their errors allow. */
	| 'strikes differ'
	/** B does not go with its neighbours', and no second strike has said the same. */
	| 'out of line';

/** A note as its strikes tell it. */
export interface SurveyedNote extends SurveyStrike {
	readonly strikes: number;
	readonly again: StrikeAgain | undefined;
}

/** A pitch known this well decides nothing wrong. */
const SURE_CENTS = 0.3;
/** No strike is surer of a pitch than that, whatever its partials claim. */
const SUREST_CENTS = 0.005;
/** So well a B must be known where strings show enough partials to tell it. */
const SURE_B = 0.1;
const B_TOLD_TO = 84;
/** Two strikes of one string differ by this at most, whatever their errors are: it settles, it is warmed. */
const SETTLING_CENTS = 0.5;
/** Strikes of one kind that count: older ones say nothing new. */
export const MOST_STRIKES = 3;

/**
 * What the strikes of one note say together; the last kind of strike (one string, or several) counts.
 * @param outOfLine its B does not go with its neighbours', and is not confirmed
 */
export function surveyNote(strikes: readonly SurveyStrike[], outOfLine = false): SurveyedNote | undefined {
	const last = strikes.at(-1);
	if (!last) return undefined;
	const alike = strikes.filter(({ open }) => open === last.open).slice(-MOST_STRIKES);
	const reference = alike[0].pitch;
	const pitches = meanOf(
		alike.map(({ pitch, pitchError }) => ({
			value: 1200 * Math.log2(pitch / reference),
			error: Math.max(pitchError, SUREST_CENTS)
		}))
	);
	const told = alike.flatMap(({ inharmonicity }) =>
		inharmonicity ? [{ value: Math.log(inharmonicity.b), error: inharmonicity.error / inharmonicity.b }] : []
	);
	const logB = told.length ? meanOf(told) : undefined;
	const inharmonicity = logB && { b: Math.exp(logB.mean), error: Math.exp(logB.mean) * logB.error };
	// The closer look at an earlier strike stands when the last one was too short for it.
	const falseBeat = alike.flatMap((each) => each.falseBeat ?? []).at(-1);
	const whyAgain = (): StrikeAgain | undefined => {
		if (pitches.scatter > SETTLING_CENTS) return 'strikes differ';
		// A string that beats by itself has no surer pitch, however often it is struck.
		if (pitches.error > SURE_CENTS && !(falseBeat && falseBeat !== 'none')) return 'pitch unsure';
		const tells = !last.open && last.note <= B_TOLD_TO;
		if (tells && !(inharmonicity && inharmonicity.error < SURE_B * inharmonicity.b)) return 'stiffness unsure';
		return outOfLine && inharmonicity ? 'out of line' : undefined;
	};
	return {
		...last,
		strikes: alike.length,
		pitch: hz(reference * 2 ** (pitches.mean / 1200)),
		pitchError: cents(pitches.error),
		inharmonicity,
		falseBeat,
		spread: alike.flatMap(({ spread }) => spread ?? []).at(-1),
		again: alike.length < MOST_STRIKES ? whyAgain() : undefined
	};
}

/**
 * Whether a partial beats as an ear would say: deep enough, and at least once while it sounds. A slower swell is the
 * string's own settling, or two rates of decay.
 */
export function beatsAudibly({ beat, depth, slowest }: PartialBeat): boolean {
	return beat !== undefined && beat >= slowest && depth >= AUDIBLE_DEPTH;
}

/** The false beat where it is deepest; undefined when no partial beats to be heard. */
export function falseBeatOf({ partials }: Pick<UnisonAnalysis, 'partials'>): FalseBeat | undefined {
	const [deepest] = partials
		.filter(beatsAudibly)
		.map(({ beat, depth }) => ({ rate: beat as number, depth }))
		.sort((a, b) => b.depth - a.depth);
	return deepest;
}

/** Mean by errors; values that scatter by more say so in the error of the mean. */
function meanOf(measured: readonly { readonly value: number; readonly error: number }[]) {
	const values = measured.map(({ value }) => value);
	const { mean, weight, left } = weightedMean(
		values,
		measured.map(({ error }) => 1 / error ** 2)
	);
	const stretch = values.length > 1 ? Math.max(1, left / (values.length - 1)) : 1;
	return { mean, error: Math.sqrt(stretch / weight), scatter: Math.max(...values) - Math.min(...values) };
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
