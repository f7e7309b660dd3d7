import type { KeptStrike, UnisonAnalysis } from '@fendrel/core';

/** The worker that looks closer at the last strike, as the page sees it. */
export interface LastStrikeWorker {
	/** Keeps the strike and analyses it. @param strings left unmuted */
	look(strike: KeptStrike, strings: number): UnisonAnalysis;
	/** One partial of the kept strike alone, then in the whole; undefined when it cannot be parted. */
	partial(partial: number): { readonly samples: Float32Array<ArrayBuffer>; readonly sampleRate: number } | undefined;
}
