import { onEnd } from './lifetime';

/** How loud each harmonic of a drone is, beginning with the first. */
const HARMONICS = [0, 1, 0.5, 0.3, 0.18, 0.1, 0.06] as const;
const LEVEL = 0.06;
/** What a microphone beside the loudspeaker hears of it. */
const OVERHEARD = 0.4;

/** A tone that the loudspeaker holds, to tune against. */
export class Drone {
	private readonly oscillator: OscillatorNode;
	private readonly gain: GainNode;

	/** @param told what hears it where there is no microphone, and how loud it is: 1 as usual */
	constructor(
		context: BaseAudioContext,
		pitch: number,
		lifetime: AbortSignal,
		{ overhears, loudness }: { readonly overhears: AudioNode | undefined; readonly loudness: number }
	) {
		this.gain = new GainNode(context, { gain: LEVEL * loudness });
		const imag = Float32Array.from(HARMONICS);
		const wave = context.createPeriodicWave(new Float32Array(imag.length), imag);
		this.oscillator = new OscillatorNode(context, { frequency: pitch, type: 'custom', periodicWave: wave });
		this.oscillator.connect(this.gain).connect(context.destination);
		if (overhears) this.gain.connect(new GainNode(context, { gain: OVERHEARD })).connect(overhears);
		this.oscillator.start();
		onEnd(lifetime, () => this.end());
	}

	end(): void {
		this.oscillator.disconnect();
		this.gain.disconnect();
	}
}
