import type { AskedKeys, ChordWord, PairWord } from '@fendrel/core';
import type { Task } from './protocol';

/** What is known of the instrument before two keys are struck; functions cannot cross, so strings come as tables. */
export interface KeyboardTable {
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	/** F and B of each note's string as it is thought to stand, from `lowest` to `highest`. */
	readonly strings: readonly { readonly flexiblePitch: number; readonly inharmonicity: number }[];
	/** How many strings of each note sound. */
	readonly counts: readonly number[];
}

export interface AskJob {
	readonly keyboard: KeyboardTable;
	/** Keys that are rather expected than others. */
	readonly asked: readonly AskedKeys[];
	/** Chords are played. */
	readonly chords: boolean;
}

export type PairTasks = {
	/** From now on keys are heard with this in mind. */
	ask: Task<AskJob, void>;
	/** Tells of keys whose sound comes in through a port, until it is given up; of sounds that wait only the newest. */
	hear: Task<MessagePort, never, PairWord | ChordWord>;
};
