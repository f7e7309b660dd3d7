import { WorkerClient } from './client';
import type { ListeningTasks } from './listening';
import Script from './listening.worker?worker';

export const listeningWorker = () => new WorkerClient<ListeningTasks>(() => new Script(), false);
