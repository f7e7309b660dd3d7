import type { BearingTasks } from './bearing';
import Script from './bearing.worker?worker';
import { WorkerClient } from './client';

export const bearingWorker = () => new WorkerClient<BearingTasks>(() => new Script());
