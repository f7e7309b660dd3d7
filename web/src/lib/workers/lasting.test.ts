import { REED_LIMITS } from '@fendrel/core';
import { expect, it } from 'vitest';
import { lastingJobs } from './lasting.jobs';
import type { ToneEvent } from './lasting';

const RATE = 48_000;
const BLOCK = 1024;

it('a drone that changes is learned from the sound in which it does, however much still waits to be heard', async () => {
	const drone = (pitch: number) =>
		Float32Array.from({ length: 5 * RATE }, (_, i) => 0.1 * Math.sin((2 * Math.PI * pitch * i) / RATE));
	const sound = Float32Array.from([...drone(524), ...drone(262)]);
	const changes = 5 * RATE;
	const { port1, port2 } = new MessageChannel();
	const jobs = lastingJobs();
	const end = new AbortController();
	const events: ToneEvent[] = [];
	let heardUpTo = 0;
	const over = new Promise<void>((resolve) => {
		const job = {
			signal: end.signal,
			pause: () => Promise.resolve(),
			tell: (told: readonly ToneEvent[]) => {
				events.push(...told);
				heardUpTo += told.filter(({ kind }) => kind === 'level').length;
				if (heardUpTo >= Math.floor(sound.length / (0.05 * RATE)) - 2) resolve();
			}
		};
		void Promise.resolve(jobs.listen({ sampleRate: RATE, limits: REED_LIMITS, samples: port2 }, job)).catch(() => {});
		// Both orders are there before any of the sound is listened to.
		const noJob = { signal: end.signal, pause: () => Promise.resolve(), tell: () => {} };
		void jobs.drone({ pitch: 524, from: 0 }, noJob);
		void jobs.drone({ pitch: 262, from: changes }, noJob);
	});
	for (let from = 0; from < sound.length; from += BLOCK)
		port1.postMessage({ from, samples: sound.slice(from, from + BLOCK) });
	await over;
	end.abort();
	port1.close();
	const kinds = events.map(({ kind }) => kind).filter((kind) => kind !== 'level');
	expect(kinds).toEqual(['learning', 'learned', 'learning', 'learned']);
});
