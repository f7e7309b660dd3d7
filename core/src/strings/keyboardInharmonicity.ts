import { solveLower } from '../numeric/banded';
import type { StringKind } from './inharmonicity';
import { findBreak, fitAt, modelLog, parameterError, slopes, type Point } from './inharmonicityFit';

/** B as one strike told it. */
export interface StruckInharmonicity {
	readonly b: number;
	/** Standard error of B, in the units of B. */
	readonly error: number;
}

/** B of one note as it was measured. */
export interface MeasuredInharmonicity extends StruckInharmonicity {
	readonly note: number;
	/** What the strike before told of the same string; undefined when there was none. */
	readonly before?: StruckInharmonicity | undefined;
}

/** A note whose B does not go with its neighbours: mis-strung, a wound string gone dead, or a strike that was not clear. */
export interface InharmonicityOutlier {
	readonly note: number;
	readonly measured: number;
	readonly expected: number;
	/** Distance in standard deviations of measurement and model together. */
	readonly strain: number;
	/** Two strikes have told the same: it is the string. Until then the keyboard's model stands. */
	readonly confirmed: boolean;
}

/** A step between two measured neighbours that the model does not have: a fault of the scale. */
export interface ScaleJump {
	readonly from: number;
	readonly to: number;
	/** The upper one's B over the lower one's, the model's own slope taken out; 1.4 is a jump of 40 %. */
	readonly ratio: number;
}

export interface KeyboardInharmonicity {
	/** B of every note: measured where that is sure, else drawn towards the model; out of line only once confirmed. */
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
	/** Notes of those outliers that are not confirmed. */
	readonly doubtful: ReadonlySet<number>;
	readonly jumps: readonly ScaleJump[];
	/** Measurements that are no inharmonicity: not above 0, above any string's, or without an error. */
	readonly refused: readonly MeasuredInharmonicity[];
}

/** No string is stiffer than this, nor as limp as this. */
const ABSURD = { low: 1e-7, high: 0.3 } as const;
const OUTLIER = 4;
/** Two strikes tell the same B when they lie within so many of their errors, or within this share of each other. */
const AGREE = { errors: 3, share: 0.1 } as const;
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
	const confirmed = new Set(sound.filter(isConfirmed).map(({ note }) => note));
	const found = fitInLine(kind, points, confirmed, breakNote);
	const { fit, model, modelErrors, outliers, doubtful } = found;
	const byNote = new Map(points.filter(({ note }) => !doubtful.has(note)).map((point) => [point.note, point]));
	const blend = (note: number) => {
		const own = byNote.get(note);
		const around = fit.scatter ** 2 + squared(modelErrors(note));
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
		outliers,
		doubtful,
		jumps: jumpsOf(points, model),
		refused: measured.filter((each) => !isSound(each))
	};
}

/**
 * The keyboard's model and what is out of line with it. What is doubtful has no say in the model, however near the end of
 * the keyboard it lies.
 */
function fitInLine(
	kind: StringKind,
	points: readonly Point[],
	confirmed: ReadonlySet<number>,
	breakNote: number | undefined
) {
	const fitTo = (some: readonly Point[]) => {
		const found = breakNote === undefined ? findBreak(kind, some) : { breakNote, fit: fitAt(kind, some, breakNote) };
		const { parameters, factor, scatter } = found.fit;
		const model = (note: number) => modelLog(parameters, note, found.breakNote);
		/** The model's errors at a note: independent, and the same ones at every note. */
		const modelErrors = (note: number) => {
			const errors = Float64Array.from(slopes(parameters, note, found.breakNote));
			solveLower(factor, errors);
			return errors;
		};
		const errorAt = (note: number) => Math.sqrt(scatter ** 2 + squared(modelErrors(note)));
		const outliers = outliersOf(points, model, errorAt, confirmed);
		const doubtful = new Set(outliers.flatMap((each) => (each.confirmed ? [] : [each.note])));
		return { ...found, model, modelErrors, outliers, doubtful };
	};
	const all = fitTo(points);
	return all.doubtful.size === 0 ? all : fitTo(points.filter(({ note }) => !all.doubtful.has(note)));
}

const squared = (values: Float64Array) => values.reduce((sum, each) => sum + each * each, 0);

/** Whether the strike before told the same. */
function isConfirmed({ b, error, before }: MeasuredInharmonicity): boolean {
	if (!before || !(before.b > 0)) return false;
	const apart = Math.abs(Math.log(b / before.b));
	return apart < Math.max(AGREE.share, AGREE.errors * Math.hypot(error / b, before.error / before.b));
}

function outliersOf(
	points: readonly Point[],
	model: (note: number) => number,
	errorAt: (note: number) => number,
	confirmed: ReadonlySet<number>
): readonly InharmonicityOutlier[] {
	return points.flatMap(({ note, y, sigma }) => {
		const strain = (y - model(note)) / Math.hypot(sigma, errorAt(note));
		if (Math.abs(strain) <= OUTLIER) return [];
		return [{ note, measured: Math.exp(y), expected: Math.exp(model(note)), strain, confirmed: confirmed.has(note) }];
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
