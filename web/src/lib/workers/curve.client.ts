import { WorkerClient } from './client';
import type { CurveTasks } from './curve';
import Script from './curve.worker?worker';

export const curveWorker = () => new WorkerClient<CurveTasks>(() => new Script());
