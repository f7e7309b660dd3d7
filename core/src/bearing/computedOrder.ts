import type { Edge } from './edges';
import { covariance } from './errors';
import type { PlanWork } from './planWork';

/** A further interval has to take this share off the variance to be worth listening to. */
const WORTH_SHARING = 0.1;
const MOST_SHARED = 3;

/**
 * The order with the least accumulated error: at every step the note that the known ones fix best, set
 * between up to three intervals.
 */
export function leastErrorOrder(work: PlanWork, notes: readonly number[]): void {
	for (;;) {
		let best: { note: number; edges: readonly Edge[]; variance: number } | undefined;
		for (const note of notes) {
			if (work.errors.has(note)) continue;
			const leading = work.edges.filter(
				({ lower, upper }) => (lower === note && work.errors.has(upper)) || (upper === note && work.errors.has(lower))
			);
			const choice = leastError(work, note, leading);
			if (choice && (!best || choice.variance < best.variance)) best = { note, ...choice };
		}
		if (!best) return;
		work.setBy(best.note, best.edges);
	}
}

function leastError(work: PlanWork, note: number, leading: readonly Edge[]) {
	let chosen: readonly Edge[] = [];
	let variance = Infinity;
	while (chosen.length < MOST_SHARED) {
		let next: { edges: readonly Edge[]; variance: number } | undefined;
		for (const edge of leading) {
			if (chosen.includes(edge)) continue;
			const edges = [...chosen, edge];
			const { weights, error } = work.between(note, edges);
			if (weights.some((weight) => weight < 0)) continue;
			const left = covariance(error, error);
			if (!next || left < next.variance) next = { edges, variance: left };
		}
		if (!next || next.variance > variance * (1 - WORTH_SHARING)) break;
		({ edges: chosen, variance } = next);
	}
	return chosen.length ? { edges: chosen, variance } : undefined;
}
