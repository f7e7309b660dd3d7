import { partialHz } from '../strings/stiffString';
import { beatsPerSecond, hz, type BeatsPerSecond, type Hz } from '../units/quantity';
import { audibility, EASY_RATES } from './audibility';
import type { Voice } from './coincidences';

/** A third note that makes the state of an interval audible as two beat rates to compare. */
export interface TestNote {
	readonly note: number;
	/** The partial of the test note that is listened to. */
	readonly partial: number;
	readonly withLower: BeatsPerSecond;
	readonly withUpper: BeatsPerSecond;
	readonly heardAt: Hz;
	/** Equal rates prove the interval pure at this coincidence; when this side is the faster, it is wide. */
	readonly fasterMeansWide: 'upper' | 'lower';
	/** What the two rates say as they should be. */
	readonly says: 'wide' | 'pure' | 'narrow';
	/** 0 to 1, to rank by. */
	readonly use: number;
	/** Why it is a good one or only a second choice. */
	readonly why: string;
}

/** Test partials above this are too weak to be sure of. */
const HIGHEST_TEST_PARTIAL = 8;
/** Two rates this near are heard as alike, per second. */
const ALIKE = 0.05;
/** A hand spans an octave and a little more; the other hand takes what lies within two octaves. */
const ONE_HAND = 14;
const TWO_HANDS = 26;

/**
 * Test notes for the coincidence p:q of an interval, by search over the compass, the best first: the
 * lower the test partial the better, then the easier the rates and the nearer the key.
 * Rates lie between 3 and 12 per second; a test partial between the two partials is rejected, since
 * its two beats then say nothing about the order of the sides.
 * @param voices every note of the compass that may serve
 */
export function findTestNotes(
	lower: Voice,
	upper: Voice,
	lowerPartial: number,
	upperPartial: number,
	voices: readonly Voice[]
): TestNote[] {
	const ofLower = partialHz(lower.string, lowerPartial);
	const ofUpper = partialHz(upper.string, upperPartial);
	const found: TestNote[] = [];
	for (const { note, string } of voices) {
		if (note === lower.note || note === upper.note) continue;
		for (let partial = 1; partial <= HIGHEST_TEST_PARTIAL; partial++) {
			const test = partialHz(string, partial);
			const sideLower = ofLower - test;
			const sideUpper = ofUpper - test;
			if (sideLower * sideUpper < 0 || !isEasy(sideLower) || !isEasy(sideUpper)) continue;
			const heardAt = hz((test + (ofLower + ofUpper) / 2) / 2);
			const below = sideLower > 0;
			const rise = Math.abs(sideUpper) - Math.abs(sideLower);
			const reach = Math.max(Math.abs(note - lower.note), Math.abs(note - upper.note));
			found.push({
				note,
				partial,
				withLower: beatsPerSecond(sideLower),
				withUpper: beatsPerSecond(sideUpper),
				heardAt,
				fasterMeansWide: below ? 'upper' : 'lower',
				says: Math.abs(rise) < ALIKE ? 'pure' : rise > 0 === below ? 'wide' : 'narrow',
				use: worth(partial, Math.max(lowerPartial, upperPartial), sideLower, sideUpper, reach, heardAt),
				why: reasons(partial, sideLower, sideUpper, reach)
			});
		}
	}
	return found.sort((a, b) => a.partial - b.partial || b.use - a.use);
}

function isEasy(rate: number): boolean {
	return Math.abs(rate) >= EASY_RATES.slowest && Math.abs(rate) <= EASY_RATES.fastest;
}

/** Between 4 and 8 a second two rates are compared best. */
function isBest(rate: number): boolean {
	return Math.abs(rate) >= 4 && Math.abs(rate) <= 8;
}

function worth(partial: number, other: number, a: number, b: number, reach: number, heardAt: Hz): number {
	const rates = isBest(a) && isBest(b) ? 1 : 0.8;
	const hand = reach <= ONE_HAND ? 1 : reach <= TWO_HANDS ? 0.9 : 0.7;
	return audibility(partial, other, heardAt) * rates * hand;
}

function reasons(partial: number, a: number, b: number, reach: number): string {
	return [
		partial <= 5 ? `partial ${partial} is strong` : `partial ${partial} is weak`,
		isBest(a) && isBest(b)
			? 'rates easy to compare'
			: Math.max(Math.abs(a), Math.abs(b)) > 8
				? 'rather fast'
				: 'rather slow',
		reach <= ONE_HAND ? 'within a hand' : reach <= TWO_HANDS ? 'within two hands' : 'a long reach'
	].join(', ');
}
