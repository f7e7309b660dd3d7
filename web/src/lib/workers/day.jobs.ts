import { chooseDay } from '@fendrel/core';
import type { DayTasks } from './day';
import type { Handlers } from './serve';

export const dayJobs: Handlers<DayTasks> = { choose: (asked) => chooseDay(asked) };
