import { partialHz, type StiffString } from '../strings/stiffString';
import { nearestNote } from '../units/pitch';
import { beatsPerSecond, cents, hz, type BeatsPerSecond, type Cents, type Hz } from '../units/quantity';
import { audibility, countability, HIGHEST_PARTIAL } from './audibility';

/** A note and the string that stands for it. */
export interface Voice {
	readonly note: number;
	readonly string: StiffString;
}

/** Two partials that nearly meet, and what the ear has of them. */
export interface Coincidence {
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Signed: positive is wide of pure. */
	readonly rate: BeatsPerSecond;
	/** The same in cents at that partial. */
	readonly apart: Cents;
	readonly heardAt: Hz;
	/** The key whose pitch lies nearest: strike it while the interval's keys are held silently. */
	readonly silentKey: number;
	/** 0 to 1: how much use it is to an ear (level, pitch and rate). */
	readonly use: number;
}

/** Partials further apart than this are heard as two tones, not as a beat. */
export const MEETING_CENTS = 50;
const MEETING_RATIO = 2 ** (MEETING_CENTS / 1200);

/**
 * Every pair of partials up to 16 that meet within half a semitone, the most useful to an ear first.
 * The beat is q F_U sqrt(1 + B_U q^2) - p F_L sqrt(1 + B_L p^2) (Fletcher 1964, eq. 9, for both strings).
 * @param a4 pitch of A4, to name the silent key
 */
export function coincidences(lower: StiffString, upper: StiffString, a4: Hz): Coincidence[] {
	const ofLower = partials(lower);
	const ofUpper = partials(upper);
	const found: Coincidence[] = [];
	let from = 0;
	for (let p = 0; p < HIGHEST_PARTIAL; p++) {
		const [least, most] = [ofLower[p] / MEETING_RATIO, ofLower[p] * MEETING_RATIO];
		// Both lists rise: what lies below this partial's reach lies below the next one's too.
		while (from < HIGHEST_PARTIAL && ofUpper[from] < least) from++;
		for (let q = from; q < HIGHEST_PARTIAL && ofUpper[q] <= most; q++) {
			const rate = ofUpper[q] - ofLower[p];
			const heardAt = hz((ofUpper[q] + ofLower[p]) / 2);
			found.push({
				lowerPartial: p + 1,
				upperPartial: q + 1,
				rate: beatsPerSecond(rate),
				apart: cents(1200 * Math.log2(ofUpper[q] / ofLower[p])),
				heardAt,
				silentKey: nearestNote(heardAt, a4).note,
				use: audibility(p + 1, q + 1, heardAt) * countability(rate)
			});
		}
	}
	return found.sort((a, b) => b.use - a.use || a.lowerPartial - b.lowerPartial);
}

function partials(string: StiffString): Float64Array {
	const all = new Float64Array(HIGHEST_PARTIAL);
	for (let i = 0; i < HIGHEST_PARTIAL; i++) all[i] = partialHz(string, i + 1);
	return all;
}
