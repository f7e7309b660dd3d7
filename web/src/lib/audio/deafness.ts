import type { ListenerEvent } from '@fendrel/core';

/** Takes no notice of a microphone while the page itself plays, nor of what still sounds afterwards, until the next strike. */
export class Deafness {
	deaf = false;
	private awaitsStrike = false;

	set(deaf: boolean): void {
		this.deaf = deaf;
		this.awaitsStrike ||= deaf;
	}

	reset(): void {
		this.deaf = this.awaitsStrike = false;
	}

	/** @returns what somebody who was not listening would still have noticed: levels, while deaf */
	pass(events: readonly ListenerEvent[]): readonly ListenerEvent[] {
		if (this.deaf) return events.filter(({ kind }) => kind === 'level');
		if (!this.awaitsStrike) return events;
		const next = events.findIndex(({ kind }) => kind === 'strike');
		this.awaitsStrike = next < 0;
		return next < 0 ? [] : events.slice(next);
	}
}
