import { hz } from '@fendrel/core';
import type { Due, KeptStrike, ListenerEvent, ListeningHabits, ReferenceTone, ToneProblem } from '@fendrel/core';

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

/** The listening worker as the page sees it. */
export interface ListeningWorker {
	/**
	 * Listens to the blocks of samples that come in through `port` until `close`; tells what it hears, and hands over the
	 * sound of each strike that was read once it has sounded.
	 */
	open(
		setup: ListeningSetup,
		port: MessagePort,
		onHeard: (events: ListenerEvent[], strikes: KeptStrike[]) => void
	): void;
	expect(due: Due | undefined): void;
	attend(habits: ListeningHabits): void;
	/** The rate that the sound card really has. */
	correct(sampleRate: number): void;
	/** Gathers so many seconds of what comes in, and measures a tone of known frequency in it. */
	reference(known: number, seconds: number): Promise<ReferenceTone | { readonly problem: ToneProblem }>;
	close(): void;
}
