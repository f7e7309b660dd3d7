import { partialHz, type StiffString } from '../../strings/stiffString';
import { Spectrum } from '../stream/spectrum';
import { HIGHEST_HZ, type PairSound } from './ownPartials';

/** Peaks so far under the loudest say nothing. */
const QUIETEST = 10 ** (-30 / 10);
/** Partials by which a note may explain a peak. */
const PARTIALS = 40;
/** How near a peak lies to a partial that it belongs to: bins of the window's main lobe, and cents of a note that is known. */
const NEAR = { bins: 4, cents: 22 } as const;
/** Below that only the room speaks, in Hz. */
const LOWEST_HZ = 55;

/** A note, and how much further than one that is known it may stand from where it is thought to, in cents. */
export interface Explaining {
	readonly string: StiffString;
	readonly doubt: number;
}

/** The peaks of a sound's spectrum, in Hz, and the width of a bin. */
export interface SoundPeaks {
	readonly peaks: readonly { readonly frequency: number; readonly power: number }[];
	readonly width: number;
}

export function peaksOf({ samples, sampleRate }: PairSound): SoundPeaks {
	const size = 2 ** Math.floor(Math.log2(samples.length));
	const spectrum = new Spectrum(size);
	spectrum.take(samples.subarray(0, size), size);
	const power = spectrum.magnitude.map((value) => value * value);
	const width = sampleRate / size;
	const [from, to] = [Math.ceil(LOWEST_HZ / width), Math.min(size / 2 - 2, Math.floor(HIGHEST_HZ / width))];
	let loudest = 0;
	for (let k = from; k < to; k++) loudest = Math.max(loudest, power[k]);
	const peaks: { readonly frequency: number; readonly power: number }[] = [];
	for (let k = from; k < to; k++) {
		if (power[k] < QUIETEST * loudest || power[k] < power[k - 1] || power[k] <= power[k + 1]) continue;
		peaks.push({ frequency: k * width, power: power[k] });
	}
	return { peaks, width };
}

/** How near a partial a peak must lie to belong to it, in Hz. */
export const peakReach = (frequency: number, doubt: number, width: number) =>
	Math.max(NEAR.bins * width, frequency * (2 ** ((NEAR.cents + doubt) / 1200) - 1));

/** Share of the power of all peaks that none of the notes explains: what another note, or a voice, adds. */
export function foreignShare({ peaks, width }: SoundPeaks, notes: readonly Explaining[]): number {
	const known = notes.flatMap(({ string, doubt }) =>
		Array.from({ length: PARTIALS }, (_, i) => ({ frequency: partialHz(string, i + 1), doubt }))
	);
	const isKnown = (at: number) =>
		known.some(({ frequency, doubt }) => Math.abs(frequency - at) < peakReach(at, doubt, width));
	let [all, foreign] = [0, 0];
	for (const { frequency, power } of peaks) {
		all += power;
		if (!isKnown(frequency)) foreign += power;
	}
	return all > 0 ? foreign / all : 0;
}
