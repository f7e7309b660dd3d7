import { median } from 'd3-array';
import { addToBanded, bandedMatrix, factorBanded, solveFactored, solveLower, type Banded } from '../numeric/banded';
import { BISQUARE, bisquareWeight, MEDIAN_TO_SD } from '../numeric/bisquare';
import { TYPICAL_BRANCHES, type StringKind } from './inharmonicity';

const BASS_AT = 30;
const TREBLE_AT = 80;
/** How far a piano's scale may lie from its kind's: slopes per note, levels in log B, offset at the break. */
const PRIOR = [0.03, 0.8, 0.03, 0.8, 0.3] as const;
/** Irregularity of the best scales, in log B. */
const LEAST_SCATTER = 0.02;
const ROUNDS = 40;
/** Steps in log B that change nothing any more: a ten-thousandth of what the best measurement knows. */
const CLOSE = 1e-6;
const BREAKS = { lowest: 36, highest: 60 } as const;
/** An offset at the break must better chi squared by this to be believed: it is looked for in 25 places. */
const BELIEVED = 20;

interface Fit {
	readonly parameters: number[];
	/** Factor of the normal matrix. */
	readonly factor: Banded;
	readonly scatter: number;
}

/** Log B of a note, and its standard error. */
export interface Point {
	readonly note: number;
	readonly y: number;
	readonly sigma: number;
}

/** Log B of the model at a note. */
export function modelLog(
	[bassSlope, bassLevel, trebleSlope, trebleLevel, offset]: readonly number[],
	note: number,
	breakNote?: number
): number {
	const step = breakNote !== undefined && note < breakNote ? offset : 0;
	return Math.log(
		Math.exp(bassLevel + bassSlope * (note - BASS_AT) + step) + Math.exp(trebleLevel + trebleSlope * (note - TREBLE_AT))
	);
}

/** What the model's log B at a note changes by with each parameter. */
export function slopes(parameters: readonly number[], note: number, breakNote?: number): number[] {
	const [bassSlope, bassLevel, trebleSlope, trebleLevel, offset] = parameters;
	const below = breakNote !== undefined && note < breakNote;
	const bass = Math.exp(bassLevel + bassSlope * (note - BASS_AT) + (below ? offset : 0));
	const treble = Math.exp(trebleLevel + trebleSlope * (note - TREBLE_AT));
	const share = bass / (bass + treble);
	return [share * (note - BASS_AT), share, (1 - share) * (note - TREBLE_AT), 1 - share, below ? share : 0];
}

function priorOf(kind: StringKind): number[] {
	const { bassSlope, bassLevel, trebleSlope, trebleLevel } = TYPICAL_BRANCHES[kind];
	return [bassSlope, bassLevel + bassSlope * BASS_AT, trebleSlope, trebleLevel + trebleSlope * TREBLE_AT, 0];
}

/**
 * Gauss-Newton with bisquare weights; the prior stands in for what is not measured.
 * @param near a fit from which this one cannot lie far
 */
export function fitAt(
	kind: StringKind,
	points: readonly Point[],
	breakNote: number | undefined,
	near?: Fit,
	rounds = ROUNDS
): Fit {
	const prior = priorOf(kind);
	let parameters = near ? near.parameters : prior;
	// Wide at first: a whole section that lies off must be seen before it can be taken for outliers.
	let scatter = near ? Math.hypot(near.scatter, PRIOR[4]) : 0.1;
	let factor = bandedMatrix(0, 0);
	const noise = median(points, ({ sigma }) => sigma) ?? 0;
	const residuals = new Float64Array(points.length);
	for (let round = 0; round < rounds; round++) {
		// Five unknowns: a band of four is the whole matrix.
		const normal = bandedMatrix(5, 4);
		PRIOR.forEach((sd, i) => addToBanded(normal, i, i, 1 / sd ** 2));
		const pull = Float64Array.from(parameters, (value, i) => (prior[i] - value) / PRIOR[i] ** 2);
		points.forEach(({ note, y, sigma }, i) => {
			const off = y - modelLog(parameters, note, breakNote);
			residuals[i] = Math.abs(off);
			const weight = bisquareWeight(off / Math.hypot(sigma, scatter)) / (sigma ** 2 + scatter ** 2);
			if (weight === 0) return;
			const row = slopes(parameters, note, breakNote);
			for (let a = 0; a < 5; a++) {
				pull[a] += weight * row[a] * off;
				for (let b = 0; b <= a; b++) addToBanded(normal, a, b, weight * row[a] * row[b]);
			}
		});
		factorBanded(normal);
		factor = normal;
		solveFactored(factor, pull);
		// Half steps at first: the branches' sum bends, and a far start must not overshoot.
		const part = !near && round < 5 ? 0.5 : 1;
		parameters = parameters.map((value, i) => value + part * pull[i]);
		// With few points nothing is known of the scatter; the median of three residuals is not a measure.
		if (points.length >= 8)
			scatter = Math.max(LEAST_SCATTER, Math.sqrt(Math.max(0, (MEDIAN_TO_SD * median(residuals)!) ** 2 - noise ** 2)));
		if (round > (near ? 1 : 8) && pull.every((each) => Math.abs(each) < CLOSE)) break;
	}
	return { parameters, factor, scatter };
}

export function parameterError(factor: Banded, which: number): number {
	const unit = new Float64Array(5);
	unit[which] = 1;
	solveLower(factor, unit);
	return Math.hypot(...unit);
}

/** The break where an offset of the bass is believed, and the fit with it. */
export function findBreak(kind: StringKind, points: readonly Point[]): { breakNote: number | undefined; fit: Fit } {
	const without = fitAt(kind, points, undefined);
	const none = { breakNote: undefined, fit: without };
	if (points.length < 12) return none;
	// Judged by the same yardstick: the scatter of the fit without an offset.
	const costOf = (fit: Fit, at: number | undefined) =>
		points.reduce((sum, { note, y, sigma }) => {
			const off = (y - modelLog(fit.parameters, note, at)) / Math.hypot(sigma, without.scatter);
			return sum + Math.min(Math.abs(off), BISQUARE) ** 2;
		}, 0);
	let likeliest: number | undefined;
	let least = Infinity;
	for (let breakNote = BREAKS.lowest; breakNote <= BREAKS.highest; breakNote++) {
		const below = points.filter(({ note }) => note < breakNote).length;
		if (below < 4 || points.length - below < 4) continue;
		// Three steps tell the places apart; only the likeliest is fitted to the end.
		const cost = costOf(fitAt(kind, points, breakNote, without, 3), breakNote);
		if (cost < least) [likeliest, least] = [breakNote, cost];
	}
	if (likeliest === undefined) return none;
	const fit = fitAt(kind, points, likeliest, without);
	const believed = costOf(fit, likeliest) < costOf(without, undefined) - BELIEVED;
	return believed ? { breakNote: likeliest, fit } : none;
}
