/** The last samples of a stream, the oldest written over by the newest. */
export class SampleRing {
	readonly samples: Float32Array;
	/** Samples written since the beginning. */
	count = 0;
	private readonly wrapped: Float32Array;

	/**
	 * @param length a power of two
	 * @param slice how many of the last samples are asked for in one run
	 */
	constructor(
		length: number,
		private readonly slice: number
	) {
		this.samples = new Float32Array(length);
		this.wrapped = new Float32Array(slice);
	}

	write(from: Float32Array, start: number, length: number): void {
		const mask = this.samples.length - 1;
		for (let i = 0; i < length; i++) {
			const sample = from[start + i];
			// What no sound card sends, a broken file may hold.
			this.samples[(this.count + i) & mask] = sample >= -8 && sample <= 8 ? sample : 0;
		}
		this.count += length;
	}

	/** The last slice as one run of samples, and where it starts; it is good until the next write. */
	last(): { readonly samples: Float32Array; readonly start: number } {
		const { samples, wrapped, slice } = this;
		const mask = samples.length - 1;
		const from = (this.count - slice) & mask;
		if (from + slice <= samples.length) return { samples, start: from };
		for (let i = 0; i < slice; i++) wrapped[i] = samples[(from + i) & mask];
		return { samples: wrapped, start: 0 };
	}
}
