import { WorkerClient } from './client';
import type { RecordingTasks } from './recording';
import Script from './recording.worker?worker';

export const recordingWorker = () => new WorkerClient<RecordingTasks>(() => new Script());
