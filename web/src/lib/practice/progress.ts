import {
	DRILLS,
	ThresholdSearch,
	type ChoiceDrill,
	type DrillRegister,
	type Threshold,
	type Trial
} from '@fendrel/core';

/** Answers to a sitting, unless it is ended before. */
export const SITTING = 30;

/** A sitting as pages have it. */
export interface SittingAt {
	readonly id: string;
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly threshold: Threshold;
	readonly isGuessed: boolean;
}

/** What somebody's sittings come to, in one register of a drill. */
export interface Progress {
	readonly drill: string;
	readonly register: string;
	/** From the newest answers; undefined: too few of them. */
	readonly threshold: Threshold | undefined;
	/** The oldest first. */
	readonly sittings: readonly SittingAt[];
}

interface Sat {
	readonly id: string;
	readonly drill: string;
	readonly register: string;
	readonly beganAt: Date;
	readonly trials: readonly Trial[];
	readonly isGuessed: boolean;
}

/** An ear as it was last: the newest answers, none older than that before the last sitting. */
const NEWEST = 120;
const DAYS = 90;
/** Fewer say nothing. */
const LEAST = 20;

/** The answers that say how an ear heard last; those of somebody who only guessed say nothing. @param sat the oldest first */
export function recentTrials(sat: readonly Sat[]): Trial[] {
	const heard = sat.filter(({ isGuessed }) => !isGuessed);
	const last = heard.at(-1)?.beganAt.getTime() ?? 0;
	const recent = heard.filter(({ beganAt }) => last - beganAt.getTime() < DAYS * 86_400_000);
	return recent.flatMap(({ trials }) => trials).slice(-NEWEST);
}

function inRegister({ id: drill }: ChoiceDrill, { id: register, task }: DrillRegister, sat: readonly Sat[]): Progress {
	const of = sat.filter((each) => each.drill === drill && each.register === register);
	const trials = recentTrials(of);
	return {
		...{ drill, register },
		threshold: trials.length < LEAST ? undefined : new ThresholdSearch(task, trials).threshold(),
		sittings: of.map(({ id, beganAt, trials, isGuessed }) => ({
			...{ id, at: beganAt.getTime(), isGuessed },
			threshold: new ThresholdSearch(task, trials).threshold()
		}))
	};
}

/** All registers in which somebody has sat. @param sat the oldest first */
export function progressOf(sat: readonly Sat[]): Progress[] {
	return DRILLS.flatMap((drill) => drill.registers.map((register) => inRegister(drill, register, sat))).filter(
		({ sittings }) => sittings.length > 0
	);
}
