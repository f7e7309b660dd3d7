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

/** Readings that err independently. */
export function independentNotes(
	readings: readonly { readonly note: number; readonly deviation: Cents; readonly error: Cents }[]
): MeasuredNotes {
	return {
		notes: readings.map(({ note }) => note),
		deviations: readings.map(({ deviation }) => deviation),
		covariance: readings.map(({ error }, i) => readings.map((_, j) => (i === j ? error * error : 0)))
	};
}

export interface ClassOffsets {
	/** Cents from equal temperament by note class, C first. */
	readonly offsets: readonly number[];
	/** Their standard errors. */
	readonly errors: readonly number[];
}

/**
 * Twelve pitch classes out of an octave, by weighted means where a class was found twice.
 * @param intended the intended offsets from equal by note class
 * @returns undefined when a class is missing
 */
export function classOffsets(measured: MeasuredNotes, intended: readonly number[]): ClassOffsets | undefined {
	const sums = Array.from({ length: 12 }, () => ({ weight: 0, value: 0 }));
	measured.notes.forEach((note, i) => {
		// A note that defines the pitch has no error of its own: a hundredth of a cent keeps weights finite.
		const weight = 1 / Math.max(measured.covariance[i][i], 1e-4);
		const one = sums[noteClass(note)];
		one.weight += weight;
		one.value += weight * measured.deviations[i];
	});
	if (sums.some(({ weight }) => weight === 0)) return undefined;
	return {
		offsets: sums.map(({ weight, value }, i) => intended[i] + value / weight),
		errors: sums.map(({ weight }) => 1 / Math.sqrt(weight))
	};
}
