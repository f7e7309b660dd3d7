import type { Due, KeptStrike, ListenerEvent } from '@fendrel/core';

/** What the listening worker is told of the instrument; functions cannot cross, so B comes as a table. */
export interface ListeningSetup {
	readonly sampleRate: number;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	/** B of each note from `lowest` to `highest`. */
	readonly inharmonicity: readonly number[];
}

/** The listening worker as the page sees it. */
export interface ListeningWorker {
	/**
	 * Listens to the blocks of samples that come in through `port` until `close`; tells what it hears, and hands over the
	 * sound of each blow that was read once it has sounded.
	 */
	open(
		setup: ListeningSetup,
		port: MessagePort,
		onEvents: (events: ListenerEvent[]) => void,
		onStrike: (strike: KeptStrike) => void
	): void;
	expect(due: Due | undefined): void;
	close(): void;
}
