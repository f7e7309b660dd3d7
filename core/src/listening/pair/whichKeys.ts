import { bisector } from 'd3-array';
import { partialHz, type StiffString } from '../../strings/stiffString';
import { hzAbove } from '../../units/pitch';
import { cents } from '../../units/quantity';
import { findPeaks, Spectrum } from '../stream/spectrum';
import { HIGHEST_HZ, type PairSound } from './ownPartials';

/** Two keys by their notes. */
export interface Keys {
	readonly lower: number;
	readonly upper: number;
}

/** A note as the sound shows it. */
interface Comb {
	readonly note: number;
	/** Cents from where it is thought to stand. */
	readonly off: number;
	readonly string: StiffString;
	/** Which of the peaks it explains. */
	readonly peaks: ReadonlySet<number>;
	/** Share of its low partials that are not there. */
	readonly missing: number;
	readonly worth: number;
}

/** A note may stand so far from where it is thought to, in cents; looked for in steps. */
const FARTHEST = 60;
const STEP = 4;
/** A peak belongs to a partial within so many bins, or cents. */
const NEAR = { bins: 1.5, cents: 5 } as const;
const PARTIALS = 12;
/** A note that sounds shows its low partials; those under the room's rumble are not asked for. */
const LOW_PARTIALS = 6;
const RUMBLE_HZ = 60;
const MISSING_COSTS = 0.5;
/** A peak beside its partial explains so much less, where it just belongs to it. */
const BESIDE_COSTS = 0.3;
/** So much of the sound is looked at, in seconds. */
const SECONDS = 1.4;
const MOST_PEAKS = 60;
const DEEPEST_DB = 45;
/** Strings stand where they are thought to rather than a quarter-tone off, and two of an instrument alike. */
const OFF_COSTS = { each: 0.03, apart: 0.1 } as const;
/** Notes that are tried with each other. */
const TRIED = 12;
/** Keys that nobody asked for must explain so much more than those that somebody did. */
const UNASKED_COSTS = 0.12;
const WIDEST = 28;

/**
 * Which two keys sound, and where their strings stand roughly.
 * @param thought where each note of the compass is thought to stand; within 60 cents
 * @param asked keys that are rather expected than others; octaves and twelfths are found only among them, since every partial of
 * their upper note is one of the lower note's as well
 */
export function whichKeys(
	sound: PairSound,
	thought: (note: number) => StiffString,
	{ lowest, highest }: { readonly lowest: number; readonly highest: number },
	asked: readonly Keys[]
): { readonly keys: Keys; readonly lower: StiffString; readonly upper: StiffString } | undefined {
	const peaks = Peaks.of(sound);
	if (!peaks) return undefined;
	const combs = new Map<number, Comb>();
	for (let note = lowest; note <= highest; note++) combs.set(note, peaks.bestComb(note, thought(note)));
	let best: { readonly low: Comb; readonly high: Comb; readonly worth: number } | undefined;
	const weigh = (lower: number, upper: number, cost: number) => {
		const [low, high] = [combs.get(lower), combs.get(upper)];
		if (!low || !high) return;
		const worth = peaks.worthOf(low, high) - cost;
		if (!best || worth > best.worth) best = { low, high, worth };
	};
	for (const { lower, upper } of asked) weigh(lower, upper, 0);
	const likely = [...combs.values()].sort((a, b) => b.worth - a.worth).slice(0, TRIED);
	for (const { note: lower } of likely)
		for (const { note: upper } of likely) {
			const apart = upper - lower;
			if (apart > 2 && apart <= WIDEST && !isHidden(apart)) weigh(lower, upper, UNASKED_COSTS);
		}
	if (!best) return undefined;
	const { low, high } = best;
	return { keys: { lower: low.note, upper: high.note }, lower: low.string, upper: high.string };
}

/** Octave, twelfth, double octave, major seventeenth: every partial of the upper note meets one of the lower. */
export const isHidden = (semitones: number): boolean => [12, 19, 24, 28].includes(semitones);

/** A peak by how far it stands above the deepest that counts, in decibels. */
interface PeakLevel {
	readonly frequency: number;
	readonly level: number;
}

const byFrequency = bisector<PeakLevel, number>(({ frequency }) => frequency);

/** What stands out of a sound, and how well notes explain it. */
class Peaks {
	private readonly all: number;

	private constructor(
		private readonly peaks: readonly PeakLevel[],
		/** Hz from one bin of the spectrum to the next. */
		private readonly bin: number
	) {
		this.all = peaks.reduce((sum, { level }) => sum + level, 0);
	}

	/** @returns undefined when nothing stands out */
	static of({ samples, sampleRate }: PairSound): Peaks | undefined {
		const size = 2 ** Math.floor(Math.log2(Math.min(samples.length, SECONDS * sampleRate)));
		const spectrum = new Spectrum(size);
		spectrum.take(samples.subarray(0, size), size);
		const found = findPeaks(spectrum, sampleRate, MOST_PEAKS).filter(({ frequency }) => frequency < HIGHEST_HZ);
		const [loudest] = found;
		if (!loudest) return undefined;
		const peaks = found
			.map(({ frequency, magnitude }) => ({
				frequency,
				level: DEEPEST_DB + 20 * Math.log10(magnitude / loudest.magnitude)
			}))
			.filter(({ level }) => level > 0)
			.sort((a, b) => a.frequency - b.frequency);
		return new Peaks(peaks, sampleRate / size);
	}

	/** A note where it explains most. */
	bestComb(note: number, thought: StiffString): Comb {
		let best: Comb | undefined;
		for (let off = -FARTHEST; off <= FARTHEST; off += STEP) {
			const comb = this.combAt(note, thought, off);
			if (!best || comb.worth > best.worth) best = comb;
		}
		return best!;
	}

	private combAt(note: number, thought: StiffString, off: number): Comb {
		const string = { ...thought, flexiblePitch: hzAbove(thought.flexiblePitch, cents(off)) };
		const mine = new Set<number>();
		let [missing, low, explained] = [0, 0, 0];
		for (let n = 1; n <= PARTIALS; n++) {
			const at = partialHz(string, n);
			if (at > HIGHEST_HZ) break;
			const within = Math.max(NEAR.bins * this.bin, at * (2 ** (NEAR.cents / 1200) - 1));
			const nearest = this.nearest(at);
			const by = Math.abs(this.peaks[nearest].frequency - at);
			if (by <= within) {
				mine.add(nearest);
				explained += this.peaks[nearest].level * (1 - BESIDE_COSTS * (by / within) ** 2);
			}
			if (n <= LOW_PARTIALS && at > RUMBLE_HZ) {
				low++;
				if (by > within) missing++;
			}
		}
		const gone = low > 0 ? missing / low : 1;
		const worth = explained / this.all - MISSING_COSTS * gone - OFF_COSTS.each * (off / FARTHEST) ** 2;
		return { note, off, string, peaks: mine, missing: gone, worth };
	}

	/** How well two notes explain the sound together. */
	worthOf(low: Comb, high: Comb): number {
		const both = new Set([...low.peaks, ...high.peaks]);
		const explained = [...both].reduce((sum, i) => sum + this.peaks[i].level, 0) / this.all;
		const apart = Math.abs(low.off - high.off) / FARTHEST;
		return explained - MISSING_COSTS * (low.missing + high.missing) - OFF_COSTS.apart * apart;
	}

	/** Place of the peak that lies nearest. */
	private nearest(at: number): number {
		return byFrequency.center(this.peaks, at);
	}
}
