import type { DayTask } from './day';
import { bestTasks } from './fill';

/** Which tasks gain most in so many minutes at one place. */
export const fillTime = (tasks: readonly DayTask[], minutes: number): readonly DayTask[] =>
	bestTasks([{ id: '', tasks }], minutes)[0];
