import type { Answer } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { handOverSittings, keepHere } from './keptSittings';

/** Keeps what is answered in a sitting: on this device at once, on the server now and then and at the end. */
export class SittingKeeper {
	/** Why the server has not got it yet. */
	waits = $state<string | undefined>();
	private readonly id = uuid();
	private readonly beganAt = new Date().toISOString();

	/** @param each the server gets it after so many answers */
	constructor(
		private readonly userId: string,
		private readonly of: { readonly drill: string; readonly register: string },
		private readonly each: number
	) {}

	keep(trials: readonly Answer[], isOver: boolean): void {
		keepHere(this.userId, this.id, { ...this.of, beganAt: this.beganAt, trials: [...trials] as never });
		if (isOver || trials.length % this.each === 0)
			void handOverSittings(this.userId).then((waits) => {
				this.waits = waits;
			});
	}
}
