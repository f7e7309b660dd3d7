import type { KeptStrike, UnisonAnalysis } from '@fendrel/core';
import { transfer, wrap, type Remote } from 'comlink';
import type { UnisonWorker } from '$lib/workers/unison';
import Worker from '$lib/workers/unison.worker?worker';

/** What a blow told of the strings that sounded together. */
export interface HeardUnison {
	readonly note: number;
	/** Strings that were left unmuted. */
	readonly strings: number;
	readonly analysis: UnisonAnalysis;
}

/** Looks closer at each blow, in a worker of its own: the listening must not wait for it. */
export class Unison {
	heard = $state.raw<HeardUnison | undefined>();
	private worker: Worker | undefined;
	private remote: Remote<UnisonWorker> | undefined;
	private turn = 0;

	async hear({ note, string, samples, sampleRate }: KeptStrike, strings: number): Promise<void> {
		const turn = ++this.turn;
		this.worker ??= new Worker();
		this.remote ??= wrap<UnisonWorker>(this.worker);
		const analysis = await this.remote.analyse(transfer({ samples, sampleRate, string, strings }, [samples.buffer]));
		// A later blow has been heard meanwhile: what it says counts.
		if (turn === this.turn) this.heard = { note, strings, analysis };
	}

	close(): void {
		this.turn++;
		this.worker?.terminate();
	}
}
