/// <reference lib="webworker" />
/* The sound card's samples, gathered into blocks and sent straight to the listening worker. */
declare class AudioWorkletProcessor {
	readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: unknown): void;

/** About 21 ms at 48 kHz: few enough messages, little enough delay. */
const BLOCK = 1024;

class Capture extends AudioWorkletProcessor {
	private block = new Float32Array(BLOCK);
	private filled = 0;
	private out: MessagePort | undefined;

	constructor() {
		super();
		this.port.onmessage = ({ data }: MessageEvent<MessagePort>) => (this.out = data);
	}

	process([input]: Float32Array[][]): boolean {
		const channel = input?.[0];
		// Without a source the time still runs: silence keeps the listener's clock right.
		const length = channel?.length ?? 128;
		for (let i = 0; i < length; i++) {
			this.block[this.filled++] = channel ? channel[i] : 0;
			if (this.filled === BLOCK) this.send();
		}
		return true;
	}

	private send(): void {
		if (this.out) {
			this.out.postMessage(this.block, [this.block.buffer]);
			this.block = new Float32Array(BLOCK);
		}
		this.filled = 0;
	}
}

registerProcessor('capture', Capture);
