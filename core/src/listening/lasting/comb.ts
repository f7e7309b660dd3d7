import { findPeaks, type Spectrum } from '../stream/spectrum';

/*
 * A tone that is kept going has harmonic overtones: a comb of peaks. It is known by that comb, never by a rise in level, since breath
 * and bow begin slowly.
 */

export interface Comb {
	/** Hz. */
	readonly pitch: number;
	/** Decibels of the comb over all else, and of the comb itself, relative to full scale. */
	readonly clarity: number;
	readonly level: number;
	/** Share of the power that belongs to one peak beside the comb: a second tone. */
	readonly foreign: number;
	/** Hz of that peak; 0 where there is none. */
	readonly foreignAt: number;
}

/** Tones that last lie between these, in Hz: the lowest bass reed, the highest pipe that is tuned by ear. */
const RANGE = { lowest: 50, highest: 4400 } as const;
const MOST_PEAKS = 40;
/** Peaks that may be a low harmonic of the tone, and which. */
const LOOKED_AT = 6;
const AS_HARMONIC = 8;
/** A peak belongs to the comb when it lies so near: bins, or a share of its frequency. */
const NEAR = { bins: 0.7, share: 0.003 } as const;
/** Of combs that explain nearly as much the highest is the tone: every one is also a comb of its half. */
const AS_GOOD = 0.02;
/** Two tones in a pure interval make a comb that no tone has: one has its first harmonic, or these where that is weak. */
const PROOFS = [[1], [2, 3, 5]] as const;
/** Harmonics that are looked for, and bins to either side that are theirs under a Hann window. */
const HARMONICS = 30;
const LOBE = 2.5;
/** Power from there on counts, in Hz: what rumbles below is no tone. */
const FROM = 45;
const TO = 9000;

const POWER_FLOOR = 1e-18;

/** The comb in a spectrum; undefined where there are no peaks to make one. @param spread how far harmonics may stand from it, as a share */
export function findComb(spectrum: Spectrum, sampleRate: number, spread: number = NEAR.share): Comb | undefined {
	const bin = sampleRate / spectrum.size;
	const peaks = findPeaks(spectrum, sampleRate, MOST_PEAKS).filter(
		({ frequency }) => frequency > FROM && frequency < TO
	);
	if (peaks.length === 0) return undefined;
	const all = peaks.reduce((sum, { magnitude }) => sum + magnitude ** 2, 0);
	const isNear = (frequency: number, pitch: number) => {
		const n = Math.round(frequency / pitch);
		return n >= 1 && Math.abs(frequency - n * pitch) < Math.max(NEAR.bins * bin, spread * frequency);
	};
	const explained = (pitch: number) =>
		peaks.reduce((sum, { frequency, magnitude }) => sum + (isNear(frequency, pitch) ? magnitude ** 2 : 0), 0) / all;
	const refined = (about: number) => {
		let [top, bottom] = [0, 0];
		for (const { frequency, magnitude } of peaks) {
			if (!isNear(frequency, about)) continue;
			const n = Math.round(frequency / about);
			top += magnitude * n * frequency;
			bottom += magnitude * n * n;
		}
		return bottom > 0 ? top / bottom : about;
	};
	const tried = peaks
		.slice(0, LOOKED_AT)
		.flatMap(({ frequency }) => Array.from({ length: AS_HARMONIC }, (_, k) => frequency / (k + 1)))
		.filter((pitch) => pitch >= RANGE.lowest && pitch <= RANGE.highest)
		.map((about) => {
			const pitch = refined(about);
			return { pitch, share: explained(pitch) };
		});
	const has = (pitch: number, n: number) =>
		peaks.some(({ frequency }) => Math.abs(frequency - n * pitch) < Math.max(NEAR.bins * bin, spread * frequency));
	const own = tried.filter(({ pitch }) => PROOFS.some((proof) => proof.every((n) => has(pitch, n))));
	if (own.length === 0) return undefined;
	const best = Math.max(...own.map(({ share }) => share));
	const { pitch } = own
		.filter(({ share }) => share >= best - AS_GOOD)
		.reduce((highest, each) => (each.pitch > highest.pitch ? each : highest));
	const foreign = peaks.find(({ frequency }) => !isNear(frequency, pitch));
	const { harmonic, rest } = powers(spectrum, pitch / bin, bin, spread);
	return {
		pitch,
		clarity: 10 * Math.log10((harmonic + POWER_FLOOR) / (rest + POWER_FLOOR)),
		level: 10 * Math.log10(harmonic + POWER_FLOOR) - 20 * Math.log10(spectrum.size / 4),
		foreign: foreign ? foreign.magnitude ** 2 / all : 0,
		foreignAt: foreign?.frequency ?? 0
	};
}

/** Power of the comb's bins, and of all others. @param pitch in bins */
function powers(
	{ magnitude }: Spectrum,
	pitch: number,
	bin: number,
	spread: number
): { readonly harmonic: number; readonly rest: number } {
	let [harmonic, rest] = [0, 0];
	const to = Math.min(magnitude.length, Math.floor(TO / bin));
	for (let k = Math.ceil(FROM / bin); k < to; k++) {
		const n = Math.round(k / pitch);
		const isOwn = n >= 1 && n <= HARMONICS && Math.abs(k - n * pitch) <= LOBE + spread * k;
		if (isOwn) harmonic += magnitude[k] ** 2;
		else rest += magnitude[k] ** 2;
	}
	return { harmonic, rest };
}
