import type { Cents } from '../units/quantity';
import { fewestMoves } from './fewestMoves';
import type { MeasuredNotes } from './measuredNotes';

/** Work that would make an instrument better: what, how much it takes away of what is wrong, and how long it takes. */
export interface ProofJob {
	readonly note: number;
	readonly kind: 'move' | 'unison' | 'hold';
	/** Cents: to move by (above 0: up), that its strings lie apart, or that it has moved since it was set. */
	readonly cents: number;
	/** Share of all that is wrong, 0 to 1. */
	readonly gain: number;
	readonly minutes: number;
}

export interface Proof {
	readonly measured: MeasuredNotes;
	/** How far a note may stand off, in cents. */
	readonly tolerance: Cents;
	/** Strings of a note that were heard together: how far they lie apart, and how far they may, in cents. */
	readonly unisons: readonly { readonly note: number; readonly apart: number; readonly limit: number }[];
	/** Notes that were read again: cents since they were set. */
	readonly drifts: readonly { readonly note: number; readonly drift: number }[];
	/** What a note takes, in minutes. */
	readonly minutes: number;
	/** How much a note counts for what is played; 1 for each unless given. */
	readonly weightOf?: (note: number) => number;
}

/** A move is asked for where the note is off by more than so many of its errors. */
const SURE = 2;
/** A unison alone takes less than a note with all its strings. */
const UNISON_SHARE = 0.5;

/**
 * The least work that brings the most, the best first: what is off beyond its limit counts by the square of how many
 * limits it is off, and what takes less time comes before what takes more.
 */
export function leastWork({
	measured,
	tolerance,
	unisons,
	drifts,
	minutes,
	weightOf = () => 1
}: Proof): readonly ProofJob[] {
	const { notes, deviations, covariance } = measured;
	const place = new Map(notes.map((note, i) => [note, i]));
	const { moves } = fewestMoves(notes, deviations, tolerance);
	const excess = (size: number, limit: number) => (size / limit) ** 2 - 1;
	const drifted = drifts.filter(({ drift }) => Math.abs(drift) > tolerance);
	const jobs = [
		...moves
			.filter(({ note, by }) => Math.abs(by) > SURE * Math.sqrt(covariance[place.get(note)!][place.get(note)!]))
			// What does not hold has to be set anew anyway.
			.filter(({ note }) => !drifted.some((each) => each.note === note))
			.map(({ note, by }) => ({
				...{ note, kind: 'move' as const, cents: by as number, minutes },
				wrong: excess(Math.abs(by), tolerance) + 1
			})),
		...unisons
			.filter(({ apart, limit }) => apart > limit)
			.map(({ note, apart, limit }) => ({
				...{ note, kind: 'unison' as const, cents: apart, minutes: UNISON_SHARE * minutes },
				wrong: excess(apart, limit) + 1
			})),
		...drifted.map(({ note, drift }) => ({
			...{ note, kind: 'hold' as const, cents: drift, minutes },
			wrong: excess(Math.abs(drift), tolerance) + 1
		}))
	];
	const counted = jobs.map((job) => ({ ...job, wrong: job.wrong * weightOf(job.note) }));
	const all = counted.reduce((sum, { wrong }) => sum + wrong, 0);
	return counted
		.map(({ wrong, ...job }) => ({ ...job, gain: all > 0 ? wrong / all : 0 }))
		.sort((a, b) => b.gain / b.minutes - a.gain / a.minutes);
}
