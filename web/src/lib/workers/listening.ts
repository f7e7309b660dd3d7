import {
	hz,
	type Due,
	type ListenerEvent,
	type ListeningHabits,
	type ReferenceTone,
	type StringReading,
	type ToneProblem
} from '@fendrel/core';
import type { Task } from './protocol';

/** What the listening worker is told of the instrument; functions cannot cross, so B comes as a table. */
export interface ListeningSetup {
	/** The rate that the sound card says it has. */
	readonly sampleRate: number;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	/** B of each note from `lowest` to `highest`. */
	readonly inharmonicity: readonly number[];
	readonly habits: ListeningHabits;
}

/** What a setup knows of an instrument, as the core takes it. */
export function expectedStrings({
	lowest,
	highest,
	a4,
	inharmonicity
}: Pick<ListeningSetup, 'lowest' | 'highest' | 'a4' | 'inharmonicity'>) {
	const inharmonicityAt = (note: number) => inharmonicity[Math.min(Math.max(note, lowest), highest) - lowest];
	return { lowest, highest, a4: hz(a4), inharmonicityAt };
}

export interface ListenJob {
	readonly setup: ListeningSetup;
	/** Blocks of samples come in here. */
	readonly samples: MessagePort;
	/** The sound of each strike that was read goes out here, once it has sounded. */
	readonly strikes: MessagePort | undefined;
}

/** What is heard of a block of samples. */
export interface Heard {
	readonly events: readonly ListenerEvent[];
	/** Strikes whose sound has gone out, to be looked at closer. */
	readonly kept: readonly StringReading[];
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
