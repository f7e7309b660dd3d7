import type { ChosenDay, DayAsked } from '@fendrel/core';
import type { Task } from './protocol';

export type DayTasks = {
	/** What gains most in a day. */
	choose: Task<DayAsked, ChosenDay>;
};
