import { Matrix } from 'ml-matrix';
import { chiSquaredLimit } from './chiSquared';
import type { CountEquations, Signed } from './countEquations';

/** How far from its place a note is looked for when wide or narrow is unknown, in cents (standard deviation). */
const PLAUSIBLE = 20;
export const MOST_SOLUTIONS = 16;
const MOST_BRANCHES = 4000;

/**
 * Every way to read the unknown senses that may fit: a search that decides the clearest count first and
 * drops a branch as soon as it strains too much. Deviations are expected within 20 cents of their place.
 */
export function readingsOf(equations: CountEquations): { readings: readonly Signed[]; more: boolean } {
	const unknown = equations.counts.flatMap(({ sense, rate, error }, i) =>
		sense === 'unknown' && rate > error / 2 ? [i] : []
	);
	const base = equations.likeliest();
	if (unknown.length === 0) return { readings: [base], more: false };
	const start = startState(equations);
	equations.counts.forEach((_, i) => {
		if (!unknown.includes(i)) update(equations, start, i, equations.signOf(i, base));
	});
	const found: Signed[] = [];
	let branches = 0;
	const search = (state: State, left: readonly number[], signs: Signed) => {
		if (branches++ > MOST_BRANCHES || found.length > MOST_SOLUTIONS) return;
		if (left.length === 0) {
			found.push(signs);
			return;
		}
		const judged = left.map((i) => {
			const costs = ([1, -1] as const).map((sign) => ({ sign, cost: costOf(equations, state, i, sign) }));
			return { i, costs, clear: Math.abs(costs[0].cost - costs[1].cost) };
		});
		const { i, costs } = judged.reduce((a, b) => (b.clear > a.clear ? b : a));
		const rest = left.filter((each) => each !== i);
		for (const { sign, cost } of costs.sort((a, b) => a.cost - b.cost)) {
			const done = equations.counts.length - rest.length;
			if (state.cost + cost > chiSquaredLimit(done + 2, 1000)) continue;
			const next: State = { at: [...state.at], spread: state.spread.clone(), cost: state.cost };
			update(equations, next, i, sign);
			search(
				next,
				rest,
				signs.map((each, k) => (k === i ? sign : each))
			);
		}
	};
	search(start, unknown, base);
	return { readings: found, more: branches > MOST_BRANCHES || found.length > MOST_SOLUTIONS };
}

interface State {
	at: number[];
	spread: Matrix;
	cost: number;
}

function startState(equations: CountEquations): State {
	const spread = Matrix.eye(equations.size, equations.size, PLAUSIBLE ** 2);
	spread.set(equations.size - 1, equations.size - 1, Math.max(equations.options.bias, 1e-6) ** 2);
	return { at: new Array<number>(equations.size).fill(0), spread, cost: 0 };
}

function innovation(equations: CountEquations, { at, spread }: State, i: number, sign: number) {
	const { beat, slope } = equations.linearised(equations.counts[i], sign, at);
	const shared = spread.mmul(Matrix.columnVector(slope)).to1DArray();
	const variance = slope.reduce((sum, each, k) => sum + each * shared[k], 0) + equations.counts[i].error ** 2;
	return { off: sign * equations.counts[i].rate - beat, shared, variance };
}

function costOf(equations: CountEquations, state: State, i: number, sign: number): number {
	const { off, variance } = innovation(equations, state, i, sign);
	return off ** 2 / variance;
}

/** One step of a Kalman filter: the count enters, the state learns. */
function update(equations: CountEquations, state: State, i: number, sign: number): void {
	const { off, shared, variance } = innovation(equations, state, i, sign);
	shared.forEach((each, k) => (state.at[k] += (each * off) / variance));
	for (let a = 0; a < equations.size; a++)
		for (let b = 0; b < equations.size; b++)
			state.spread.set(a, b, state.spread.get(a, b) - (shared[a] * shared[b]) / variance);
	state.cost += off ** 2 / variance;
}
