import { median } from 'd3-array';
import { addToBanded, bandedMatrix, factorBanded, solveFactored, solveLower, type Banded } from '../numeric/banded';
import { TYPICAL_BRANCHES, type StringKind } from './inharmonicity';

/** B of one note as it was measured. */
export interface MeasuredInharmonicity {
	readonly note: number;
	readonly b: number;
	/** Standard error of B, in the units of B. */
	readonly error: number;
}

/** A note whose B does not go with its neighbours: mis-strung, or a wound string gone dead. */
export interface InharmonicityOutlier {
	readonly note: number;
	readonly measured: number;
	readonly expected: number;
	/** Distance in standard deviations of measurement and model together. */
	readonly strain: number;
}

/** A step between two measured neighbours that the model does not have: a fault of the scale. */
export interface ScaleJump {
	readonly from: number;
	readonly to: number;
	/** The upper one's B over the lower one's, the model's own slope taken out; 1.4 is a jump of 40 %. */
	readonly ratio: number;
}

export interface KeyboardInharmonicity {
	/** B of every note: measured where that is sure, else drawn towards the model. */
	readonly at: (note: number) => number;
	/** Standard error of log B, of what `at` gives. */
	readonly errorAt: (note: number) => number;
	/** The part of it that a note does not share with others. */
	readonly ownErrorAt: (note: number) => number;
	/** The rest, as one figure for each independent error of the model: they move many notes together. */
	readonly sharedErrorsAt: (note: number) => readonly number[];
	readonly modelAt: (note: number) => number;
	/** Bass slope and level, treble slope and level (levels as log B at notes 30 and 80), bass offset below the break. */
	readonly parameters: readonly number[];
	readonly errors: readonly number[];
	/** Lowest note above the offset; undefined when the data show none. */
	readonly breakNote: number | undefined;
	/** Scatter of log B about the model. */
	readonly scatter: number;
	readonly outliers: readonly InharmonicityOutlier[];
	readonly jumps: readonly ScaleJump[];
	/** Measurements that are no inharmonicity: not above 0, above any string's, or without an error. */
	readonly refused: readonly MeasuredInharmonicity[];
}

const BASS_AT = 30;
const TREBLE_AT = 80;
/** No string is stiffer than this, nor as limp as this. */
const ABSURD = { low: 1e-7, high: 0.3 } as const;
/** How far a piano's scale may lie from its kind's: slopes per note, levels in log B, offset at the break. */
const PRIOR = [0.03, 0.8, 0.03, 0.8, 0.3] as const;
/** Irregularity of the best scales, in log B. */
const LEAST_SCATTER = 0.02;
const BISQUARE = 4.685;
const ROUNDS = 40;
/** Steps in log B that change nothing any more: a ten-thousandth of what the best measurement knows. */
const CLOSE = 1e-6;
const BREAKS = { lowest: 36, highest: 60 } as const;
/** An offset at the break must better chi squared by this to be believed: it is looked for in 25 places. */
const BELIEVED = 20;
const OUTLIER = 4;
const JUMP = Math.log(1.25);

interface Fit {
	readonly parameters: number[];
	/** Factor of the normal matrix. */
	readonly factor: Banded;
	readonly scatter: number;
}

/**
 * B over the whole keyboard: log of exp(b_B m + a_B) + exp(b_T m + a_T) (Rigaud, David & Daudet 2013, eq. 6) with an
 * offset of the bass branch below the break, fitted robustly in log B around the kind's typical scale, then blended
 * with each measurement by their variances. Any number of measurements will do: with few the errors say so.
 */
export function keyboardInharmonicity(
	kind: StringKind,
	measured: readonly MeasuredInharmonicity[],
	breakNote?: number
): KeyboardInharmonicity {
	const isSound = ({ b, error }: MeasuredInharmonicity) =>
		b > ABSURD.low && b < ABSURD.high && error > 0 && error < Infinity;
	const sound = measured.filter(isSound);
	const points = sound.map(({ note, b, error }) => ({ note, y: Math.log(b), sigma: error / b }));
	const found = breakNote === undefined ? findBreak(kind, points) : { breakNote, fit: fitAt(kind, points, breakNote) };
	const { fit } = found;
	const model = (note: number) => modelLog(fit.parameters, note, found.breakNote);
	/** The model's errors at a note: independent, and the same ones at every note. */
	const modelErrors = (note: number) => {
		const errors = Float64Array.from(slopes(fit.parameters, note, found.breakNote));
		solveLower(fit.factor, errors);
		return errors;
	};
	const modelVariance = (note: number) => modelErrors(note).reduce((sum, each) => sum + each * each, 0);
	const byNote = new Map(points.map((point) => [point.note, point]));
	const blend = (note: number) => {
		const own = byNote.get(note);
		const around = fit.scatter ** 2 + modelVariance(note);
		if (!own) return { y: model(note), error: Math.sqrt(around), ownError: fit.scatter, modelShare: 1 };
		const [a, b] = [1 / own.sigma ** 2, 1 / around];
		const modelShare = b / (a + b);
		return {
			y: (1 - modelShare) * own.y + modelShare * model(note),
			error: 1 / Math.sqrt(a + b),
			ownError: Math.hypot((1 - modelShare) * own.sigma, modelShare * fit.scatter),
			modelShare
		};
	};
	const blends = new Map<number, ReturnType<typeof blend>>();
	const blended = (note: number) => {
		let found = blends.get(note);
		if (!found) blends.set(note, (found = blend(note)));
		return found;
	};
	return {
		at: (note) => Math.exp(blended(note).y),
		errorAt: (note) => blended(note).error,
		ownErrorAt: (note) => blended(note).ownError,
		sharedErrorsAt: (note) => {
			const { modelShare } = blended(note);
			return Array.from(modelErrors(note), (each) => modelShare * each);
		},
		modelAt: (note) => Math.exp(model(note)),
		parameters: fit.parameters,
		errors: fit.parameters.map((_, i) => parameterError(fit.factor, i)),
		breakNote: found.breakNote,
		scatter: fit.scatter,
		outliers: points.flatMap(({ note, y, sigma }) => {
			const strain = (y - model(note)) / Math.hypot(sigma, fit.scatter);
			return Math.abs(strain) > OUTLIER
				? [{ note, measured: Math.exp(y), expected: Math.exp(model(note)), strain }]
				: [];
		}),
		jumps: jumpsOf(points, model),
		refused: measured.filter((each) => !isSound(each))
	};
}

interface Point {
	readonly note: number;
	readonly y: number;
	readonly sigma: number;
}

function modelLog(
	[bassSlope, bassLevel, trebleSlope, trebleLevel, offset]: readonly number[],
	note: number,
	breakNote?: number
): number {
	const step = breakNote !== undefined && note < breakNote ? offset : 0;
	return Math.log(
		Math.exp(bassLevel + bassSlope * (note - BASS_AT) + step) + Math.exp(trebleLevel + trebleSlope * (note - TREBLE_AT))
	);
}

function slopes(parameters: readonly number[], note: number, breakNote?: number): number[] {
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
function fitAt(
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
			const u = off / (BISQUARE * Math.hypot(sigma, scatter));
			if (Math.abs(u) >= 1) return;
			const weight = (1 - u * u) ** 2 / (sigma ** 2 + scatter ** 2);
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
			scatter = Math.max(LEAST_SCATTER, Math.sqrt(Math.max(0, (1.4826 * median(residuals)!) ** 2 - noise ** 2)));
		if (round > (near ? 1 : 8) && pull.every((each) => Math.abs(each) < CLOSE)) break;
	}
	return { parameters, factor, scatter };
}

function parameterError(factor: Banded, which: number): number {
	const unit = new Float64Array(5);
	unit[which] = 1;
	solveLower(factor, unit);
	return Math.hypot(...unit);
}

function findBreak(kind: StringKind, points: readonly Point[]): { breakNote: number | undefined; fit: Fit } {
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

function jumpsOf(points: readonly Point[], model: (note: number) => number): readonly ScaleJump[] {
	const sorted = [...points].sort((a, b) => a.note - b.note);
	return sorted.slice(1).flatMap((upper, i) => {
		const lower = sorted[i];
		if (upper.note - lower.note > 3) return [];
		const step = upper.y - lower.y - (model(upper.note) - model(lower.note));
		const clear = Math.abs(step) > Math.max(JUMP, OUTLIER * Math.hypot(upper.sigma, lower.sigma));
		return clear ? [{ from: lower.note, to: upper.note, ratio: Math.exp(step) }] : [];
	});
}
