import type { LastingEvent, SteadyLimits } from '@fendrel/core';
import type { Task } from './protocol';

export interface LastingJob {
	readonly sampleRate: number;
	readonly limits: SteadyLimits;
	/** SoundBlocks come in here. */
	readonly samples: MessagePort;
}

export type LastingTasks = {
	/** Listens to tones that last until it is given up. */
	listen: Task<LastingJob, never, readonly LastingEvent[]>;
};
