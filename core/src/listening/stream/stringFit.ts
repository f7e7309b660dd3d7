import { fitRobustLine, type RobustLine } from '../../numeric/robustLine';
import { cents, hz, type Cents, type Hz } from '../../units/quantity';

/** A partial's frequency with its standard error, both in Hz. */
export interface PartialFrequency {
	readonly partial: number;
	readonly frequency: number;
	readonly error: number;
}

export interface StringFit {
	readonly flexiblePitch: Hz;
	readonly pitch: Hz;
	readonly pitchError: Cents;
	/** undefined when it was not determined and the given one was used. */
	readonly inharmonicity: number | undefined;
	readonly inharmonicityError: number | undefined;
}

/**
 * Real strings leave the formula by some hundredths of a cent per partial; no partial may claim to be
 * surer than this, or one strong partial would decide alone.
 */
const FORMULA_ERROR_CENTS = 0.03;
/** From this relative error on, a fitted B says less than the given one. */
const USELESS_B = 0.5;

/** What is known of B before the partials speak: its value and its relative uncertainty. */
export interface KnownB {
	readonly value: number;
	readonly doubt: number;
}

/** With so few partials one that belongs to something else cannot be told by its misfit alone. */
const FEW_PARTIALS = 6;
/** No string of that note is more than so many times as stiff, or as limp, as such strings usually are. */
const PLAUSIBLE = 2.5;

/**
 * The partials that make a string such as this note has: with few of them, and a B that no such string has, the one
 * without which B comes nearest to the usual is left out.
 */
export function plausiblePartials<T extends PartialFrequency>(partials: readonly T[], usualB: number): readonly T[] {
	if (partials.length < 3 || partials.length >= FEW_PARTIALS || !(usualB > 0)) return partials;
	const strangeness = (some: readonly T[]) => {
		const { x, y, sigma } = squares(some);
		const line = fitRobustLine(x, y, sigma);
		return line && line.slope > 0 && line.intercept > 0
			? Math.abs(Math.log(line.slope / line.intercept / usualB))
			: Infinity;
	};
	if (strangeness(partials) < Math.log(PLAUSIBLE)) return partials;
	const [best] = partials
		.map((without) => partials.filter((each) => each !== without))
		.map((some) => ({ some, strange: strangeness(some) }))
		.sort((a, b) => a.strange - b.strange);
	return best.strange < Math.log(PLAUSIBLE) ? best.some : partials;
}

/**
 * F and B from partial frequencies: (f_n / n)^2 = F^2 + F^2 B n^2 is a straight line in n^2
 * (Fletcher 1964, eq. 9 squared), fitted robustly.
 * @param given used when the partials cannot tell B themselves
 * @returns undefined without any partial
 */
export function fitString(partials: readonly PartialFrequency[], given: KnownB): StringFit | undefined {
	if (partials.length === 0) return undefined;
	const { x, y, sigma } = squares(partials);
	const line = partials.length > 2 ? fitRobustLine(x, y, sigma) : undefined;
	if (line && line.intercept > 0 && line.slope > 0) {
		const { value: b, error: bError } = slopeOver(line);
		if (bError < USELESS_B * b) {
			const squared = line.intercept + line.slope;
			const error = Math.sqrt(Math.max(0, line.varIntercept + line.varSlope + 2 * line.covariance));
			return {
				flexiblePitch: hz(Math.sqrt(line.intercept)),
				pitch: hz(Math.sqrt(squared)),
				pitchError: cents((600 / Math.LN2) * (error / squared)),
				inharmonicity: b,
				inharmonicityError: bError
			};
		}
	}
	return fitWithKnownB(x, y, sigma, given);
}

/** B of a line, the slope over the intercept, with its standard error. */
function slopeOver({ slope, intercept, varSlope, varIntercept, covariance }: RobustLine) {
	const value = slope / intercept;
	const variance = varSlope - 2 * value * covariance + value * value * varIntercept;
	return { value, error: Math.sqrt(Math.max(0, variance)) / intercept };
}

/**
 * B as partials alone say it, nothing being known: 0 or below, within its standard error, when they are harmonic.
 * @returns undefined with fewer than three partials
 */
export function stiffnessOf(
	partials: readonly PartialFrequency[]
): { readonly value: number; readonly error: number } | undefined {
	if (partials.length < 3) return undefined;
	const { x, y, sigma } = squares(partials);
	const line = fitRobustLine(x, y, sigma);
	return line && line.intercept > 0 ? slopeOver(line) : undefined;
}

/** Partials as points of the line, with their errors. */
function squares(partials: readonly PartialFrequency[]) {
	const x = partials.map(({ partial }) => partial * partial);
	const y = partials.map(({ partial, frequency }) => (frequency / partial) ** 2);
	const sigma = partials.map(({ partial, frequency, error }) => {
		const whole = Math.hypot(error, frequency * (2 ** (FORMULA_ERROR_CENTS / 1200) - 1));
		return (2 * frequency * whole) / (partial * partial);
	});
	return { x, y, sigma };
}

/** A partial this many cents from the others belongs to something else. */
const STRANGER_CENTS = 8;

/**
 * F with B held at what is known: the steadier figure while a note sounds.
 * @returns undefined without any partial
 */
export function fitHoldingB(partials: readonly PartialFrequency[], known: KnownB): StringFit | undefined {
	if (partials.length === 0) return undefined;
	const { x, y, sigma } = squares(partials);
	const first = fitWithKnownB(x, y, sigma, known);
	const near = partials.filter(({ partial, frequency }) => {
		const expected = partial * first.flexiblePitch * Math.sqrt(1 + known.value * partial * partial);
		const allowed =
			STRANGER_CENTS + known.doubt * 600 * Math.log2((1 + known.value * partial * partial) / (1 + known.value));
		return Math.abs(1200 * Math.log2(frequency / expected)) < allowed;
	});
	if (near.length === 0 || near.length === partials.length) return first;
	const kept = squares(near);
	return fitWithKnownB(kept.x, kept.y, kept.sigma, known);
}

/** Weighted mean of F1^2 with B held; its doubt makes high partials vote less, partial 1 not at all less. */
function fitWithKnownB(
	x: readonly number[],
	y: readonly number[],
	sigma: readonly number[],
	{ value: b, doubt }: KnownB
): StringFit {
	let weight = 0;
	let sum = 0;
	const votes = x.map((each, i) => {
		const toFirst = (1 + b) / (1 + b * each);
		const first = y[i] * toFirst;
		const byDoubt = (first * (doubt * b * (each - 1))) / (1 + b * each);
		const w = 1 / ((sigma[i] * toFirst) ** 2 + byDoubt ** 2);
		weight += w;
		sum += w * first;
		return { w, first };
	});
	const squared = sum / weight;
	// Partials that disagree by more than their errors say that the formula fits this string less well.
	const misfit = votes.reduce((total, { w, first }) => total + w * (first - squared) ** 2, 0);
	const stretch = votes.length > 1 ? Math.max(1, misfit / (votes.length - 1)) : 1;
	return {
		flexiblePitch: hz(Math.sqrt(squared / (1 + b))),
		pitch: hz(Math.sqrt(squared)),
		pitchError: cents((600 / Math.LN2 / squared) * Math.sqrt(stretch / weight)),
		inharmonicity: undefined,
		inharmonicityError: undefined
	};
}
