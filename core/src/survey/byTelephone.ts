import { instrumentState, type FoundState, type InstrumentState } from './state';
import type { NearEnough } from './tolerances';
import { verdict, type Thresholds, type Verdict } from './verdict';

/** So many notes an owner is asked to play: enough to tell the level of each section, few enough for anybody. */
export const TELEPHONE_NOTES = 10;
/** Keys that anybody finds, spread over the sections; the best telling first. */
const EASY = [69, 60, 48, 81, 57, 33, 72, 41, 65, 96, 84, 45, 77, 53, 89, 36, 62, 64, 67, 71, 55, 52, 50, 59];
/** What a telephone's clock may be off by, in cents: crystals keep within 50 parts in a million, resampled sound within some more. */
export const TELEPHONE_CLOCK = 0.3;
/** Notes of a section scatter by so much about its level, in cents, where too few were played to tell. */
const SCATTER = 1.5;

/** The notes that an owner is asked for, from middle C outwards: up, then down. */
export function telephoneNotes(lowest: number, highest: number): readonly number[] {
	const within = EASY.filter((note) => note >= lowest && note <= highest);
	const notes = within.slice(0, TELEPHONE_NOTES).sort((a, b) => a - b);
	return [...notes.filter((note) => note >= 60), ...notes.filter((note) => note < 60).reverse()];
}

/** What an owner's notes say before anybody has driven there. */
export interface TelephoneLook {
	readonly state: InstrumentState;
	/** What it is likely to need, and what it may need if the clock, or notes that nobody played, say otherwise. */
	readonly likely: Verdict;
	readonly perhaps: readonly Verdict[];
	/** Cents by which the level of its worst section may be off: clock, readings and scatter together. */
	readonly error: number;
}

/**
 * The likely verdict on what was played into a telephone. Levels may all be off together (its clock is unsure), and a section
 * is known by a few notes only: a verdict that another one lies within that of is told with it.
 * @returns undefined when nothing was read
 */
export function lookByTelephone(
	found: readonly FoundState[],
	body: { readonly lowest: number; readonly highest: number; readonly breakNote: number | undefined },
	near: NearEnough & Thresholds,
	temperament: { readonly from: number; readonly to: number }
): TelephoneLook | undefined {
	const at = (shift: number) =>
		instrumentState(
			found.map((each) => ({ ...each, level: each.level + shift })),
			body,
			temperament
		);
	const state = at(0);
	// A few notes name no single pins: what is to be touched is decided beside the instrument.
	const judged = (of: InstrumentState) => verdict(of, near, near, false);
	const likely = judged(state);
	if (!likely) return undefined;
	const { worst } = likely;
	const error = Math.hypot(TELEPHONE_CLOCK, Math.max(worst.spread, SCATTER) / Math.sqrt(worst.notes));
	const perhaps = new Map<Verdict['kind'], Verdict>();
	for (const shift of [-error, error]) {
		const other = judged(at(shift));
		if (other && other.kind !== likely.kind) perhaps.set(other.kind, other);
	}
	return { state, likely, perhaps: [...perhaps.values()], error };
}
