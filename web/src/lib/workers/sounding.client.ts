import { WorkerClient } from './client';
import type { SoundingTasks } from './sounding';
import Script from './sounding.worker?worker';

export const soundingWorker = () => new WorkerClient<SoundingTasks>(() => new Script());
