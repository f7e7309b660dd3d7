import { FileStrokes, LastingListener, PluckListener, TogetherListener } from '@fendrel/core';
import type { AskOrder, DroneOrder, LastingTasks, ToneEvent } from './lasting';
import type { SoundBlock } from './listening';
import { untilGivenUp, type Handlers } from './serve';

interface Listener<Event> {
	push(samples: Float32Array): Event[];
	lose(): Event[];
}

/** Gives a listener what comes in, and tells what it makes of it, until the job is given up. */
class Following<Event> {
	/** The sound card's count that the next block should begin with. */
	private next: number | undefined;
	private orders: { readonly from: number; readonly carryOut: () => void }[] = [];

	constructor(
		private readonly listener: Listener<Event>,
		private readonly samples: MessagePort
	) {}

	/** Has something done when the sound of that moment is listened to: a busy machine listens later than it hears. */
	at(from: number, carryOut: () => void): void {
		this.orders.push({ from, carryOut });
	}

	run({ signal, tell }: { readonly signal: AbortSignal; readonly tell: (events: readonly Event[]) => void }) {
		this.samples.onmessage = ({ data }: MessageEvent<SoundBlock>) => {
			const events = this.take(data);
			if (events.length) tell(events);
		};
		signal.addEventListener('abort', () => this.samples.close(), { once: true });
		return untilGivenUp(signal);
	}

	private take({ from, samples }: SoundBlock): Event[] {
		const { listener, next } = this;
		const lost = next !== undefined && from > next ? listener.lose() : [];
		this.next = from + samples.length;
		while (this.orders.length && this.orders[0].from < this.next) this.orders.shift()!.carryOut();
		return [...lost, ...listener.push(samples)];
	}
}

export function lastingJobs(): Handlers<LastingTasks> {
	let drone: ((order: DroneOrder) => void) | undefined;
	let ask: ((order: AskOrder) => void) | undefined;
	return {
		listen({ sampleRate, limits, samples }, job) {
			drone = undefined;
			if (!limits) return new Following<ToneEvent>(new PluckListener(sampleRate), samples).run(job);
			const listener = new LastingListener(sampleRate, limits);
			const strokes = new FileStrokes(sampleRate);
			const both: Listener<ToneEvent> = {
				push: (block) => [
					...listener.push(block),
					...Array.from({ length: strokes.push(block) }, () => ({ kind: 'stroke' as const }))
				],
				lose: () => listener.lose()
			};
			const following = new Following(both, samples);
			drone = ({ pitch, from }) => following.at(from, () => listener.drone(pitch ?? undefined));
			return following.run(job);
		},
		drone(order) {
			drone?.(order);
		},
		together({ sampleRate, asked, samples }, job) {
			const listener = new TogetherListener(sampleRate, asked);
			const following = new Following(listener, samples);
			ask = (order) => following.at(order.from, () => listener.ask(order.asked));
			return following.run(job);
		},
		ask(order) {
			ask?.(order);
		}
	};
}
