import { expose } from 'comlink';
import { fromCounts } from './fromCounts';
import type { ProvingWorker } from './proving';

expose({ fromCounts } satisfies ProvingWorker);
