import { analyseUnison, partialIntoWhole, type KeptStrike } from '@fendrel/core';
import type { LastStrikeTasks } from './lastStrike';
import { handing } from './protocol';
import type { Handlers } from './serve';

/** Looks closer at strikes whose sound comes in by itself: the word that there is one may arrive before it or after. */
export function lastStrikeJobs(): Handlers<LastStrikeTasks> {
	let kept: KeptStrike | undefined;
	let last: KeptStrike | undefined;
	let arrived = () => {};
	let port: MessagePort | undefined;

	/** @returns undefined when a later one has taken its place */
	async function arrival(struckAt: number, signal: AbortSignal): Promise<KeptStrike | undefined> {
		while (!kept || kept.reading.struckAt < struckAt) {
			await new Promise<void>((resolve) => {
				arrived = resolve;
				signal.addEventListener('abort', () => resolve(), { once: true });
			});
			signal.throwIfAborted();
		}
		return kept.reading.struckAt === struckAt ? kept : undefined;
	}

	return {
		keep(given) {
			port?.close();
			port = given;
			port.onmessage = ({ data }: MessageEvent<KeptStrike>) => {
				kept = data;
				arrived();
			};
		},
		async look({ struckAt, strings }, { signal }) {
			const found = await arrival(struckAt, signal);
			if (!found) return undefined;
			last = found;
			const { samples, settledFrom, sampleRate, string, reading } = last;
			const settled = samples.subarray(settledFrom);
			return { reading, analysis: analyseUnison({ samples: settled, sampleRate, string, strings }) };
		},
		whole() {
			if (!last) return undefined;
			const samples = last.samples.slice();
			return handing({ samples, sampleRate: last.sampleRate }, samples.buffer);
		},
		partial(partial) {
			if (!last) return undefined;
			const { samples, sampleRate, string } = last;
			const sound = partialIntoWhole(samples, sampleRate, string, partial);
			return sound && handing({ samples: sound, sampleRate }, sound.buffer);
		}
	};
}
