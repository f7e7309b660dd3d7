/** Q of the two sections that make a Butterworth filter of fourth order. */
const SECTIONS = [0.5412, 1.3066] as const;

/** Second-order section, direct form II transposed. */
interface Section {
	readonly b0: number;
	readonly b1: number;
	readonly a1: number;
	readonly a2: number;
	z1: number;
	z2: number;
}

/** High-pass filter of fourth order (Butterworth, by bilinear transform: Oppenheim & Schafer 2010, 7.2), sample by sample. */
export class HighPass {
	private readonly sections: readonly Section[];

	/**
	 * @param corner where it passes half the power, in Hz
	 * @throws RangeError when the corner does not lie below half the sample rate
	 */
	constructor(corner: number, sampleRate: number) {
		if (!(corner > 0 && corner < sampleRate / 2))
			throw new RangeError(`HighPass: a corner of ${corner} Hz at ${sampleRate} samples a second`);
		const turn = (2 * Math.PI * corner) / sampleRate;
		const cos = Math.cos(turn);
		this.sections = SECTIONS.map((q) => {
			const alpha = Math.sin(turn) / (2 * q);
			const a0 = 1 + alpha;
			const b0 = (1 + cos) / 2 / a0;
			return { b0, b1: -2 * b0, a1: (-2 * cos) / a0, a2: (1 - alpha) / a0, z1: 0, z2: 0 };
		});
	}

	/** What becomes of the next sample. */
	next(sample: number): number {
		let value = sample;
		for (const section of this.sections) {
			const { b0, b1, a1, a2 } = section;
			const out = b0 * value + section.z1;
			section.z1 = b1 * value - a1 * out + section.z2;
			section.z2 = b0 * value - a2 * out;
			value = out;
		}
		return value;
	}
}
