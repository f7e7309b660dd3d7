import { renderStrike } from '@fendrel/core';
import { expose, transfer } from 'comlink';
import type { SoundingWorker } from './sounding';

const worker: SoundingWorker = {
	render(strikes) {
		const sounds = strikes.map(renderStrike);
		return transfer(
			sounds,
			sounds.map(({ buffer }) => buffer)
		);
	}
};

expose(worker);
