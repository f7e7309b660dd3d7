import type { InstrumentState, SectionState } from './state';
import type { NearEnough } from './tolerances';

/** From where on which work is asked for; cents. A workshop may have others. */
export interface Thresholds {
	/** Up to here only what is out is touched. */
	readonly touchUp: number;
	/** Up to here one tuning is enough. */
	readonly tune: number;
	/** Up to here a correction goes before the tuning; beyond it is a raise. */
	readonly correct: number;
	/** From here on somebody comes again in two to three weeks. */
	readonly followUp: number;
}

/** Schools differ in how far one tuning carries. */
export const THRESHOLD_SCHOOLS = [
	{
		id: 'early',
		name: 'A pass first beyond 5 cents',
		thresholds: { touchUp: 2, tune: 5, correct: 10, followUp: 100 }
	},
	{
		id: 'late',
		name: 'One tuning up to 10 cents',
		thresholds: { touchUp: 2, tune: 10, correct: 15, followUp: 100 }
	}
] as const satisfies readonly { readonly id: string; readonly name: string; readonly thresholds: Thresholds }[];
export const USUAL_THRESHOLDS: Thresholds = THRESHOLD_SCHOOLS[0].thresholds;

export const VERDICT_KINDS = [
	'leave',
	'spot',
	'touchUp',
	'tune',
	'correct',
	'move',
	'moveAndReturn',
	'barred'
] as const;
export type VerdictKind = (typeof VERDICT_KINDS)[number];

/** What there is to do, and what says so. */
export interface Verdict {
	readonly kind: VerdictKind;
	/** Where it goes: up when it stands low. */
	readonly way: 'up' | 'down';
	/** The section that decides. */
	readonly worst: SectionState;
	/** Notes to touch: spot work and touching up name them. */
	readonly notes: readonly number[];
	/** Notes beyond tolerance, and unisons that beat more than they may. */
	readonly beyond: readonly number[];
	readonly unisons: readonly number[];
	/** Notes that stand out from their neighbours. */
	readonly strays: readonly number[];
	/** It stands evenly, only elsewhere: it could be left there, and what stands out be brought to its neighbours. */
	readonly isEven: boolean;
}

/** Up to so many notes are spot work. */
const SPOT_NOTES = 5;
/** Above that share of the notes touching up is a tuning. */
const TOUCH_UP_SHARE = 0.5;

/**
 * What an instrument needs at a pitch.
 * @param isBarred something that was found on arrival forbids to add tension
 * @returns undefined when nothing was read
 */
export function verdict(
	state: InstrumentState,
	{ tolerance }: NearEnough,
	thresholds: Thresholds,
	isBarred: boolean
): Verdict | undefined {
	const { worst, notes } = state;
	if (!worst) return undefined;
	const beyond = notes.filter(({ level }) => Math.abs(level) > tolerance).map(({ note }) => note);
	const unisons = state.unisons.map(({ note }) => note);
	const strays = state.strays.strays.map(({ note }) => note);
	const touched = [...new Set([...beyond, ...unisons])].sort((a, b) => a - b);
	const size = Math.abs(worst.level);
	const levels = state.sections.map(({ level }) => level);
	const isEven = Math.max(...levels) - Math.min(...levels) <= 2 * thresholds.touchUp;
	const verdict = {
		worst,
		beyond,
		unisons,
		strays,
		isEven,
		way: worst.level < 0 ? 'up' : 'down',
		notes: touched
	} as const;
	if (size > thresholds.tune) {
		if (isBarred && verdict.way === 'up') return { ...verdict, kind: 'barred' };
		if (size >= thresholds.followUp) return { ...verdict, kind: 'moveAndReturn' };
		return { ...verdict, kind: size > thresholds.correct ? 'move' : 'correct' };
	}
	// On a stage every string is set.
	if (size > thresholds.touchUp || tolerance === 0) return { ...verdict, kind: 'tune' };
	if (touched.length === 0) return { ...verdict, kind: 'leave' };
	if (touched.length <= SPOT_NOTES) return { ...verdict, kind: 'spot' };
	return { ...verdict, kind: touched.length > TOUCH_UP_SHARE * notes.length ? 'tune' : 'touchUp' };
}
