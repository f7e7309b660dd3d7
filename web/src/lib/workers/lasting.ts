import type { LastingEvent, SteadyLimits, Together, TogetherEvent } from '@fendrel/core';
import type { Task } from './protocol';

interface Heard {
	readonly sampleRate: number;
	/** SoundBlocks come in here. */
	readonly samples: MessagePort;
}
export interface LastingJob extends Heard {
	readonly limits: SteadyLimits;
}
export interface TogetherJob extends Heard {
	readonly asked: Together;
}

export type LastingTasks = {
	/** Listens to tones that last until it is given up. */
	listen: Task<LastingJob, never, readonly LastingEvent[]>;
	/** The same to tones that are known and sound together. */
	together: Task<TogetherJob, never, readonly TogetherEvent[]>;
	/** Other tones are asked for from now on. */
	ask: Task<Together, void>;
};
