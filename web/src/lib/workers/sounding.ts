import type { Chord, Strike } from '@fendrel/core';

/** The sounding worker as the page sees it. */
export interface SoundingWorker {
	/** Renders each string of a strike by itself, so that each can be bent while it sounds. */
	render(strikes: readonly Strike[]): Float32Array<ArrayBuffer>[];
	/** Renders a passage as a whole. */
	passage(chords: readonly Chord[], sampleRate: number, seed: number): Float32Array<ArrayBuffer>;
}
