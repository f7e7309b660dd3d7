import { weightedLine, weightedMean } from '../numeric/weighted';
import { cents, type Cents } from '../units/quantity';
import { PRIORITIES, type Priority } from './priorities';
import { topRamp, type CurveSolver, type CurveWish } from './tuningCurve';

/** Where a note stands: cents of its first partial from equal temperament, the temperament's own offsets taken out. */
export interface StandingNote {
	readonly note: number;
	readonly deviation: Cents;
}

/** A wish, and how well its curve tells where the notes stand. */
export interface ClosestCurve {
	readonly wish: CurveWish & { readonly topStretch: Cents };
	/** Cents by which the whole instrument stands above the curve. */
	readonly level: Cents;
	/** What is left, root mean square in cents, stray notes counting no more than others. */
	readonly left: Cents;
	/** Notes looked at, and those further from the curve than a tuning's own scatter explains. */
	readonly notes: number;
	readonly stray: readonly number[];
}

/** Fewer notes, or notes in one part of the keyboard only, fit many curves alike. */
export const LEAST_TO_COMPARE = { notes: 12, semitones: 48 } as const;
/** Scatter of a careful tuning about its own curve, in cents. */
const SCATTER = 1.5;
const HUBER = 1.5;
const STRAY = 4;
/** A blend, or a ramp on top, must better chi squared by this to be worth its word. */
const WORTH = 4;
const SHARES = [0.25, 0.5, 0.75];
/** How near a share is sought: a hundredth is more than a tuning can tell. */
const SHARE_STEP = 0.01;

/**
 * The priority, blend and top stretch whose curve best explains how an instrument stands: a start for one that its
 * owner liked. Level and ramp follow by robust least squares for each priority and blend tried.
 * @returns undefined when there is too little to go by (LEAST_TO_COMPARE)
 */
export function closestCurve(solver: CurveSolver, standing: readonly StandingNote[]): ClosestCurve | undefined {
	const { lowest, highest } = solver.keyboard;
	const notes = standing.filter(({ note }) => note >= lowest && note <= highest);
	const places = notes.map(({ note }) => note);
	if (notes.length < LEAST_TO_COMPARE.notes || Math.max(...places) - Math.min(...places) < LEAST_TO_COMPARE.semitones)
		return undefined;
	const tried = (priority: Priority, other?: Priority, share = 0) => {
		const wish: CurveWish = other ? { priority, blend: { with: other, share } } : { priority };
		const { deviations } = solver.solve(wish);
		return {
			wish,
			...explain(
				notes,
				notes.map(({ note, deviation }) => deviation - deviations[note - lowest])
			)
		};
	};
	type Try = ReturnType<typeof tried>;
	const better = (a: Try, b: Try) => (b.cost < a.cost ? b : a);
	const pure = PRIORITIES.map((priority) => tried(priority)).sort((a, b) => a.cost - b.cost);
	let blended = pure[0];
	for (const { wish } of pure.slice(0, 3))
		for (const other of PRIORITIES)
			if (other !== wish.priority)
				for (const share of SHARES) blended = better(blended, tried(wish.priority, other, share));
	const { blend, priority } = blended.wish;
	if (blend)
		for (let step = SHARES[0] / 2; step >= SHARE_STEP; step /= 2) {
			const at = blended.wish.blend!.share;
			for (const share of [at - step, at + step]) blended = better(blended, tried(priority, blend.with, share));
		}
	const best = blended.cost < pure[0].cost - WORTH ? blended : pure[0];
	const { wish, level, ramp, residuals } = best;
	return {
		wish: { ...rounded(wish), topStretch: cents(ramp) },
		level: cents(level),
		left: cents(
			Math.sqrt(residuals.reduce((sum, each) => sum + Math.min(Math.abs(each), STRAY * SCATTER) ** 2, 0) / notes.length)
		),
		notes: notes.length,
		stray: notes.filter((_, i) => Math.abs(residuals[i]) > STRAY * SCATTER).map(({ note }) => note)
	};
}

/** The larger share leads. */
function rounded({ priority, blend }: CurveWish): CurveWish {
	if (!blend) return { priority };
	const share = Math.round(blend.share / SHARE_STEP) * SHARE_STEP;
	return share > 0.5
		? { priority: blend.with, blend: { with: priority, share: 1 - share } }
		: { priority, blend: { with: blend.with, share } };
}

interface Explained {
	readonly level: number;
	readonly ramp: number;
	readonly residuals: readonly number[];
	readonly cost: number;
}

/** Level, and a ramp on top when it is worth it. */
function explain(notes: readonly StandingNote[], off: readonly number[]): Explained {
	const flat = fit(notes, off, false);
	const ramped = fit(notes, off, true);
	return ramped.cost < flat.cost - WORTH ? ramped : flat;
}

/** Huber's estimate of level and ramp by reweighting. */
function fit(notes: readonly StandingNote[], off: readonly number[], withRamp: boolean): Explained {
	let [level, ramp] = [0, 0];
	let residuals: number[] = [...off];
	const ramps = notes.map(({ note }) => topRamp(note));
	for (let round = 0; round < 25; round++) {
		const weights = residuals.map((each) => Math.min(1, (HUBER * SCATTER) / Math.abs(each || 1e-9)));
		const line = withRamp ? weightedLine(ramps, off, weights) : undefined;
		ramp = line && line.spread > 1e-6 ? line.slope : 0;
		level = line ? line.meanY - ramp * line.meanX : weightedMean(off, weights).mean;
		residuals = off.map((each, i) => each - level - ramp * ramps[i]);
	}
	const cost = residuals.reduce((sum, each) => {
		const u = Math.abs(each) / SCATTER;
		return sum + (u < HUBER ? u * u : HUBER * (2 * u - HUBER));
	}, 0);
	return { level, ramp, residuals, cost };
}
