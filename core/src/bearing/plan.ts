import type { StiffString } from '../strings/stiffString';
import { INTERVALS } from '../intervals/intervalKinds';
import type { Temperament } from '../temperament/temperament';
import { cents, type Cents } from '../units/quantity';
import type { Ear } from './ear';
import { countableEdges, edgeBetween, type Edge } from './edges';
import { combine, covariance, errorAfter, mixed, noError, type ErrorVector } from './errors';
import { SCHOOLS, type Pair } from './schools';

/** One note to set. */
export interface BearingStep {
	readonly note: number;
	/** The intervals it is set by: the first leads; where there are more, the note is set between them by weight. */
	readonly by: readonly { readonly edge: Edge; readonly weight: number }[];
	/** Standard deviation of the note's pitch that this ear accumulates up to here. */
	readonly error: Cents;
	readonly checks: readonly BearingCheck[];
}

/** An interval that a step makes audible, and what it means when it does not beat as it should. */
export interface BearingCheck {
	readonly edge: Edge;
	/** Further from its rate than this, per second, and something is wrong (two standard deviations). */
	readonly tolerance: number;
	/** The note that is most likely out, and how many cents sharp it is for each beat that the interval is too wide. */
	readonly suspect: number;
	readonly centsPerBeat: number;
	/** An interval already known whose rate this one is compared with. */
	readonly compare:
		{ readonly edge: Edge; readonly as: 'neighbour' | 'next third' | 'stacked third' | 'inside third' } | undefined;
}

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

/** The temperament octaves in use. */
export const OCTAVES = [
	{ low: 53, high: 65, name: 'F3 to F4' },
	{ low: 57, high: 69, name: 'A3 to A4' },
	{ low: 60, high: 72, name: 'C4 to C5' },
	{ low: 53, high: 69, name: 'F3 to A4' }
] as const;

const CHECKS_SHOWN = 3;
/** A further interval has to take this share off the variance to be worth listening to. */
const WORTH_SHARING = 0.1;
const MOST_SHARED = 3;

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
	const work = new Work(start, edges, ear);
	for (let i = 1; i < way.length; i++) work.setBy(way[i], [joining(way[i - 1], way[i], strings, ear)]);
	if (school === COMPUTED) computed(work, notes);
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

/** The plan while it grows: what is set, with the errors it carries. */
class Work {
	readonly steps: BearingStep[] = [];
	readonly errors = new Map<number, ErrorVector>();
	private readonly used = new Set<Edge>();
	private readonly byPair: ReadonlyMap<number, Edge>;
	private readonly sources = new Map<Edge, number>();

	constructor(
		start: number,
		readonly edges: readonly Edge[],
		private readonly ear: Ear
	) {
		edges.forEach((edge, i) => this.sources.set(edge, i + 1));
		this.byPair = new Map(edges.map((edge) => [1000 * edge.lower + edge.upper, edge]));
		this.errors.set(start, noError());
		this.steps.push({ note: start, by: [], error: cents(0), checks: [] });
	}

	edge(a: number, b: number): Edge | undefined {
		return this.byPair.get(1000 * Math.min(a, b) + Math.max(a, b));
	}

	/** Goes through the pairs again and again, each time setting the first note that one known note leads to. */
	follow(pairs: readonly Pair[], notes: readonly number[]): void {
		const wanted = new Set(notes);
		for (;;) {
			const next = pairs.find(
				([a, b]) => wanted.has(a) && wanted.has(b) && this.errors.has(a) !== this.errors.has(b) && this.edge(a, b)
			);
			if (!next) return;
			const [a, b] = next;
			this.setBy(this.errors.has(a) ? b : a, [this.edge(a, b)!]);
		}
	}

	/** Sets a note between the given intervals, with the weights that leave the least error. */
	setBy(note: number, edges: readonly Edge[]): void {
		const { weights, error } = this.between(note, edges);
		edges.forEach((edge) => this.used.add(edge));
		this.errors.set(note, error);
		this.steps.push({
			note,
			by: edges.map((edge, i) => ({ edge, weight: weights[i] })),
			error: cents(Math.sqrt(covariance(error, error))),
			checks: this.checksOf(note, new Set(edges))
		});
	}

	between(note: number, edges: readonly Edge[]) {
		return combine(
			edges.map((edge) => {
				const known = this.errors.get(edge.lower === note ? edge.upper : edge.lower)!;
				return errorAfter(edge, note, known, this.sourceOf(edge), this.ear.bias);
			})
		);
	}

	private sourceOf(edge: Edge): number {
		if (!this.sources.has(edge)) this.sources.set(edge, this.sources.size + 1);
		return this.sources.get(edge)!;
	}

	private checksOf(note: number, setBy: ReadonlySet<Edge>): readonly BearingCheck[] {
		return this.edges
			.filter(
				(edge) =>
					(edge.lower === note || edge.upper === note) &&
					this.errors.has(edge.lower) &&
					this.errors.has(edge.upper) &&
					!setBy.has(edge)
			)
			.map((edge) => this.checkBy(edge))
			.sort((a, b) => b.power - a.power)
			.slice(0, CHECKS_SHOWN)
			.map(({ check }) => check);
	}

	/** What the interval shows: its own scatter from the notes' errors, against the ear's in counting it. */
	private checkBy(edge: Edge): { check: BearingCheck; power: number } {
		const upper = this.errors.get(edge.upper)!;
		const lower = this.errors.get(edge.lower)!;
		const shown = mixed(edge.perCentUpper, upper, -edge.perCentLower, lower);
		const own = covariance(shown, shown);
		const total = own + edge.scatter ** 2;
		let suspect = edge.upper;
		let most = 0;
		for (const [note, error] of this.errors) {
			const gain = covariance(error, shown) / total;
			// Of notes equally suspect the later one is easier to move.
			if (Math.abs(gain) >= Math.abs(most) - 1e-12) [suspect, most] = [note, gain];
		}
		return {
			check: {
				edge,
				tolerance: 2 * Math.sqrt(total),
				suspect,
				centsPerBeat: most,
				compare: this.comparisonFor(edge)
			},
			power: own / edge.scatter ** 2
		};
	}

	/** The ear compares better than it counts: the nearest interval whose rate stands next to this one's. */
	private comparisonFor(edge: Edge): BearingCheck['compare'] {
		const { lower, upper, kind } = edge;
		const known = (a: number, b: number) => (this.errors.has(a) && this.errors.has(b) ? this.edge(a, b) : undefined);
		const third = kind === INTERVALS.majorThird || kind === INTERVALS.minorThird;
		if (kind === INTERVALS.majorThird) {
			const below = known(lower - 4, lower);
			if (below) return { edge: below, as: 'next third' };
		}
		if (kind === INTERVALS.majorSixth) {
			const inside = known(lower + 2, lower + 6);
			if (inside) return { edge: inside, as: 'inside third' };
		}
		if (kind === INTERVALS.minorThird) {
			const stacked = known(upper, upper + 4);
			if (stacked) return { edge: stacked, as: 'stacked third' };
		}
		if (!third && kind !== INTERVALS.majorSixth && kind !== INTERVALS.minorSixth) return undefined;
		for (const shift of [-1, 1]) {
			const neighbour = known(lower + shift, upper + shift);
			if (neighbour) return { edge: neighbour, as: 'neighbour' };
		}
		return undefined;
	}

	closing(): Edge | undefined {
		const quiet: readonly Edge['kind'][] = [INTERVALS.fourth, INTERVALS.fifth, INTERVALS.octave42];
		let worst: Edge | undefined;
		let most = -1;
		for (const edge of this.edges) {
			const upper = this.errors.get(edge.upper);
			const lower = this.errors.get(edge.lower);
			if (!upper || !lower || this.used.has(edge) || !quiet.includes(edge.kind)) continue;
			const spread = covariance(upper, upper) + covariance(lower, lower) - 2 * covariance(upper, lower);
			if (spread > most) [worst, most] = [edge, spread];
		}
		return worst;
	}
}

/**
 * The order with the least accumulated error: at every step the note that the known ones fix best, set
 * between up to three intervals.
 */
function computed(work: Work, notes: readonly number[]): void {
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

function leastError(work: Work, note: number, leading: readonly Edge[]) {
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
