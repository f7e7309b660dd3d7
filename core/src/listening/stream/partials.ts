import { partialRatio } from '../../strings/stiffString';
import type { PartialFrequency } from './stringFit';
import type { Spectrum } from './spectrum';

/** A partial as one frame shows it. */
export interface FramePartial extends PartialFrequency {
	readonly magnitude: number;
	/** From the phase between two frames; a first frame has only its peak. */
	readonly byPhase: boolean;
}

const MOST_PARTIALS = 16;
/** A partial counts while it stands this far above the noise scale. */
const CLARITY = 6;
/** A parabola through a Hann peak is off by up to this many bins. */
const PEAK_ERROR_BINS = 0.03;

/**
 * Measures the partials of a known string in a frame: peak near its slot, then the phase gained since
 * the frame before, which fixes the frequency between the two (Flanagan & Golden 1966).
 * @param advance samples between the frame before and this one; 0 when there is none of the same strike
 */
export function measurePartials(
	spectrum: Spectrum,
	sampleRate: number,
	flexiblePitch: number,
	inharmonicity: number,
	advance: number
): FramePartial[] {
	const { size, magnitude } = spectrum;
	const binHz = sampleRate / size;
	const found: FramePartial[] = [];
	for (let n = 1; n <= MOST_PARTIALS; n++) {
		const slot = flexiblePitch * partialRatio(inharmonicity, n);
		if (slot > 0.45 * sampleRate) break;
		// Half the way to the neighbour at most, or a strong neighbour would be taken for it.
		const reach = Math.min(0.4 * flexiblePitch, Math.max(1.5 * binHz, slot * 0.012));
		const from = Math.max(2, Math.round((slot - reach) / binHz));
		const to = Math.min(magnitude.length - 3, Math.round((slot + reach) / binHz));
		let bin = from;
		for (let k = from + 1; k <= to; k++) if (magnitude[k] > magnitude[bin]) bin = k;
		const floor = spectrum.floorAt(bin);
		const isPeak = magnitude[bin] >= magnitude[bin - 1] && magnitude[bin] >= magnitude[bin + 1];
		if (!isPeak || magnitude[bin] < CLARITY * floor) continue;
		const rough = spectrum.refinedBin(bin) * binHz;
		if (advance === 0) {
			found.push({
				partial: n,
				frequency: rough,
				error: PEAK_ERROR_BINS * binHz,
				magnitude: magnitude[bin],
				byPhase: false
			});
			continue;
		}
		const seconds = advance / sampleRate;
		const turns = spectrum.phaseStep(bin) / (2 * Math.PI);
		const frequency = (Math.round(rough * seconds - turns) + turns) / seconds;
		// Noise of two overlapping frames is mostly shared: what is left grows as the step over the frame.
		const unshared = Math.min(1, (2.6 * advance) / size);
		const phaseError = (floor / magnitude[bin]) * unshared;
		found.push({
			partial: n,
			frequency,
			error: phaseError / (2 * Math.PI * seconds),
			magnitude: magnitude[bin],
			byPhase: true
		});
	}
	return found;
}
