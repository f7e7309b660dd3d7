import { hannWindow } from '../../numeric/hann';
import FFT from 'fft.js';

/** Bins in which the floor is taken as one value. */
const FLOOR_BAND = 48;
/** Share of bins at or below which only noise is assumed, even in a bass chord of partials. */
const FLOOR_SHARE = 0.3;
/** A Rayleigh variable lies below 0.8446 of its scale parameter 30 % of the time. */
const FLOOR_TO_SIGMA = 1 / Math.sqrt(-2 * Math.log(1 - FLOOR_SHARE));

/** A Hann-windowed spectrum over `size` samples, made again and again into the same buffers. */
export class Spectrum {
	readonly size: number;
	/** Complex values, real and imaginary in turn, bins 0 to size / 2. */
	bins: Float64Array;
	/** The same of the frame before. */
	before: Float64Array;
	readonly magnitude: Float64Array;
	/** Noise scale (Rayleigh) by bin band; NaN until somebody asks for it. */
	private readonly floor: Float64Array;
	private readonly band = new Float64Array(FLOOR_BAND);
	private readonly fft: FFT;
	private readonly window: Float64Array;
	private readonly input: Float64Array;

	constructor(size: number) {
		this.size = size;
		this.fft = new FFT(size);
		this.bins = new Float64Array(2 * size);
		this.before = new Float64Array(2 * size);
		this.magnitude = new Float64Array(size / 2);
		this.floor = new Float64Array(Math.ceil(size / 2 / FLOOR_BAND));
		this.input = new Float64Array(size);
		this.window = hannWindow(size);
	}

	/** Transforms the last `size` samples of a ring that ends before `end`. */
	take(ring: Float32Array, end: number): void {
		[this.bins, this.before] = [this.before, this.bins];
		const mask = ring.length - 1;
		for (let i = 0; i < this.size; i++) this.input[i] = ring[(end - this.size + i) & mask] * this.window[i];
		// fft.js declares plain arrays and works on any indexed numbers.
		this.fft.realTransform(this.bins as unknown as number[], this.input as unknown as number[]);
		// Math.hypot guards against overflow that sound cannot cause, at ten times the price.
		const { bins, magnitude } = this;
		for (let k = 0; k < magnitude.length; k++) {
			const re = bins[2 * k];
			const im = bins[2 * k + 1];
			magnitude[k] = Math.sqrt(re * re + im * im);
		}
		this.floor.fill(NaN);
	}

	floorAt(bin: number): number {
		const at = Math.min(Math.floor(bin / FLOOR_BAND), this.floor.length - 1);
		if (Number.isNaN(this.floor[at])) this.floor[at] = this.quietOf(at) * FLOOR_TO_SIGMA + 1e-9;
		return this.floor[at];
	}

	/** The value below which FLOOR_SHARE of a band's bins lie. */
	private quietOf(at: number): number {
		const from = at * FLOOR_BAND;
		const count = Math.min(FLOOR_BAND, this.magnitude.length - from);
		const band = count === FLOOR_BAND ? this.band : this.band.subarray(0, count);
		for (let i = 0; i < count; i++) band[i] = this.magnitude[from + i];
		band.sort();
		const place = FLOOR_SHARE * (count - 1);
		const below = Math.floor(place);
		return band[below] + (place - below) * (band[Math.min(below + 1, count - 1)] - band[below]);
	}

	/** Bin of a local maximum refined by a parabola through the logarithms; good to about 0.02 bin under a Hann window. */
	refinedBin(bin: number): number {
		const left = Math.log(this.magnitude[bin - 1] + 1e-12);
		const middle = Math.log(this.magnitude[bin] + 1e-12);
		const right = Math.log(this.magnitude[bin + 1] + 1e-12);
		const bend = left - 2 * middle + right;
		return bend < 0 ? bin + (0.5 * (left - right)) / bend : bin;
	}

	/**
	 * Phase gained since the frame before at a peak, from three bins weighted by power, in (-pi, pi].
	 */
	phaseStep(bin: number): number {
		let re = 0;
		let im = 0;
		for (let k = bin - 1; k <= bin + 1; k++) {
			const a = this.bins[2 * k];
			const b = this.bins[2 * k + 1];
			const c = this.before[2 * k];
			const d = this.before[2 * k + 1];
			re += a * c + b * d;
			im += b * c - a * d;
		}
		return Math.atan2(im, re);
	}
}

/** A peak of a spectrum. */
export interface Peak {
	readonly frequency: number;
	readonly magnitude: number;
}

/** A peak so near a stronger one, and so much weaker, is that one's skirt: decay and attack widen every peak. */
const SKIRT_BINS = 5;
const SKIRT_RATIO = 0.25;

/** Local maxima that stand `clarity` times above the noise scale and within 60 dB of the strongest, strongest first. */
export function findPeaks(spectrum: Spectrum, sampleRate: number, most: number, clarity = 6): Peak[] {
	const { magnitude, size } = spectrum;
	const lowest = Math.max(2, Math.ceil((20 * size) / sampleRate));
	let top = 0;
	for (let k = lowest; k < magnitude.length; k++) if (magnitude[k] > top) top = magnitude[k];
	const peaks: Peak[] = [];
	for (let k = lowest; k < magnitude.length - 2; k++) {
		const here = magnitude[k];
		if (here < 1e-3 * top || here < magnitude[k - 1] || here <= magnitude[k + 1]) continue;
		const floor = spectrum.floorAt(k);
		if (here < clarity * floor) continue;
		peaks.push({ frequency: (spectrum.refinedBin(k) * sampleRate) / size, magnitude: here });
	}
	const strongestFirst = peaks.sort((a, b) => b.magnitude - a.magnitude);
	const skirt = (SKIRT_BINS * sampleRate) / size;
	const standing = strongestFirst.filter(
		(peak, i) =>
			!strongestFirst
				.slice(0, i)
				.some(
					(other) =>
						Math.abs(other.frequency - peak.frequency) < skirt && peak.magnitude < SKIRT_RATIO * other.magnitude
				)
	);
	return standing.slice(0, most);
}
