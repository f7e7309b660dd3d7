import { renderPassage, renderStrike } from '@fendrel/core';
import { expose, transfer } from 'comlink';
import type { SoundingWorker } from './sounding';

const worker: SoundingWorker = {
	render(strikes) {
		const sounds = strikes.map(renderStrike);
		return transfer(
			sounds,
			sounds.map(({ buffer }) => buffer)
		);
	},
	passage(chords, sampleRate, seed) {
		const sound = renderPassage(chords, sampleRate, seed);
		return transfer(sound, [sound.buffer]);
	}
};

expose(worker);
