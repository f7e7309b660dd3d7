import { WorkerClient } from './client';
import type { DayTasks } from './day';
import Script from './day.worker?worker';

export const dayWorker = () => new WorkerClient<DayTasks>(() => new Script());
