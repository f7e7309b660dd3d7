import { FileStrokes, LastingListener, PluckListener, TogetherListener } from '@fendrel/core';
import type { LastingTasks, ToneEvent } from './lasting';
import type { SoundBlock } from './listening';
import { untilGivenUp, type Handlers } from './serve';

interface Listener<Event> {
	push(samples: Float32Array): Event[];
	lose(): Event[];
}

/** Gives a listener what comes in, and tells what it makes of it, until the job is given up. */
function follow<Event>(
	listener: Listener<Event>,
	samples: MessagePort,
	{ signal, tell }: { readonly signal: AbortSignal; readonly tell: (events: readonly Event[]) => void }
): Promise<never> {
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

export function lastingJobs(): Handlers<LastingTasks> {
	let tones: LastingListener | undefined;
	let together: TogetherListener | undefined;
	return {
		listen({ sampleRate, limits, samples }, job) {
			tones = undefined;
			if (!limits) return follow<ToneEvent>(new PluckListener(sampleRate), samples, job);
			const listener = (tones = new LastingListener(sampleRate, limits));
			const strokes = new FileStrokes(sampleRate);
			const both: Listener<ToneEvent> = {
				push: (block) => [
					...listener.push(block),
					...Array.from({ length: strokes.push(block) }, () => ({ kind: 'stroke' as const }))
				],
				lose: () => listener.lose()
			};
			return follow(both, samples, job);
		},
		drone(pitch) {
			tones?.drone(pitch ?? undefined);
		},
		together({ sampleRate, asked, samples }, job) {
			together = new TogetherListener(sampleRate, asked);
			return follow(together, samples, job);
		},
		ask(asked) {
			together?.ask(asked);
		}
	};
}
