import { createRandom } from '../numeric/random';
import { partialHz, type StiffString } from '../strings/stiffString';
import { hz } from '../units/quantity';
import type { Ear } from './ear';
import type { Edge } from './edges';
import type { BearingPlan } from './plan';

/** What an ear makes of a plan, over many tunings. */
export interface SimulatedErrors {
	readonly runs: number;
	/** Root mean square error of each note set, in cents, in the order of the steps. */
	readonly notes: readonly { readonly note: number; readonly error: number }[];
	/** The same over all notes of the temperament octave together. */
	readonly overall: number;
	/** Root mean square error of the closing interval, in cents; undefined when the plan leaves none. */
	readonly closing: number | undefined;
}

/** Runs between two pauses. */
const CHUNK = 1000;

/**
 * Follows the plan again and again with a random ear: every count errs by its scatter, all counts of one
 * run by a bias of their own. Beats are exact in the strings' frequencies; nothing is linearised.
 * Yields the share done, 0 to 1, so that whoever runs it may pause or give up.
 */
export function* simulatePlan(
	plan: BearingPlan,
	strings: (note: number) => StiffString,
	ear: Ear,
	runs: number,
	seed: number
): Generator<number, SimulatedErrors> {
	if (!Number.isInteger(runs) || runs < 1) throw new RangeError(`simulatePlan: ${runs} runs asked for, 1 at least`);
	const place = new Map(plan.steps.map(({ note }, i) => [note, i]));
	const targets = plan.steps.map(({ note }) => strings(note).flexiblePitch as number);
	/** Partial frequency over F. */
	const stretch = (note: number, partial: number) => partialHz({ ...strings(note), flexiblePitch: hz(1) }, partial);
	const compiled = plan.steps.map(({ note, by }) =>
		by.map(({ edge, weight }) => {
			const upward = note === edge.upper;
			return {
				known: place.get(upward ? edge.lower : edge.upper)!,
				upward,
				ofLower: stretch(edge.lower, edge.kind.lowerPartial),
				ofUpper: stretch(edge.upper, edge.kind.upperPartial),
				edge,
				weight
			};
		})
	);
	const random = createRandom(seed);
	const squares = new Float64Array(targets.length);
	const found = new Float64Array(targets.length);
	const errors = new Float64Array(targets.length);
	let closingSquares = 0;
	for (let run = 0; run < runs; run++) {
		const bias = ear.bias * random.normal();
		for (let i = 0; i < compiled.length; i++) {
			let error = 0;
			for (const { known, upward, ofLower, ofUpper, edge, weight } of compiled[i]) {
				const beat = edge.rate + edge.scatter * random.normal() + edge.bias * bias;
				const set = upward ? (beat + found[known] * ofLower) / ofUpper : (found[known] * ofUpper - beat) / ofLower;
				error += weight * 1200 * Math.log2(set / targets[i]);
			}
			errors[i] = error;
			found[i] = targets[i] * 2 ** (error / 1200);
			squares[i] += error * error;
		}
		if (plan.closing) closingSquares += closingError(plan.closing, place, errors) ** 2;
		if ((run + 1) % CHUNK === 0) yield (run + 1) / runs;
	}
	const notes = plan.steps.map(({ note }, i) => ({ note, error: Math.sqrt(squares[i] / runs) }));
	const within = notes.filter(({ note }) => note >= plan.low && note <= plan.high);
	return {
		runs,
		notes,
		overall: Math.sqrt(within.reduce((sum, { error }) => sum + error * error, 0) / within.length),
		closing: plan.closing && Math.sqrt(closingSquares / runs)
	};
}

function closingError({ lower, upper }: Edge, place: ReadonlyMap<number, number>, errors: Float64Array): number {
	return errors[place.get(upper)!] - errors[place.get(lower)!];
}
