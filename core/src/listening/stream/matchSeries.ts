import { flexiblePitchOf, partialRatio, partialSharpness } from '../../strings/stiffString';

/** Costs of a slot in the series without a peak, against 1 for a sound explained in full. */
const MISSING_COST = 0.6;
/** Below this pitch a partial may be missing from a small soundboard or microphone. */
const WEAK_BELOW_HZ = 90;
const WEAK_MISSING = 0.25;
/** Above that pitch a string without its first partial is most likely two others, a fifth or so apart. */
const NO_FIRST_COST = 0.3;
const HIGHEST_PARTIAL = 40;
/**
 * Bass strings sound far beyond it, more softly. What fits there closely, as a share of F, is theirs; what is missing there
 * costs nothing.
 */
const BEYOND = { partial: 90, closeness: 0.15, loudest: 0.45 } as const;
/** The strings of a unison, and the tremor of an attack, put several peaks about one partial. */
const UNISON_CENTS = 25;
const UNISON_BINS = 2.5;
/** How far a peak may lie from its slot, in cents, whatever B is. */
const SLOT_CENTS = 14;
/** How wrong a typical B may be: the slot widens by this share of the partial's sharpness. */
const B_DOUBT = 0.6;
/** Sharpness in cents from which a partial says enough of B to correct it. */
const TELLING_SHARPNESS = 12;

/** Peaks of a spectrum by pitch, with the weight that each has. */
export interface WeightedPeaks {
	readonly frequencies: readonly number[];
	readonly weights: readonly number[];
	/** Hz from one bin of the spectrum to the next. */
	readonly resolution: number;
}

/** How well peaks make one string's series. */
export interface SeriesMatch {
	readonly score: number;
	readonly explained: number;
	readonly matched: number;
	readonly firstPartial: number;
	readonly inharmonicity: number;
	/** Weight matched by each partial, 1 first. */
	readonly byPartial: readonly number[];
}

/** How far from its slot a partial is looked for. */
function toleranceAt(
	slot: number,
	sharpness: number,
	flexiblePitch: number,
	resolution: number,
	corrected: boolean
): number {
	const doubt = SLOT_CENTS + (corrected ? 0.15 : B_DOUBT) * sharpness;
	return Math.min(0.4 * flexiblePitch, Math.max(0.6 * resolution, slot * (2 ** (doubt / 1200) - 1)));
}

/** Peaks that have been given to a partial, and those that are left. */
class Taken {
	private readonly used: boolean[];
	private first = 0;
	explained = 0;
	readonly byPartial = new Array<number>(HIGHEST_PARTIAL).fill(0);

	constructor(private readonly peaks: WeightedPeaks) {
		this.used = new Array<boolean>(peaks.frequencies.length).fill(false);
	}

	/** The strongest peak near a slot that is left; slots come in rising order. @returns -1 when there is none */
	strongestNear(slot: number, tolerance: number): number {
		const { frequencies, weights } = this.peaks;
		while (this.first < frequencies.length && frequencies[this.first] < slot - tolerance) this.first++;
		let nearest = -1;
		for (let i = this.first; i < frequencies.length && frequencies[i] <= slot + tolerance; i++)
			if (!this.used[i] && (nearest < 0 || weights[i] > weights[nearest])) nearest = i;
		return nearest;
	}

	/** Gives a partial the peak that was measured, and those of its unison. */
	give(partial: number, measured: number): void {
		const { frequencies, weights, resolution } = this.peaks;
		const unison = Math.max(UNISON_BINS * resolution, measured * (2 ** (UNISON_CENTS / 1200) - 1));
		for (let i = 0; i < frequencies.length; i++) {
			if (this.used[i] || Math.abs(frequencies[i] - measured) > unison) continue;
			this.used[i] = true;
			this.explained += weights[i];
			if (partial <= HIGHEST_PARTIAL) this.byPartial[partial - 1] += weights[i];
		}
	}
}

/**
 * Walks up the series from the first partial, adjusting F and B to what it meets.
 * @param total weight of all the sound that counts against this series
 */
export function matchSeries(peaks: WeightedPeaks, total: number, first: number, typicalB: number): SeriesMatch {
	const { frequencies, resolution } = peaks;
	const taken = new Taken(peaks);
	let b = typicalB;
	let flexiblePitch = flexiblePitchOf(first, b);
	/** The partial that fixed F, which holds whatever B turns out to be. */
	let anchor = { partial: 1, frequency: first };
	let [matched, missing, pending, noFirst] = [0, 0, 0, 0];
	let corrected = false;
	const highest = frequencies[frequencies.length - 1] + resolution;
	for (let n = 1; n <= BEYOND.partial; n++) {
		const isBeyond = n > HIGHEST_PARTIAL;
		const slot = flexiblePitch * partialRatio(b, n);
		const sharpness = partialSharpness(b, n);
		const near = toleranceAt(slot, sharpness, flexiblePitch, resolution, corrected);
		const tolerance = isBeyond ? Math.min(near, BEYOND.closeness * flexiblePitch) : near;
		if (slot - tolerance > highest) break;
		const peak = taken.strongestNear(slot, tolerance);
		if (peak >= 0 && isBeyond && peaks.weights[peak] > BEYOND.loudest) continue;
		if (peak < 0) {
			if (n === 1 && slot > 1.3 * WEAK_BELOW_HZ) noFirst = NO_FIRST_COST;
			if (!isBeyond) pending += slot < WEAK_BELOW_HZ ? WEAK_MISSING : 1;
			continue;
		}
		const measured = frequencies[peak];
		taken.give(n, measured);
		if (!isBeyond) {
			matched++;
			missing += pending;
			pending = 0;
		}
		if (matched === 1 && !isBeyond) anchor = { partial: n, frequency: measured };
		else if (sharpness > TELLING_SHARPNESS) {
			const fitting = ((measured / (n * flexiblePitch)) ** 2 - 1) / (n * n);
			b = Math.min(Math.max(b + (corrected ? 0.5 : 0.9) * (fitting - b), 0.12 * typicalB), 5 * typicalB);
			corrected = true;
		}
		flexiblePitch = flexiblePitchOf(anchor.frequency, b, anchor.partial);
	}
	const share = taken.explained / total;
	return {
		score: share - noFirst - (MISSING_COST * missing) / Math.max(1, matched + missing),
		explained: share,
		matched,
		firstPartial: flexiblePitch * partialRatio(b, 1),
		inharmonicity: b,
		byPartial: taken.byPartial
	};
}
