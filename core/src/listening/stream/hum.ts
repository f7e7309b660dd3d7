import { hannWindow } from '../../numeric/hann';
import type { Hz } from '../../units/quantity';
import { hz } from '../../units/quantity';

/** Mains frequencies of the world. */
const MAINS = [50, 60] as const;
/** Lamps and transformers hum at these multiples; two of them must stand out. */
const HARMONICS = [1, 2, 3, 4, 6] as const;
const LEAST_HARMONICS = 2;
/** A harmonic stands this far above the sound on either side of it, and above digital silence. */
const STANDS_DB = 14;
const BESIDE_HZ = 7;
const LEAST_LEVEL_DB = -80;
const SECONDS = 1;
/** Multiples whose level is remembered while the mains hum. */
const REMEMBERED = 16;
/** Samples are averaged down to about this rate: nothing here lies above a few hundred Hz. */
const RATE = 3000;

/** A multiple of the mains reaches so far in a spectrum, and bends what is not this much louder. */
const HUM_REACH_BINS = 1.5;
const HUM_MARGIN = 3;

/** Listens between strikes for the mains, and remembers how loud each multiple is: a lamp's dimmer or a loose plug sings into low notes. */
export class HumWatch {
	/** The mains frequency that hums; undefined while none does. */
	hum: Hz | undefined;
	/** Amplitude of each multiple of the mains that hum, from the second on. */
	private readonly amplitudes = new Float64Array(REMEMBERED + 1);
	private readonly samples: Float32Array;
	private readonly window: Float64Array;
	/** Samples averaged to one, and the rate that they have then. */
	private readonly together: number;
	private readonly rate: number;
	private count = 0;
	private sum = 0;
	private summed = 0;

	constructor(private readonly sampleRate: number) {
		this.together = Math.max(1, Math.floor(sampleRate / RATE));
		this.rate = sampleRate / this.together;
		const length = Math.round(SECONDS * this.rate);
		this.samples = new Float32Array(length);
		this.window = hannWindow(length);
	}

	/** Takes samples of a quiet stretch; a strike in between begins the second anew. */
	push(samples: Float32Array, quiet: boolean, from = 0, to = samples.length): void {
		if (!quiet) {
			this.count = 0;
			this.sum = 0;
			this.summed = 0;
			return;
		}
		for (let i = from; i < to; i++) {
			this.sum += samples[i];
			if (++this.summed < this.together) continue;
			this.samples[this.count++] = this.sum / this.together;
			this.sum = 0;
			this.summed = 0;
			if (this.count < this.samples.length) continue;
			this.count = 0;
			this.hum = this.judge();
			for (let multiple = 1; multiple <= REMEMBERED; multiple++)
				this.amplitudes[multiple] = this.hum ? 10 ** (this.levelAt(multiple * this.hum) / 20) : 0;
		}
	}

	/** What lies on a multiple of the mains counts only when it is well above what hums there. @param size of the spectrum it was found in */
	without<T extends { readonly frequency: number; readonly magnitude: number }>(found: T[], size: number): T[] {
		if (!this.hum) return found;
		const reach = (HUM_REACH_BINS * this.sampleRate) / size;
		return found.filter(
			({ frequency, magnitude }) => (4 * magnitude) / size > HUM_MARGIN * this.amplitudeNear(frequency, reach)
		);
	}

	/** Amplitude that the hum has within `reach` Hz of a frequency; 0 when nothing hums there. */
	amplitudeNear(frequency: number, reach: number): number {
		if (!this.hum) return 0;
		const multiple = Math.round(frequency / this.hum);
		const isNear = multiple >= 1 && multiple <= REMEMBERED && Math.abs(frequency - multiple * this.hum) < reach;
		return isNear ? this.amplitudes[multiple] : 0;
	}

	private judge(): Hz | undefined {
		const found = MAINS.map((mains) => {
			const standing = HARMONICS.filter((harmonic) => {
				const at = harmonic * mains;
				const beside = Math.max(this.levelAt(at - BESIDE_HZ), this.levelAt(at + BESIDE_HZ));
				const level = this.levelAt(at);
				return level > LEAST_LEVEL_DB && level > beside + STANDS_DB;
			});
			return { mains, standing: standing.length };
		}).sort((a, b) => b.standing - a.standing);
		// 300 Hz belongs to both: the one with more of its own decides.
		return found[0].standing >= LEAST_HARMONICS && found[0].standing > found[1].standing
			? hz(found[0].mains)
			: undefined;
	}

	/** Level of one frequency over the second, in decibels of full scale. */
	private levelAt(frequency: number): number {
		const turn = (2 * Math.PI * frequency) / this.rate;
		const [dc, ds] = [Math.cos(turn), Math.sin(turn)];
		let [c, s, re, im] = [1, 0, 0, 0];
		for (let i = 0; i < this.samples.length; i++) {
			const value = this.samples[i] * this.window[i];
			re += value * c;
			im += value * s;
			const next = c * dc - s * ds;
			s = s * dc + c * ds;
			c = next;
		}
		return 20 * Math.log10((4 * Math.hypot(re, im)) / this.samples.length + 1e-9);
	}
}
