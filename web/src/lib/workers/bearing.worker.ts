import { expose } from 'comlink';
import type { BearingWorker } from './bearing';
import { planErrors, rankPlans } from './planErrors';

expose({ errors: planErrors, rank: rankPlans } satisfies BearingWorker);
