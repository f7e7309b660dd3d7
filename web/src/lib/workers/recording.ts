import type { RecordedStrike } from '@fendrel/core';
import type { ListeningSetup } from './listening';

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

/** The worker that listens to recordings, as the page sees it. */
export interface RecordingWorker {
	/** @param strings left unmuted when it was made */
	read(
		file: Blob,
		setup: Omit<ListeningSetup, 'sampleRate'>,
		strings: number,
		onProgress: (progress: RecordingProgress) => void
	): Promise<RecordingProblem | undefined>;
}
