import { mean } from 'd3-array';
import { A4, equalHz } from '../../units/pitch';
import type { Hz } from '../../units/quantity';
import { partialRatio } from '../../strings/stiffString';
import { matchSeries, type SeriesMatch } from './matchSeries';
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
/** Semitones beyond the keyboard's ends at which its last strings may still stand. */
export const BEYOND = 1.2;
/** A low string shows at least so many partials; fewer are a knock. */
export const LEAST_IN_BASS = 4;
/** Weak partials must count, or a bass string would be its strongest partial; the weakest must not decide. */
const WEIGHT_EXPONENT = 0.8;
const PRIOR = 0.06;

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
		foreign: isPair(best) || isOctave(best) ? 1 : 1 - best.explained + loners(best)
	};
}

/** From this partial on a string's partials die away together: one that stands far above those about it is another note's. */
const LONER_FROM = 10;
const LONER_NEIGHBOURS = 4;
const LONER_RATIO = 3;

/** Share of the sound in high partials that stand alone. */
function loners({ byPartial, explained }: SeriesMatch): number {
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

function isPair({ byPartial, explained, matched }: SeriesMatch): boolean {
	if (matched < 3) return false;
	return PAIRS.some(([p, q]) => {
		const own = byPartial.reduce((sum, weight, i) => ((i + 1) % p && (i + 1) % q ? sum + weight : sum), 0);
		return own < OWN_SHARE * explained;
	});
}

/**
 * A string and its octave above make the lower one's series with every even partial too strong: by this, on the mean. The
 * lowest strings are as uneven by themselves.
 */
const OCTAVE_DB = 4;
const OCTAVE_FROM_HZ = 50;
const EVEN_LOOKED_AT = [2, 4, 6] as const;
const FAINTEST_WEIGHT = 0.002;
const toDb = (weight: number) => (20 / WEIGHT_EXPONENT) * Math.log10(Math.max(weight, FAINTEST_WEIGHT));

/** Whether even partials stand out above the odd ones about them as those of one string never do. */
function isOctave({ byPartial, firstPartial }: SeriesMatch): boolean {
	if (firstPartial < OCTAVE_FROM_HZ) return false;
	// A first partial may be missing from a small soundboard.
	const looked = EVEN_LOOKED_AT.filter((partial) => partial > 2 || firstPartial > KNOCK_BELOW_HZ);
	const above = looked.map((partial) => {
		const [odd, even, next] = [partial - 1, partial, partial + 1].map((each) => toDb(byPartial[each - 1]));
		return even - Math.max(odd, next);
	});
	return mean(above)! > OCTAVE_DB;
}

function bestSeries(
	frequencies: readonly number[],
	weights: readonly number[],
	strings: ExpectedStrings,
	resolution: number,
	expected?: Hz
): SeriesMatch | undefined {
	const low = equalHz(strings.lowest - BEYOND, strings.a4);
	const high = equalHz(strings.highest + BEYOND, strings.a4);
	const strongest = weights
		.map((weight, i) => ({ weight, i }))
		.sort((a, b) => b.weight - a.weight)
		.slice(0, 10);
	let best: SeriesMatch | undefined;
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
			const first = (frequencies[i] * partialRatio(inharmonicity, 1)) / partialRatio(inharmonicity, partial);
			if (first < low || first > high || tried.some((other) => Math.abs(other / first - 1) < 0.001)) continue;
			tried.push(first);
			const sound = first > 2 * KNOCK_BELOW_HZ ? total - knockFor(first) : total;
			const match = matchSeries({ frequencies, weights, resolution }, sound, first, inharmonicity);
			const near = expected && Math.abs(1200 * Math.log2(first / expected)) < 80 ? PRIOR : 0;
			if (!best || match.score + near > best.score) best = { ...match, score: match.score + near };
		}
	}
	return best;
}

function noteNear(frequency: number, { lowest, highest, a4 }: ExpectedStrings): number {
	return Math.min(Math.max(Math.round(A4 + 12 * Math.log2(frequency / a4)), lowest), highest);
}

/** Whether so much of the sound lies outside a string's series that another note must be sounding. */
export function isSecondNote({ firstPartial, foreign }: Pick<RecognisedNote, 'firstPartial' | 'foreign'>): boolean {
	const { fromHz, toHz, secondNote } = UNDAMPED;
	const up = Math.min(Math.max((firstPartial - fromHz) / (toHz - fromHz), 0), 1);
	return foreign > SECOND_NOTE + up * (secondNote - SECOND_NOTE);
}
