import { solveLinear } from '../numeric/linearSystem';
import { equalHz } from '../units/pitch';
import type { Hz } from '../units/quantity';
import type { FingeredChord } from './chordBook';
import type { Neck } from './neck';
import { soundsAt, type PluckedString } from './pluckedNeck';

/*
 * Offsets of open strings that are best for the chords that are played. What is wrong with a chord is how fast its intervals beat:
 * p f1 against q f2 at their first coincidence. By the offsets these are as good as straight lines, so that the least sum of their
 * squares is a linear system.
 */

/** Partials that coincide, by semitones; others have no beat that one would hear as one. */
const COINCIDE: Readonly<Record<number, readonly [number, number]>> = {
	0: [1, 1],
	3: [6, 5],
	4: [5, 4],
	5: [4, 3],
	7: [3, 2],
	8: [8, 5],
	9: [5, 3],
	12: [2, 1],
	15: [12, 5],
	16: [5, 2],
	17: [8, 3],
	19: [3, 1],
	24: [4, 1],
	28: [5, 1],
	31: [6, 1]
};

/** Two strings of a chord. */
export interface ChordPair {
	/** Strings, counted from the highest. */
	readonly lower: number;
	readonly upper: number;
	readonly partials: readonly [number, number];
	/** Beats a second: above 0 wide. */
	readonly rate: number;
}
/** What a chord costs. */
export interface ChordPrice {
	readonly name: string;
	readonly pairs: readonly ChordPair[];
	/** Root mean square of its beats, those of high partials counting less. */
	readonly beats: number;
	readonly worst: ChordPair | undefined;
	/** Cents of its notes from the pitch that is meant, on the average. */
	readonly level: number;
}

export interface TableOptions {
	readonly a4: Hz;
	readonly chords: readonly FingeredChord[];
	/** How hard one plays: 0 softly, 1 hard. */
	readonly touch: number;
	/** What a note off its pitch costs against beats: squared beats a second for a squared cent. */
	readonly anchor?: number;
	/** Cents in which offsets are told; 0: as fine as one likes. */
	readonly step?: number;
}
const ANCHOR = 0.004;

interface Sounding {
	readonly string: number;
	/** In equal temperament, in Hz. */
	readonly nominal: number;
	/** Cents from there while the open string is exactly tuned. */
	readonly adds: number;
	readonly note: number;
}

/** Strings of a chord as they sound, the lowest note first. */
function soundingOf(
	neck: Neck,
	strings: readonly PluckedString[],
	chord: FingeredChord,
	{ a4, touch }: TableOptions
): readonly Sounding[] {
	return chord.frets
		.flatMap((fret, i): Sounding[] => {
			if (fret === null) return [];
			const at = fret + chord.capo;
			const note = neck.strings[i].note + at;
			const own = strings[i];
			const tuned = { ...own, open: { cents: 0, error: 0 } };
			const how = { fret: fret === 0 ? 0 : at, capo: chord.capo, isHarmonic: false, touch };
			return [{ string: i + 1, note, nominal: equalHz(note, a4), adds: soundsAt(neck, tuned, how) }];
		})
		.sort((a, b) => a.note - b.note);
}

interface Line {
	readonly lower: Sounding;
	readonly upper: Sounding;
	readonly partials: readonly [number, number];
	readonly weight: number;
}

function pairsOf(sounding: readonly Sounding[]): readonly Line[] {
	return sounding.flatMap((lower, i) =>
		sounding.slice(i + 1).flatMap((upper): Line[] => {
			const partials = COINCIDE[upper.note - lower.note];
			// High partials are weak: the beat of two counts by what both still have.
			return partials ? [{ lower, upper, partials, weight: 1 / (partials[0] * partials[1]) }] : [];
		})
	);
}

/** Beats of a pair with these offsets, in cents by string. */
function beatOf({ lower, upper, partials: [p, q] }: Line, offsets: readonly number[]): number {
	const at = ({ nominal, adds, string }: Sounding) => nominal * 2 ** ((adds + offsets[string - 1]) / 1200);
	return q * at(upper) - p * at(lower);
}

/** What every chord costs with these offsets, in cents by string. */
export function chordPrices(
	neck: Neck,
	strings: readonly PluckedString[],
	options: TableOptions,
	offsets: readonly number[]
): readonly ChordPrice[] {
	return options.chords.map((chord) => {
		const sounding = soundingOf(neck, strings, chord, options);
		const lines = pairsOf(sounding);
		const pairs = lines.map((line): ChordPair => ({
			...{ lower: line.lower.string, upper: line.upper.string, partials: line.partials },
			rate: beatOf(line, offsets)
		}));
		const all = lines.reduce((sum, { weight }) => sum + weight, 0);
		const squares = lines.reduce((sum, { weight }, i) => sum + weight * pairs[i].rate ** 2, 0);
		const level =
			sounding.reduce((sum, { adds, string }) => sum + adds + offsets[string - 1], 0) / (sounding.length || 1);
		return {
			...{ name: chord.name, pairs, level, beats: all ? Math.sqrt(squares / all) : 0 },
			worst: pairs.reduce<ChordPair | undefined>(
				(worst, pair) => (worst && Math.abs(worst.rate) >= Math.abs(pair.rate) ? worst : pair),
				undefined
			)
		};
	});
}

/** All that the offsets cost: what is to be as small as it can be. */
export function tableCost(
	neck: Neck,
	strings: readonly PluckedString[],
	options: TableOptions,
	offsets: readonly number[]
): number {
	const { chords, anchor = ANCHOR } = options;
	return chords.reduce((total, chord) => {
		const sounding = soundingOf(neck, strings, chord, options);
		const beats = pairsOf(sounding).reduce((sum, line) => sum + line.weight * beatOf(line, offsets) ** 2, 0);
		const level = sounding.reduce((sum, { adds, string }) => sum + (adds + offsets[string - 1]) ** 2, 0);
		return total + chord.weight * (beats + anchor * level);
	}, 0);
}

const ROUNDS = 3;

/**
 * Offsets in cents that the open strings are tuned to, softly plucked and without the capo, from equal temperament. A string that no
 * chord sounds is left at 0.
 */
export function bestOffsets(neck: Neck, strings: readonly PluckedString[], options: TableOptions): readonly number[] {
	const { chords, anchor = ANCHOR, step = 0 } = options;
	const size = neck.strings.length;
	let offsets: number[] = Array<number>(size).fill(0);
	for (let round = 0; round < ROUNDS; round++) {
		const rows = Array.from({ length: size }, () => new Float64Array(size));
		const right = new Float64Array(size);
		const add = (weight: number, shares: readonly (readonly [number, number])[], left: number) => {
			for (const [i, a] of shares) {
				right[i] -= weight * a * left;
				for (const [j, b] of shares) rows[i][j] += weight * a * b;
			}
		};
		for (const chord of chords) {
			const sounding = soundingOf(neck, strings, chord, options);
			for (const line of pairsOf(sounding)) {
				const [p, q] = line.partials;
				const each = Math.LN2 / 1200;
				const at = ({ nominal, adds, string }: Sounding) => nominal * 2 ** ((adds + offsets[string - 1]) / 1200);
				const shares = [
					[line.lower.string - 1, -p * at(line.lower) * each],
					[line.upper.string - 1, q * at(line.upper) * each]
				] as const;
				add(chord.weight * line.weight, shares, beatOf(line, offsets));
			}
			for (const { string, adds } of sounding)
				add(chord.weight * anchor, [[string - 1, 1]], adds + offsets[string - 1]);
		}
		for (let i = 0; i < size; i++) if (rows[i][i] === 0) rows[i][i] = 1;
		const change = solveLinear(rows, right);
		offsets = offsets.map((offset, i) => offset + change[i]);
	}
	return step > 0 ? stepped(neck, strings, options, offsets, step) : offsets;
}

/** The best of those in steps about it: string after string, until none gets better. */
function stepped(
	neck: Neck,
	strings: readonly PluckedString[],
	options: TableOptions,
	from: readonly number[],
	step: number
): readonly number[] {
	let best = from.map((offset) => Math.round(offset / step) * step);
	let cost = tableCost(neck, strings, options, best);
	for (let isBetter = true; isBetter;) {
		isBetter = false;
		for (let i = 0; i < best.length; i++)
			for (const by of [-step, step]) {
				const other = best.map((offset, j) => (i === j ? offset + by : offset));
				const price = tableCost(neck, strings, options, other);
				if (price < cost - 1e-12) [best, cost, isBetter] = [other, price, true];
			}
	}
	return best;
}
