import { analyseUnison, partialIntoWhole, type KeptStrike } from '@fendrel/core';
import { expose, transfer } from 'comlink';
import type { LastStrikeWorker } from './lastStrike';

let last: KeptStrike | undefined;

const worker: LastStrikeWorker = {
	look(strike, strings) {
		last = strike;
		const { samples, settledFrom, sampleRate, string } = strike;
		return analyseUnison({ samples: samples.subarray(settledFrom), sampleRate, string, strings });
	},
	partial(partial) {
		if (!last) return undefined;
		const { samples, sampleRate, string } = last;
		const sound = partialIntoWhole(samples, sampleRate, string, partial);
		return sound && transfer({ samples: sound, sampleRate }, [sound.buffer]);
	}
};

expose(worker);
