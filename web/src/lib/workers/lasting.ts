import type { LastingEvent, SteadyLimits, Together, TogetherEvent } from '@fendrel/core';
import type { Task } from './protocol';

interface Heard {
	readonly sampleRate: number;
	/** SoundBlocks come in here. */
	readonly samples: MessagePort;
}
export interface LastingJob extends Heard {
	/** How still a tone that is kept going is to stand; null: strings that are plucked. */
	readonly limits: SteadyLimits | null;
}
/** What is heard beside the tones: a stroke of a file. */
export type ToneEvent = LastingEvent | { readonly kind: 'stroke' };

interface Order {
	/** The sound card's count of samples from which it holds: what was heard before may still wait to be listened to. */
	readonly from: number;
}
/** What the loudspeaker plays. */
export interface DroneOrder extends Order {
	/** In Hz; null: nothing any more. */
	readonly pitch: number | null;
}
/** Which tones are asked for. */
export interface AskOrder extends Order {
	readonly asked: Together;
}

export interface TogetherJob extends Heard {
	readonly asked: Together;
}

export type LastingTasks = {
	/** Listens to tones that last until it is given up. */
	listen: Task<LastingJob, never, readonly ToneEvent[]>;
	drone: Task<DroneOrder, void>;
	/** The same to tones that are known and sound together. */
	together: Task<TogetherJob, never, readonly TogetherEvent[]>;
	ask: Task<AskOrder, void>;
};
