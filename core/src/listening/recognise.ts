import { A4, equalHz } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';
import type { Peak } from './spectrum';

/** What is known of the instrument before it is heard. */
export interface ExpectedStrings {
	readonly lowest: number;
	readonly highest: number;
	/** Roughly where A4 stands now. */
	readonly a4: Hz;
	readonly inharmonicityAt: (note: number) => number;
}

/** A note found among peaks. */
export interface RecognisedNote {
	/** Roughly, in Hz; to be refined. */
	readonly firstPartial: number;
	readonly inharmonicity: number;
	/** 0 to 1: how well the peaks make one string. */
	readonly score: number;
	/** 0 to 1: share of the sound that does not belong to the string. */
	readonly foreign: number;
}

/** Costs of a slot in the series without a peak, against 1 for a sound explained in full. */
const MISSING_COST = 0.6;
/** Below this pitch a partial may be missing from a small soundboard or microphone. */
const WEAK_BELOW_HZ = 90;
const WEAK_MISSING = 0.25;
/** Above that pitch a string without its first partial is most likely two others, a fifth or so apart. */
const NO_FIRST_COST = 0.3;
const HIGHEST_PARTIAL = 40;
/** The strings of a unison, and the tremor of an attack, put several peaks about one partial. */
const UNISON_CENTS = 25;
const UNISON_BINS = 2.5;
/** Pitch below which a struck key's knock rings. */
const KNOCK_BELOW_HZ = 150;
const KNOCK_WEIGHT = 0.6;
/** From there on the knock outlasts the string and may be louder; it reaches up to this share of the string's pitch. */
const SHORT_STRING_HZ = 1000;
const LOUD_KNOCK_SHARE = 0.12;
/** Share of the sound outside the string's own series from which a second note is sounding; one string alone leaves under 0.1. */
const SECOND_NOTE = 0.17;
/** The top strings have no dampers and ring along with each other: there a second note shows by more. */
const UNDAMPED = { fromHz: 1400, toHz: 3000, secondNote: 0.36 } as const;
/** A low string shows at least so many partials; fewer are a knock. */
export const LEAST_IN_BASS = 4;
/** Weak partials must count, or a bass string would be its strongest partial; the weakest must not decide. */
const WEIGHT_EXPONENT = 0.8;
/** How far a peak may lie from its slot, in cents, whatever B is. */
const SLOT_CENTS = 14;
/** How wrong a typical B may be: the slot widens by this share of the partial's sharpness. */
const B_DOUBT = 0.6;
/** Sharpness in cents from which a partial says enough of B to correct it. */
const TELLING_SHARPNESS = 12;
const PRIOR = 0.06;
/** Semitones beyond the keyboard's ends at which its last strings may still stand. */
const BEYOND = 1.2;

interface Match {
	readonly score: number;
	readonly explained: number;
	readonly matched: number;
	readonly firstPartial: number;
	readonly inharmonicity: number;
	/** Weight matched by each partial, 1 first. */
	readonly byPartial: readonly number[];
}

/**
 * Finds the string whose inharmonic series explains most of the peaks with the fewest gaps.
 * The expected note gains a small head start, no more: a wrong key is noticed.
 * @param peaks strongest first
 * @returns undefined when no series reaches a score of 0.5
 */
export function recogniseNote(
	peaks: readonly Peak[],
	strings: ExpectedStrings,
	resolution: number,
	expected?: Hz
): RecognisedNote | undefined {
	if (peaks.length === 0) return undefined;
	const top = peaks.find(({ frequency }) => frequency > KNOCK_BELOW_HZ)?.magnitude ?? peaks[0].magnitude;
	const byPitch = [...peaks].sort((a, b) => a.frequency - b.frequency);
	const weights = byPitch.map((peak) => (peak.magnitude / top) ** WEIGHT_EXPONENT);
	const frequencies = byPitch.map((peak) => peak.frequency);
	const best = bestSeries(frequencies, weights, strings, resolution, expected);
	if (!best || best.score < 0.5) return undefined;
	if (best.firstPartial < KNOCK_BELOW_HZ && best.matched < LEAST_IN_BASS) return undefined;
	return {
		firstPartial: best.firstPartial,
		inharmonicity: best.inharmonicity,
		score: best.score,
		foreign: isPair(best) ? 1 : 1 - best.explained + loners(best)
	};
}

/** From this partial on a string's partials die away together: one that stands far above those about it is another note's. */
const LONER_FROM = 10;
const LONER_NEIGHBOURS = 4;
const LONER_RATIO = 3;

/** Share of the sound in high partials that stand alone. */
function loners({ byPartial, explained }: Match): number {
	const total = byPartial.reduce((sum, weight) => sum + weight, 0);
	const alone = byPartial.reduce((sum, weight, i) => {
		if (i + 1 < LONER_FROM) return sum;
		const about = byPartial.slice(i - LONER_NEIGHBOURS, i + LONER_NEIGHBOURS + 1);
		const next = Math.max(...about.filter((_, k) => k !== LONER_NEIGHBOURS));
		return weight > LONER_RATIO * next ? sum + weight : sum;
	}, 0);
	return total > 0 ? (explained * alone) / total : 0;
}

/**
 * Two notes whose pitches stand as small whole numbers make the series of a third, lower one, with every
 * partial missing that belongs to neither: C4 and G4 look like C3 without its 1st, 5th, 7th and 11th.
 */
const PAIRS = [
	[2, 3],
	[3, 4],
	[2, 5],
	[3, 5],
	[4, 5],
	[3, 8],
	[4, 9]
] as const;
/** A single string has more than this share of its sound in such partials. */
const OWN_SHARE = 0.04;

function isPair({ byPartial, explained, matched }: Match): boolean {
	if (matched < 3) return false;
	return PAIRS.some(([p, q]) => {
		const own = byPartial.reduce((sum, weight, i) => ((i + 1) % p && (i + 1) % q ? sum + weight : sum), 0);
		return own < OWN_SHARE * explained;
	});
}

function bestSeries(
	frequencies: readonly number[],
	weights: readonly number[],
	strings: ExpectedStrings,
	resolution: number,
	expected?: Hz
): Match | undefined {
	const low = equalHz(strings.lowest - BEYOND, strings.a4);
	const high = equalHz(strings.highest + BEYOND, strings.a4);
	const strongest = weights
		.map((weight, i) => ({ weight, i }))
		.sort((a, b) => b.weight - a.weight)
		.slice(0, 10);
	let best: Match | undefined;
	const tried: number[] = [];
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	// The knock of key and hammer rings low; it counts only against notes that lie so low themselves.
	const knockFor = (first: number) => {
		const isShort = first > SHORT_STRING_HZ;
		const below = isShort ? Math.max(KNOCK_BELOW_HZ, LOUD_KNOCK_SHARE * first) : KNOCK_BELOW_HZ;
		const most = isShort ? Infinity : KNOCK_WEIGHT;
		return weights.reduce((sum, weight, i) => (frequencies[i] < below && weight < most ? sum + weight : sum), 0);
	};
	for (const { i } of strongest) {
		for (let partial = 1; partial <= 10; partial++) {
			const rough = frequencies[i] / partial;
			if (rough < 0.9 * low || rough > high) continue;
			const inharmonicity = strings.inharmonicityAt(noteNear(rough, strings));
			const first = rough * Math.sqrt((1 + inharmonicity) / (1 + inharmonicity * partial * partial));
			if (first < low || first > high || tried.some((other) => Math.abs(other / first - 1) < 0.001)) continue;
			tried.push(first);
			const sound = first > 2 * KNOCK_BELOW_HZ ? total - knockFor(first) : total;
			const match = matchSeries(frequencies, weights, sound, first, inharmonicity, resolution);
			const near = expected && Math.abs(1200 * Math.log2(first / expected)) < 80 ? PRIOR : 0;
			if (!best || match.score + near > best.score) best = { ...match, score: match.score + near };
		}
	}
	return best;
}

function noteNear(frequency: number, { lowest, highest, a4 }: ExpectedStrings): number {
	return Math.min(Math.max(Math.round(A4 + 12 * Math.log2(frequency / a4)), lowest), highest);
}

/** Walks up the series from the first partial, adjusting F and B to what it meets. */
function matchSeries(
	frequencies: readonly number[],
	weights: readonly number[],
	total: number,
	first: number,
	typicalB: number,
	resolution: number
): Match {
	const used = new Array<boolean>(frequencies.length).fill(false);
	const byPartial = new Array<number>(HIGHEST_PARTIAL).fill(0);
	let b = typicalB;
	let fundamental = first / Math.sqrt(1 + b);
	/** The partial that fixed the fundamental, which holds whatever B turns out to be. */
	let anchor = { partial: 1, frequency: first };
	let explained = 0;
	let matched = 0;
	let missing = 0;
	let pending = 0;
	let peak = 0;
	let corrected = false;
	let noFirst = 0;
	const highest = frequencies[frequencies.length - 1] + resolution;
	for (let n = 1; n <= HIGHEST_PARTIAL; n++) {
		const slot = n * fundamental * Math.sqrt(1 + b * n * n);
		const sharpness = 600 * Math.log2((1 + b * n * n) / (1 + b));
		const doubt = SLOT_CENTS + (corrected ? 0.15 : B_DOUBT) * sharpness;
		const tolerance = Math.min(0.4 * fundamental, Math.max(0.6 * resolution, slot * (2 ** (doubt / 1200) - 1)));
		if (slot - tolerance > highest) break;
		while (peak < frequencies.length && frequencies[peak] < slot - tolerance) peak++;
		let nearest = -1;
		for (let i = peak; i < frequencies.length && frequencies[i] <= slot + tolerance; i++)
			if (!used[i] && (nearest < 0 || weights[i] > weights[nearest])) nearest = i;
		if (nearest < 0) {
			if (n === 1 && slot > 1.3 * WEAK_BELOW_HZ) noFirst = NO_FIRST_COST;
			pending += slot < WEAK_BELOW_HZ ? WEAK_MISSING : 1;
			continue;
		}
		const measured = frequencies[nearest];
		const unison = Math.max(UNISON_BINS * resolution, measured * (2 ** (UNISON_CENTS / 1200) - 1));
		for (let i = 0; i < frequencies.length; i++) {
			if (used[i] || Math.abs(frequencies[i] - measured) > unison) continue;
			used[i] = true;
			explained += weights[i];
			byPartial[n - 1] += weights[i];
		}
		matched++;
		missing += pending;
		pending = 0;
		if (matched === 1) anchor = { partial: n, frequency: measured };
		else if (sharpness > TELLING_SHARPNESS) {
			const fitting = ((measured / (n * fundamental)) ** 2 - 1) / (n * n);
			b = Math.min(Math.max(b + (corrected ? 0.5 : 0.9) * (fitting - b), 0.2 * typicalB), 5 * typicalB);
			corrected = true;
		}
		fundamental = anchor.frequency / (anchor.partial * Math.sqrt(1 + b * anchor.partial ** 2));
	}
	const share = explained / total;
	return {
		score: share - noFirst - (MISSING_COST * missing) / Math.max(1, matched + missing),
		explained: share,
		matched,
		firstPartial: fundamental * Math.sqrt(1 + b),
		inharmonicity: b,
		byPartial
	};
}

/** Whether so much of the sound lies outside a string's series that another note must be sounding. */
export function isSecondNote({ firstPartial, foreign }: Pick<RecognisedNote, 'firstPartial' | 'foreign'>): boolean {
	const { fromHz, toHz, secondNote } = UNDAMPED;
	const up = Math.min(Math.max((firstPartial - fromHz) / (toHz - fromHz), 0), 1);
	return foreign > SECOND_NOTE + up * (secondNote - SECOND_NOTE);
}

/**
 * The note a pitch belongs to: one within 80 cents of what is expected counts as the expected one, and one
 * little beyond the ends of the keyboard as its last one, out of tune as it may be.
 */
export function noteOfPitch(
	pitch: number,
	strings: ExpectedStrings,
	expected?: { readonly note: number; readonly pitch: Hz }
): number {
	if (expected && Math.abs(1200 * Math.log2(pitch / expected.pitch)) < 80) return expected.note;
	const place = A4 + 12 * Math.log2(hz(pitch) / strings.a4);
	const within = Math.min(Math.max(place, strings.lowest), strings.highest);
	return Math.abs(place - within) < BEYOND ? Math.round(within) : Math.round(place);
}
