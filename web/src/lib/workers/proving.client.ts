import { WorkerClient } from './client';
import type { ProvingTasks } from './proving';
import Script from './proving.worker?worker';

export const provingWorker = () => new WorkerClient<ProvingTasks>(() => new Script());
