import { choicesOf, type ChoiceRegister, type DrillRegister } from './drill';
import type { Drill } from './drills';
import { heldShare } from './holding';
import { leanOf } from './lean';
import { isGuessed, sizeSense, stillness, type Estimate, type SetTrial } from './setTrials';
import { ThresholdSearch, type Threshold, type Trial } from './threshold';

/** One answer of any drill. */
export type Answer = Trial | SetTrial;

/** What answers come to. */
export interface Reached {
	/** The threshold, what is left, or the precision of sizes; undefined: too few answers. */
	readonly figure: Threshold | undefined;
	/** Which way the learner leans, and how far. */
	readonly lean: Estimate | undefined;
	/** These were guesses. */
	readonly isGuessed: boolean;
}

/** Answers of drills in which something is told. */
export const toldIn = (answers: readonly Answer[]) => answers.filter((each): each is Trial => 'size' in each);
/** Answers of drills in which something is set. */
export const setIn = (answers: readonly Answer[]) => answers.filter((each): each is SetTrial => 'asked' in each);

const hasTask = (register: DrillRegister): register is ChoiceRegister => 'task' in register;

/** @param least fewer told answers make no threshold */
export function reachedIn({ kind }: Drill, register: DrillRegister, answers: readonly Answer[], least = 1): Reached {
	if (kind === 'choice' && hasTask(register)) {
		const told = toldIn(answers);
		const search = new ThresholdSearch(register.task, told);
		return {
			figure: told.length < least ? undefined : search.threshold(),
			lean: choicesOf(register) === 2 ? leanOf(told, register.task.usual) : undefined,
			isGuessed: search.isGuessing
		};
	}
	const set = setIn(answers);
	if (kind === 'holding') return { figure: heldShare(set), lean: undefined, isGuessed: false };
	const isSized = set.some(({ asked }) => asked !== 0);
	const sense = isSized ? sizeSense(set) : undefined;
	const of = isSized ? sense?.precision : stillness(set);
	return {
		figure: of && { size: of.value, low: of.low, high: of.high, trials: set.length },
		lean: sense?.lean,
		isGuessed: isGuessed(set)
	};
}
