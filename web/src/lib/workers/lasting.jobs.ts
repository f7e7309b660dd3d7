import { LastingListener } from '@fendrel/core';
import type { LastingTasks } from './lasting';
import type { SoundBlock } from './listening';
import { untilGivenUp, type Handlers } from './serve';

export function lastingJobs(): Handlers<LastingTasks> {
	return {
		listen({ sampleRate, limits, samples }, { signal, tell }) {
			const listener = new LastingListener(sampleRate, limits);
			/** The sound card's count that the next block should begin with. */
			let next: number | undefined;
			samples.onmessage = ({ data: block }: MessageEvent<SoundBlock>) => {
				const lost = next !== undefined && block.from > next ? listener.lose() : [];
				next = block.from + block.samples.length;
				const events = [...lost, ...listener.push(block.samples)];
				if (events.length) tell(events);
			};
			signal.addEventListener('abort', () => samples.close(), { once: true });
			return untilGivenUp(signal);
		}
	};
}
