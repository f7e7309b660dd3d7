import type { StringReading, UnisonAnalysis } from '@fendrel/core';
import type { Task } from './protocol';

export interface LookJob {
	/** Which strike: when it fell, by the listener's clock. */
	readonly struckAt: number;
	/** Strings left unmuted. */
	readonly strings: number;
}

/** What a closer look at a strike told. */
export interface Look {
	readonly reading: StringReading;
	readonly analysis: UnisonAnalysis;
}

/** Sound as it is played or kept. */
export interface StrikeSound {
	readonly samples: Float32Array<ArrayBuffer>;
	readonly sampleRate: number;
}

export type LastStrikeTasks = {
	/** Takes the sound of strikes from the listening worker through a port. */
	keep: Task<MessagePort, void>;
	/** Analyses a strike, as soon as its sound is there; undefined when a later one has taken its place. */
	look: Task<LookJob, Look | undefined>;
	/** One partial of the strike looked at last alone, then in the whole; undefined when it cannot be parted. */
	partial: Task<number, StrikeSound | undefined>;
	/** The strike looked at last, from its beginning; undefined before there is one. */
	whole: Task<undefined, StrikeSound | undefined>;
};
