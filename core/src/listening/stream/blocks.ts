/** Cuts a stream into blocks of one length, however it comes in. */
export class Blocks {
	/** The block that is full while `onBlock` is told. */
	readonly block: Float32Array;
	private filled = 0;

	constructor(readonly length: number) {
		this.block = new Float32Array(length);
	}

	push(samples: Float32Array, onBlock: (block: Float32Array) => void): void {
		for (let from = 0; from < samples.length;) {
			const take = Math.min(samples.length - from, this.length - this.filled);
			this.block.set(samples.subarray(from, from + take), this.filled);
			this.filled += take;
			from += take;
			if (this.filled < this.length) continue;
			this.filled = 0;
			onBlock(this.block);
		}
	}
}
