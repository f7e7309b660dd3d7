import type { Chord, LastingTone, Pluck, Strike, Surroundings } from '@fendrel/core';
import type { Task } from './protocol';

export interface PassageJob {
	/** The same passage in each tuning. */
	readonly versions: readonly (readonly Chord[])[];
	readonly sampleRate: number;
}

export interface SurroundingsJob {
	readonly surroundings: Surroundings;
	readonly seconds: number;
	readonly seed: number;
	readonly sampleRate: number;
}

type Samples = Float32Array<ArrayBuffer>;

export type SoundingTasks = {
	/** Renders each string of a strike by itself, so that each can be bent while it sounds. */
	strike: Task<readonly Strike[], readonly Samples[]>;
	/** What is heard besides the instrument. */
	surroundings: Task<SurroundingsJob, Samples | undefined>;
	/** Tones that last, together. */
	lasting: Task<{ readonly tones: readonly LastingTone[]; readonly sampleRate: number }, Samples>;
	/** A plucked string. */
	pluck: Task<{ readonly pluck: Pluck; readonly sampleRate: number }, Samples>;
	passage: Task<PassageJob, readonly Samples[]>;
};
