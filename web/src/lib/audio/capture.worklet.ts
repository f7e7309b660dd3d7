/// <reference lib="webworker" />
import type { SoundBlock } from '$lib/workers/listening';
import type { CaptureOrder, SoundGap } from './captureOrder';

/* The sound card's samples, gathered into blocks and sent straight to the listening worker. */
declare class AudioWorkletProcessor {
	readonly port: MessagePort;
}
/** The sound card's count of samples, at the first one of what `process` is given. */
declare const currentFrame: number;
declare function registerProcessor(name: string, processor: unknown): void;

/** About 21 ms at 48 kHz: few enough messages, little enough delay. */
const BLOCK = 1024;

class Capture extends AudioWorkletProcessor {
	private block = new Float32Array(BLOCK);
	private filled = 0;
	/** Count of samples at the block's beginning. */
	private from = 0;
	private out: MessagePort | undefined;
	/** What is to be lost, as if the sound card had not kept up. */
	private gap: SoundGap | undefined;

	constructor() {
		super();
		this.port.onmessage = ({ data }: MessageEvent<CaptureOrder>) => {
			if ('out' in data) this.out = data.out;
			else this.gap = data.gap;
		};
	}

	process([input]: Float32Array[][]): boolean {
		const channel = input?.[0];
		// Without a source the time still runs: silence keeps the listener's clock right.
		const length = channel?.length ?? 128;
		if (currentFrame !== this.from + this.filled) {
			// What was left out in between is not pasted over.
			if (this.filled) this.send();
			this.from = currentFrame;
		}
		for (let i = 0; i < length; i++) {
			this.block[this.filled++] = channel ? channel[i] : 0;
			if (this.filled === BLOCK) this.send();
		}
		return true;
	}

	private send(): void {
		const { gap } = this;
		const isLost = gap && this.from < gap.to && this.from + this.filled > gap.from;
		if (this.out && !isLost) {
			const samples = this.filled === BLOCK ? this.block : this.block.slice(0, this.filled);
			this.out.postMessage({ from: this.from, samples } satisfies SoundBlock, [samples.buffer]);
			this.block = new Float32Array(BLOCK);
		}
		this.from += this.filled;
		this.filled = 0;
	}
}

registerProcessor('capture', Capture);
