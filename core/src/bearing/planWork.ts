import { INTERVALS } from '../intervals/intervalKinds';
import { cents } from '../units/quantity';
import type { Ear } from './ear';
import type { Edge } from './edges';
import { combine, covariance, errorAfter, mixed, noError, type ErrorVector } from './errors';
import type { Pair } from './schools';
import type { BearingCheck, BearingStep } from './step';

const CHECKS_SHOWN = 3;
/** The plan while it grows: what is set, with the errors it carries. */
export class PlanWork {
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
