/** One sound in a context, which can be bent, faded and ended without a click. */
export class Voice {
	private readonly gain: GainNode;
	/** Seconds after the others begin. */
	after = 0;

	/** @param outputs where it goes */
	constructor(
		private readonly context: BaseAudioContext,
		private readonly source: AudioBufferSourceNode | OscillatorNode,
		level: number,
		outputs: readonly AudioNode[]
	) {
		this.gain = new GainNode(context, { gain: level });
		source.connect(this.gain);
		for (const output of outputs) this.gain.connect(output);
	}

	start(at: number, onended?: () => void): void {
		if (onended) this.source.onended = onended;
		this.source.start(at);
	}

	/** Goes to another level within about three times so many seconds. @param at from then on, by the context's clock */
	fade(to: number, seconds: number, at = this.context.currentTime): void {
		this.gain.gain.setTargetAtTime(to, at, seconds);
	}

	/** Stands so many cents from where it was made. */
	bend(cents: number): void {
		this.source.detune.setTargetAtTime(cents, this.context.currentTime, 0.015);
	}

	end(): void {
		this.fade(0, 0.004);
		this.source.stop(this.context.currentTime + 0.03);
	}
}

/** A source that plays samples once. */
export function sampled(
	context: BaseAudioContext,
	samples: Float32Array<ArrayBuffer>,
	sampleRate = context.sampleRate
): AudioBufferSourceNode {
	const buffer = context.createBuffer(1, samples.length, sampleRate);
	buffer.copyToChannel(samples, 0);
	return new AudioBufferSourceNode(context, { buffer });
}
