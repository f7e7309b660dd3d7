import { renderLastingTone, renderPassage, renderPluck, renderStrike, renderSurroundings } from '@fendrel/core';
import { handing } from './protocol';
import { serve } from './serve';
import type { SoundingTasks } from './sounding';

/** The same strings sound the same every time. */
const SEED = 1;
const whole = (sounds: Float32Array<ArrayBuffer>[]) => handing(sounds, ...sounds.map(({ buffer }) => buffer));

serve<SoundingTasks>({
	strike: (strikes) => whole(strikes.map(renderStrike)),
	surroundings({ surroundings, seconds, seed, sampleRate }) {
		const sound = renderSurroundings(surroundings, seconds, seed, sampleRate);
		return sound && handing(sound, sound.buffer);
	},
	lasting({ tones, sampleRate }) {
		const sounds = tones.map((tone) => renderLastingTone(tone, sampleRate));
		const sum = new Float32Array(Math.max(...sounds.map(({ length }) => length)));
		for (const sound of sounds) sound.forEach((value, i) => (sum[i] += value));
		return handing(sum, sum.buffer);
	},
	pluck({ pluck, sampleRate }) {
		const sound = renderPluck(pluck, sampleRate);
		return handing(sound, sound.buffer);
	},
	async passage({ versions, sampleRate }, { pause }) {
		const sounds: Float32Array<ArrayBuffer>[] = [];
		for (const chords of versions) {
			await pause();
			sounds.push(renderPassage(chords, sampleRate, SEED));
		}
		return whole(sounds);
	}
});
