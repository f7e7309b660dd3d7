import { WorkerClient } from './client';
import type { PairTasks } from './pairs';
import Script from './pairs.worker?worker';

export const pairsWorker = () => new WorkerClient<PairTasks>(() => new Script(), false);
