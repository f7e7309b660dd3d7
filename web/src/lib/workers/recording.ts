import type { RecordedStrike } from '@fendrel/core';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';
import type { Task } from './protocol';

export interface RecordingJob {
	readonly file: Blob;
	readonly setup: Omit<ListeningSetup, 'sampleRate'>;
	/** Left unmuted when it was made. */
	readonly strings: number;
}

/** How far a recording has been read. */
export interface RecordingProgress {
	/** 0 to 1, of the file. */
	readonly share: number;
	/** Seconds of sound so far. */
	readonly seconds: number;
	/** Strikes heard since the last time. */
	readonly found: readonly RecordedStrike[];
}

/** Why a file cannot be read, or not to its end. */
export type RecordingProblem =
	/** Not a sound file of any known kind. */
	| 'unknown'
	| 'empty'
	| 'too big'
	/** Fewer samples a second than strings need. */
	| 'coarse'
	/** Broken from some place on; what came before was read. */
	| 'broken';

export type RecordingTasks = {
	read: Task<RecordingJob, RecordingProblem | undefined, RecordingProgress>;
};
