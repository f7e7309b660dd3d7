import type { Due, ListenerEvent, ListeningHabits, ReferenceTone, StringReading, ToneProblem } from '@fendrel/core';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';
import type { Task } from './protocol';

/** Samples that follow each other, and the sound card's count at the first of them. */
export interface SoundBlock {
	readonly from: number;
	readonly samples: Float32Array<ArrayBuffer>;
}

export interface ListenJob {
	readonly setup: ListeningSetup;
	/** SoundBlocks come in here. */
	readonly samples: MessagePort;
	/** The sound waits for nobody: what is left out when the analysis falls behind is left out here. */
	readonly live: boolean;
	/** The sound of each strike that was read goes out here, once it has sounded. */
	readonly strikes?: MessagePort;
	/** The sound since keys were struck goes out here, a KeptPair each time that a word about it is due. */
	readonly pairs?: MessagePort;
}

/** What is heard of a block of samples. */
export interface Heard {
	readonly events: readonly ListenerEvent[];
	/** Strikes whose sound has gone out, to be looked at closer. */
	readonly kept: readonly StringReading[];
	/** The analysis does not keep up with the sound. */
	readonly behind: boolean;
}

export type ListeningTasks = {
	/** Listens until it is given up. */
	listen: Task<ListenJob, never, Heard>;
	expect: Task<Due | undefined, void>;
	/** Other habits, from the next strike on. */
	listenBy: Task<ListeningHabits, void>;
	/** The rate that the sound card really has. */
	correct: Task<number, void>;
	/** Gathers so many seconds of what comes in, and measures a tone of known frequency in it. */
	reference: Task<
		{ readonly known: number; readonly seconds: number },
		ReferenceTone | { readonly problem: ToneProblem }
	>;
};
