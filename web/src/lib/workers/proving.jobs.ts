import {
	cents,
	classOffsets,
	fewestMoves,
	inversions,
	keyOrder,
	measuredStaircases,
	nearestTemperament,
	offsetsFromEqual,
	pitchesFromCounts,
	stringFromFirstPartial,
	type CountSolution
} from '@fendrel/core';
import { planFor } from '$lib/tuning/plan';
import type { CountsAnswer, CountsJob, Finding, ProvingTasks } from './proving';
import type { Handlers } from './serve';

/** From counts to everything that can be said of the octave. */
export function fromCounts(job: CountsJob): CountsAnswer {
	const plan = planFor(job.basis);
	const heardB = new Map(job.heardB);
	const strings = (note: number) => {
		const { pitch, string } = plan.targetOf(note)!;
		const b = heardB.get(note);
		return b === undefined ? string : stringFromFirstPartial(pitch, b);
	};
	const result = pitchesFromCounts(job.counts, { strings, reference: job.reference, bias: job.bias });
	if (result.kind === 'refused') return result;
	const intended = offsetsFromEqual(job.basis.temperament);
	const finding = (solution: CountSolution): Finding => {
		const { measured } = solution;
		const staircases = measuredStaircases(measured, strings);
		const classes = classOffsets(measured, intended);
		return {
			solution,
			staircases: [...staircases],
			inversions: inversions(staircases, measured),
			moves: fewestMoves(measured.notes, measured.deviations, cents(job.tolerance)),
			whole: classes && {
				classes,
				nearest: nearestTemperament(classes, job.library),
				keyOrder: keyOrder(classes)
			}
		};
	};
	return { kind: 'found', findings: result.solutions.map(finding), more: result.more };
}

export const provingJobs: Handlers<ProvingTasks> = {
	async fromCounts(job, { pause }) {
		// Somebody who still types gives up one job after the other.
		await pause();
		return fromCounts(job);
	}
};
