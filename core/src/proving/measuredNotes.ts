import type { Cents } from '../units/quantity';
import { noteClass } from '../units/note';

/** Notes as they were found, against what was intended, with how sure that is. */
export interface MeasuredNotes {
	readonly notes: readonly number[];
	/** Cents from the intended pitch, in the order of `notes`. */
	readonly deviations: readonly Cents[];
	/** Covariances of the deviations, cents squared. */
	readonly covariance: readonly (readonly number[])[];
}

export interface ClassOffsets {
	/** Cents from equal temperament by note class, C first. */
	readonly offsets: readonly number[];
	/** Their standard errors against the mean of all twelve: a fork fixes the level, not a note's place among the others. */
	readonly errors: readonly number[];
}

/**
 * Twelve pitch classes out of an octave, by weighted means where a class was found twice.
 * @param intended the intended offsets from equal by note class
 * @returns undefined when a class is missing
 */
export function classOffsets(measured: MeasuredNotes, intended: readonly number[]): ClassOffsets | undefined {
	const { notes, deviations, covariance } = measured;
	const classes = Array.from({ length: 12 }, (_, i) =>
		notes.flatMap((note, at) => (noteClass(note) === i ? [at] : []))
	);
	if (classes.some((members) => members.length === 0)) return undefined;
	// Each class, then each class against the mean, as weights on the notes.
	const own = classes.map((members) => {
		// A note that defines the pitch has no error of its own: a hundredth of a cent keeps weights finite.
		const weight = (at: number) => 1 / Math.max(covariance[at][at], 1e-4);
		const total = members.reduce((sum, at) => sum + weight(at), 0);
		return notes.map((_, at) => (members.includes(at) ? weight(at) / total : 0));
	});
	const mean = notes.map((_, at) => own.reduce((sum, row) => sum + row[at], 0) / 12);
	return {
		offsets: own.map((row, i) => intended[i] + row.reduce((sum, weight, at) => sum + weight * deviations[at], 0)),
		errors: own.map((row) => {
			const against = row.map((weight, at) => weight - mean[at]);
			const variance = against.reduce(
				(sum, a, i) => sum + against.reduce((inner, b, j) => inner + a * b * covariance[i][j], 0),
				0
			);
			return Math.sqrt(Math.max(variance, 1e-4));
		})
	};
}
