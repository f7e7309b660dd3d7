import { WorkerClient } from './client';
import type { LastStrikeTasks } from './lastStrike';
import Script from './lastStrike.worker?worker';

export const lastStrikeWorker = () => new WorkerClient<LastStrikeTasks>(() => new Script(), false);
