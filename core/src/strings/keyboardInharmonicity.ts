import { solveLower } from '../numeric/banded';
import type { StringKind } from './inharmonicity';
import { findBreak, fitAt, modelLog, parameterError, slopes, type Point } from './inharmonicityFit';

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

/** No string is stiffer than this, nor as limp as this. */
const ABSURD = { low: 1e-7, high: 0.3 } as const;
const OUTLIER = 4;
const JUMP = Math.log(1.25);

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
		outliers: outliersOf(points, model, fit.scatter),
		jumps: jumpsOf(points, model),
		refused: measured.filter((each) => !isSound(each))
	};
}

function outliersOf(
	points: readonly Point[],
	model: (note: number) => number,
	scatter: number
): readonly InharmonicityOutlier[] {
	return points.flatMap(({ note, y, sigma }) => {
		const strain = (y - model(note)) / Math.hypot(sigma, scatter);
		return Math.abs(strain) > OUTLIER ? [{ note, measured: Math.exp(y), expected: Math.exp(model(note)), strain }] : [];
	});
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
