import { WorkerClient } from './client';
import type { LastingTasks } from './lasting';
import Script from './lasting.worker?worker';

export const lastingWorker = () => new WorkerClient<LastingTasks>(() => new Script(), false);
