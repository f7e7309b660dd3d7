/** The last seconds of a stream, of which stretches can be taken out. */
export class RecentSound {
	private readonly ring: Float32Array;
	private count = 0;

	/** @param startedAt seconds that had passed before, by the listener's clock */
	constructor(
		readonly sampleRate: number,
		seconds: number,
		private readonly startedAt = 0
	) {
		this.ring = new Float32Array(Math.ceil(seconds * sampleRate));
	}

	/** Seconds since the listener began. */
	get now(): number {
		return this.startedAt + this.count / this.sampleRate;
	}

	push(samples: Float32Array): void {
		const { ring } = this;
		for (let from = 0; from < samples.length;) {
			const at = this.count % ring.length;
			const take = Math.min(samples.length - from, ring.length - at);
			ring.set(samples.subarray(from, from + take), at);
			this.count += take;
			from += take;
		}
	}

	/** How many samples had come in by then. */
	at(seconds: number): number {
		return Math.round((seconds - this.startedAt) * this.sampleRate);
	}

	/** What is still kept of a stretch, given in samples, and where that begins. */
	cut(wantedFrom: number, wantedTo: number): { readonly from: number; readonly samples: Float32Array<ArrayBuffer> } {
		const { ring, count } = this;
		const from = Math.max(0, count - ring.length, wantedFrom);
		const to = Math.max(from, Math.min(count, wantedTo));
		const samples = new Float32Array(to - from);
		const first = from % ring.length;
		samples.set(ring.subarray(first, Math.min(ring.length, first + samples.length)));
		if (first + samples.length > ring.length)
			samples.set(ring.subarray(0, first + samples.length - ring.length), ring.length - first);
		return { from, samples };
	}
}
