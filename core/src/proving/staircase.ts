import { beatOf } from '../intervals/beats';
import { INTERVALS, STAIRCASES, type IntervalKind, type StaircaseName } from '../intervals/intervalKinds';
import { partialHz, type StiffString } from '../strings/stiffString';
import { hzAbove } from '../units/pitch';
import { cents, type BeatsPerSecond, type Cents } from '../units/quantity';
import type { MeasuredNotes } from './measuredNotes';

/** One tread: an interval, how it should beat and how it does. */
export interface MeasuredTread {
	readonly lower: number;
	readonly upper: number;
	readonly kind: IntervalKind;
	readonly predicted: BeatsPerSecond;
	readonly found: BeatsPerSecond;
	/** Standard error of what was found, per second. */
	readonly error: number;
	/** Out by more than two standard errors, and by more than an ear lets pass. */
	readonly departs: boolean;
}

/** Two successive treads that step the wrong way. */
export interface Inversion {
	readonly from: MeasuredTread;
	readonly to: MeasuredTread;
	/** The note most likely at fault, and what to do with it. */
	readonly note: number;
	readonly by: Cents;
	/** Another note that may be at fault as well: nothing that was measured tells which. */
	readonly rival?: number;
}

/** A difference of rates that an ear notices between neighbours, per second. */
const NOTICED = 0.3;

/** A note that may be at fault as well has so much of the likeliest one's blame. */
const RIVAL = 0.5;
/** A smaller step the wrong way is none, per second. */
const LEAST_STEP = 0.1;

/** Every third, sixth, fourth and fifth within the measured notes, against its prediction. */
export function measuredStaircases(
	measured: MeasuredNotes,
	intended: (note: number) => StiffString
): ReadonlyMap<StaircaseName, readonly MeasuredTread[]> {
	return new Map(STAIRCASES.map((name) => [name, measuredTreads(measured, intended, INTERVALS[name])]));
}

/** Every interval of a kind within the measured notes, against its prediction. */
export function measuredTreads(
	{ notes, deviations, covariance }: MeasuredNotes,
	intended: (note: number) => StiffString,
	kind: IntervalKind
): readonly MeasuredTread[] {
	const place = new Map(notes.map((note, i) => [note, i]));
	const found = (note: number): StiffString => {
		const { flexiblePitch, inharmonicity } = intended(note);
		return { flexiblePitch: hzAbove(flexiblePitch, deviations[place.get(note)!]), inharmonicity };
	};
	const perCent = (string: StiffString, partial: number) => (partialHz(string, partial) * Math.LN2) / 1200;
	return [...notes]
		.sort((a, b) => a - b)
		.flatMap((lower): MeasuredTread[] => {
			const upper = lower + kind.semitones;
			const [i, j] = [place.get(lower)!, place.get(upper)];
			if (j === undefined) return [];
			const a = perCent(intended(lower), kind.lowerPartial);
			const b = perCent(intended(upper), kind.upperPartial);
			const variance = a * a * covariance[i][i] + b * b * covariance[j][j] - 2 * a * b * covariance[i][j];
			const error = Math.sqrt(Math.max(0, variance));
			const predicted = beatOf(intended(lower), intended(upper), kind).rate;
			const rate = beatOf(found(lower), found(upper), kind).rate;
			const departs = Math.abs(rate - predicted) > Math.max(NOTICED, 2 * error);
			return [{ lower, upper, kind, predicted, found: rate, error, departs }];
		});
}

/**
 * Steps of thirds and sixths that go down where they should go up, or up where down, by more than twice their errors.
 * @param unsure notes of which it is only known that they, or those they were heard with, have moved
 */
export function inversions(
	staircases: ReadonlyMap<string, readonly MeasuredTread[]>,
	measured: MeasuredNotes,
	unsure: ReadonlySet<number> = new Set()
): readonly Inversion[] {
	const { notes, deviations, covariance } = measured;
	const place = new Map(notes.map((note, i) => [note, i]));
	/** How far out a note stands, in its own standard errors: a tenth of a cent at least. */
	const blame = (note: number) => {
		const i = place.get(note)!;
		return Math.abs(deviations[i]) / Math.max(0.1, Math.sqrt(covariance[i][i]));
	};
	return [...staircases].flatMap(([, treads]) =>
		treads.slice(1).flatMap((to, i): Inversion[] => {
			const from = treads[i];
			if (to.lower !== from.lower + 1 || to.kind === INTERVALS.fourth || to.kind === INTERVALS.fifth) return [];
			const should = Math.abs(to.predicted) - Math.abs(from.predicted);
			const does = Math.abs(to.found) - Math.abs(from.found);
			const error = Math.hypot(to.error, from.error);
			if (should * does >= 0 || Math.abs(does) < Math.max(LEAST_STEP, 2 * error)) return [];
			const [note, second] = [...new Set([from.lower, from.upper, to.lower, to.upper])].sort(
				(a, b) => blame(b) - blame(a)
			);
			const isUnsure = unsure.has(note) && unsure.has(second);
			const rival = isUnsure && blame(second) > RIVAL * blame(note) ? { rival: second } : {};
			return [{ from, to, note, by: cents(-deviations[place.get(note)!]), ...rival }];
		})
	);
}
