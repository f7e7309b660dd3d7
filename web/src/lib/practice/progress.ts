import { DRILLS, reachedIn, type Answer, type Drill, type DrillRegister, type Reached } from '@fendrel/core';

/** Answers to a sitting, unless it is ended before. */
export const SITTING: Readonly<Record<Drill['kind'], number>> = {
	...{ choice: 30, setting: 10, counting: 12, pair: 5, holding: 10, bearings: 1, examination: 1 }
};
/** Answers that make a figure firm. */
export const FIRM: Readonly<Record<Drill['kind'], number>> = {
	...{ choice: 60, setting: 30, counting: 36, pair: 15, holding: 50, bearings: 36, examination: 60 }
};

const HEARD_KINDS: readonly Drill['kind'][] = ['setting', 'pair', 'counting', 'holding'];
/** Whether a drill can be done on the piano in front of one. */
export const isHeardBy = ({ kind }: Drill) => HEARD_KINDS.includes(kind);

/** A sitting as pages have it. */
export interface SittingAt {
	readonly id: string;
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly count: number;
	readonly figure: Reached['figure'];
	readonly isGuessed: boolean;
}

/** What somebody's sittings come to, in one register of a drill. */
export interface Progress {
	readonly drill: string;
	readonly register: string;
	/** From the newest answers; undefined: too few of them. */
	readonly figure: Reached['figure'];
	readonly lean: Reached['lean'];
	/** The oldest first. */
	readonly sittings: readonly SittingAt[];
}

export interface Sat {
	readonly id: string;
	readonly drill: string;
	readonly register: string;
	readonly beganAt: Date;
	readonly trials: readonly Answer[];
	readonly isGuessed: boolean;
}

/** An ear as it was last: the newest answers, none older than that before the last sitting. */
const NEWEST = 120;
const DAYS = 90;
/** Fewer told answers make no threshold. */
const LEAST = 20;

/** The answers that say how an ear heard last; those of somebody who only guessed say nothing. @param sat the oldest first */
export function recentTrials(sat: readonly Sat[]): Answer[] {
	const heard = sat.filter(({ isGuessed }) => !isGuessed);
	const last = heard.at(-1)?.beganAt.getTime() ?? 0;
	const recent = heard.filter(({ beganAt }) => last - beganAt.getTime() < DAYS * 86_400_000);
	return recent.flatMap(({ trials }) => trials).slice(-NEWEST);
}

/** Those of one register. */
export const satIn = (sat: readonly Sat[], drill: string, register: string) =>
	sat.filter((each) => each.drill === drill && each.register === register);

function inRegister(drill: Drill, register: DrillRegister, sat: readonly Sat[]): Progress {
	const of = satIn(sat, drill.id, register.id);
	const { figure, lean } = reachedIn(drill, register, recentTrials(of), LEAST);
	return {
		...{ drill: drill.id, register: register.id, figure, lean },
		sittings: of.map(({ id, beganAt, trials, isGuessed }) => ({
			...{ id, at: beganAt.getTime(), count: trials.length, isGuessed },
			figure: reachedIn(drill, register, trials).figure
		}))
	};
}

/** All registers in which somebody has sat. @param sat the oldest first */
export function progressOf(sat: readonly Sat[]): Progress[] {
	return DRILLS.flatMap((drill) => drill.registers.map((register) => inRegister(drill, register, sat))).filter(
		({ sittings }) => sittings.length > 0
	);
}
