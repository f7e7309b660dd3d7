import { analyseUnison } from '@fendrel/core';
import { expose } from 'comlink';
import type { UnisonWorker } from './unison';

const worker: UnisonWorker = { analyse: analyseUnison };

expose(worker);
