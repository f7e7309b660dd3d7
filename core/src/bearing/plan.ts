import type { StiffString } from '../strings/stiffString';
import { INTERVALS } from '../intervals/intervalKinds';
import type { Temperament } from '../temperament/temperament';
import type { Ear } from './ear';
import { leastErrorOrder } from './computedOrder';
import { countableEdges, edgeBetween, type Edge } from './edges';
import { PlanWork } from './planWork';
import type { BearingStep } from './step';
import { SCHOOLS, type Pair } from './schools';

export interface BearingPlan {
	readonly school: string;
	readonly start: number;
	readonly low: number;
	readonly high: number;
	readonly steps: readonly BearingStep[];
	/** Notes that no interval an ear can count leads to in this temperament. */
	readonly unreached: readonly number[];
	/** The fourth, fifth or octave left over that shows the plan's error most. */
	readonly closing: Edge | undefined;
}

export interface PlanOptions {
	/** Id of a school, or "computed". */
	readonly school: string;
	readonly start: number;
	readonly low: number;
	readonly high: number;
	/** The strings as they shall be tuned. */
	readonly strings: (note: number) => StiffString;
	readonly temperament: Pick<Temperament, 'tuning'>;
	readonly ear: Ear;
}

export const COMPUTED = 'computed';

/**
 * A bearing plan: an order of notes to set, each from notes that are set, with its rates on these strings.
 * @throws RangeError when the school is unknown, the octave is less than twelve semitones, or the start is not a whole note
 */
export function bearingPlan(options: PlanOptions): BearingPlan {
	const { school, start, low, high, strings, temperament, ear } = options;
	if (!Number.isInteger(low) || !Number.isInteger(high) || high - low < 12)
		throw new RangeError(`bearingPlan: ${low} to ${high} is less than an octave`);
	if (!Number.isInteger(start)) throw new RangeError(`bearingPlan: start ${start} is not a note`);
	const way = wayIn(school, start, low, high);
	const notes = [...new Set([...way, ...range(low, high)])];
	const edges = countableEdges(notes, strings, ear);
	const work = new PlanWork(start, edges, ear);
	for (let i = 1; i < way.length; i++) work.setBy(way[i], [joining(way[i - 1], way[i], strings, ear)]);
	if (school === COMPUTED) leastErrorOrder(work, notes);
	else {
		const found = SCHOOLS.find(({ id }) => id === school);
		if (!found) throw new RangeError(`bearingPlan: no school is called "${school}"`);
		const first = way[way.length - 1];
		const pairs = found.order({ low, high, first, temperament, edges });
		const octavesUp = range(low + 13, high).map((note): Pair => [note - 12, note]);
		const rest = [...edges].sort((a, b) => a.scatter / a.perCentUpper - b.scatter / b.perCentUpper);
		work.follow([...pairs, ...octavesUp, ...rest.map(({ lower, upper }): Pair => [lower, upper])], notes);
	}
	return {
		school,
		start,
		low,
		high,
		steps: work.steps,
		unreached: notes.filter((note) => !work.errors.has(note)),
		closing: work.closing()
	};
}

const range = (from: number, to: number) => Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);

/** From the reference into the octave: by octaves, or by the tenth where the school counts thirds first. */
function wayIn(school: string, start: number, low: number, high: number): readonly number[] {
	if (start === low + 16 && start > high && school === 'thirds-led') return [start, low];
	const way = [start];
	while (way[way.length - 1] > high) way.push(way[way.length - 1] - 12);
	while (way[way.length - 1] < low) way.push(way[way.length - 1] + 12);
	return way;
}

function joining(a: number, b: number, strings: (note: number) => StiffString, ear: Ear): Edge {
	const lower = Math.min(a, b);
	const kind = Math.abs(a - b) === 16 ? INTERVALS.tenth : lower < 72 ? INTERVALS.octave42 : INTERVALS.octave;
	return edgeBetween(lower, Math.max(a, b), kind, strings, ear);
}
