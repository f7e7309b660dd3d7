import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import { hz, type Cents, type Hz } from '../units/quantity';
import type { BreathSlope, ReedPlace } from './intonation';
import { reedsOf } from './intonation';
import { PLATES, type HoleNotes } from './layouts';

/** A reed with where it stands at playing breath, in cents from the key's equal temperament, and how it follows the breath. */
export interface StandingReed extends ReedPlace {
	readonly offset: Cents;
	readonly breath: BreathSlope;
}

/** What a reed sounds at. @param tonic of the lowest octave @param harder decibels over playing breath */
export function reedHz(tonic: Hz, { note, offset, breath }: StandingReed, harder = 0): Hz {
	return hz(tonic * 2 ** ((100 * note + offset + breath.slope * harder) / 1200));
}

/** Reeds of neighbouring holes that one breath sounds together: three at a time. */
export function chordsOf(holes: readonly HoleNotes[]): readonly (readonly ReedPlace[])[] {
	const reeds = reedsOf(holes);
	return PLATES.flatMap((plate) => {
		const own = reeds.filter((reed) => reed.plate === plate);
		return own.flatMap((first, i) => {
			const three = own.slice(i, i + 3);
			return three.length === 3 && three[2].hole === first.hole + 2 ? [three] : [];
		});
	});
}

const KINDS: readonly IntervalKind[] = [
	...[INTERVALS.minorThird, INTERVALS.majorThird, INTERVALS.fourth, INTERVALS.fifth],
	...[INTERVALS.minorSixth, INTERVALS.majorSixth, INTERVALS.octave]
];

/** How two reeds beat at their lowest coincidence, per second; above 0 wide. */
export interface PairBeat<Reed> {
	readonly lower: Reed;
	readonly upper: Reed;
	readonly rate: number;
}

/** The pairs of a chord that make a pure interval, as they beat. */
export function chordBeats<Reed extends StandingReed>(
	tonic: Hz,
	chord: readonly Reed[],
	harder = 0
): readonly PairBeat<Reed>[] {
	return chord.flatMap((lower, i) =>
		chord.slice(i + 1).flatMap((upper) => {
			const kind = KINDS.find(({ semitones }) => semitones === upper.note - lower.note);
			if (!kind) return [];
			const rate = kind.upperPartial * reedHz(tonic, upper, harder) - kind.lowerPartial * reedHz(tonic, lower, harder);
			return [{ lower, upper, rate }];
		})
	);
}

/** Beats slower than that are still. */
const STILL = 0.6;

/**
 * Of a rough triad, the note outside its still pair.
 * @returns undefined where all its pairs are still, or none, or two
 */
export function outOfTune<Reed>(beats: readonly PairBeat<Reed>[]): Reed | undefined {
	const still = beats.filter(({ rate }) => Math.abs(rate) <= STILL);
	if (still.length !== 1 || beats.length < 2) return undefined;
	const [{ lower, upper }] = still;
	const notes = new Set(beats.flatMap((beat) => [beat.lower, beat.upper]));
	return [...notes].find((note) => note !== lower && note !== upper);
}

/** What a plan asks for in filing: cents up and down, and reeds that stay as they are. */
export interface FilingCost {
	readonly up: Cents;
	readonly down: Cents;
	readonly left: number;
}

/** @param moves cents that each reed is to go @param within it may stay */
export function filingCost(moves: readonly number[], within: number): FilingCost {
	const filed = moves.filter((move) => Math.abs(move) > within);
	const sum = (of: readonly number[]) => of.reduce((total, move) => total + Math.abs(move), 0) as Cents;
	return {
		...{ up: sum(filed.filter((move) => move > 0)), down: sum(filed.filter((move) => move < 0)) },
		left: moves.length - filed.length
	};
}
