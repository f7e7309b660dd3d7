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

/** Share of the power of all peaks that neither of two notes explains: what a third note, or a voice, adds. */
export function foreignShare({ samples, sampleRate }: PairSound, notes: readonly Explaining[]): number {
	const size = 2 ** Math.floor(Math.log2(samples.length));
	const spectrum = new Spectrum(size);
	spectrum.take(samples.subarray(0, size), size);
	const power = spectrum.magnitude.map((value) => value * value);
	const width = sampleRate / size;
	const [from, to] = [Math.ceil(LOWEST_HZ / width), Math.min(size / 2 - 2, Math.floor(HIGHEST_HZ / width))];
	let loudest = 0;
	for (let k = from; k < to; k++) loudest = Math.max(loudest, power[k]);
	const known = notes.flatMap(({ string, doubt }) =>
		Array.from({ length: PARTIALS }, (_, i) => ({
			frequency: partialHz(string, i + 1),
			within: 2 ** ((NEAR.cents + doubt) / 1200) - 1
		}))
	);
	const isKnown = (at: number) =>
		known.some(({ frequency, within }) => Math.abs(frequency - at) < Math.max(NEAR.bins * width, at * within));
	let [all, foreign] = [0, 0];
	for (let k = from; k < to; k++) {
		if (power[k] < QUIETEST * loudest || power[k] < power[k - 1] || power[k] <= power[k + 1]) continue;
		all += power[k];
		if (!isKnown(k * width)) foreign += power[k];
	}
	return all > 0 ? foreign / all : 0;
}
