import { mean, median } from 'd3-array';
import { solveLinear } from '../numeric/linearSystem';
import { bisquareWeight, MEDIAN_TO_SD } from '../numeric/bisquare';
import { amongFew } from './fewNotes';
import type { FoundLevel } from './levels';
import type { Neighbourhood } from './neighbourhood';

/*
 * What a note's neighbours say of it: a straight line through those around it, the note itself left out, by tricube weights,
 * with a step at the break as a column of its own, and without those that are strays themselves (LOESS: Cleveland 1979,
 * JASA 74:829, "Robust locally weighted regression and smoothing scatterplots").
 */

export interface Strays {
	readonly neighbourhoods: ReadonlyMap<number, Neighbourhood>;
	readonly strays: readonly Neighbourhood[];
	/** How far notes scatter about their neighbours: a robust standard deviation, in cents. */
	readonly scatter: number;
	/** A note that stands out by so much is found; undefined: with so few notes none can be named. */
	readonly finds: number | undefined;
}

/** With fewer notes than that only such as have all their neighbours beside them are judged. */
export const FEWEST_FOR_STRAYS = 28;
/** So many notes a line is laid through: of a whole keyboard, and of a survey of about thirty. */
const SPAN = { whole: 16, sparse: 24, sparseBelow: 50 } as const;
/** A note is a stray beyond so many standard deviations, and loses its vote beyond as many. */
const STRAY_BEYOND = 4.3;
const VOTE_BEYOND = 5;
const ROUNDS = 3;
/** Scatter is never thought smaller than that: readings themselves differ so much, in cents. */
const LEAST_SCATTER = 0.1;

/** @param breakNote lowest note above the break; the line has a step there */
export function strays(found: readonly FoundLevel[], breakNote?: number): Strays {
	const notes = [...found].sort((a, b) => a.note - b.note);
	if (notes.length < FEWEST_FOR_STRAYS) return told(amongFew(notes), NaN, undefined);
	const span = notes.length < SPAN.sparseBelow ? SPAN.sparse : SPAN.whole;
	const around = notes.map((_, i) => neighboursOf(notes, i, span));
	let votes = notes.map(() => 1);
	for (let round = 0; ; round++) {
		const lines = notes.map(({ note }, i) => lineAt(note, around[i], votes, breakNote));
		const pulls = lines.map(({ expected, leverage }, i) => (notes[i].level - expected) / Math.sqrt(1 + leverage));
		const scatter = Math.max(LEAST_SCATTER, scatterOf(pulls));
		if (round === ROUNDS) {
			const all = lines.map(({ expected, leverage }, i): Neighbourhood => ({
				note: notes[i].note,
				expected,
				sd: scatter * Math.sqrt(1 + leverage),
				isStray: Math.abs(pulls[i]) > STRAY_BEYOND * scatter
			}));
			return told(all, scatter, STRAY_BEYOND * median(all, ({ sd }) => sd)!);
		}
		// Bisquare reaches nothing at VOTE_BEYOND scales.
		votes = pulls.map((pull) => bisquareWeight((pull / scatter) * (BISQUARE_AT / VOTE_BEYOND)));
	}
}

function told(all: readonly Neighbourhood[], scatter: number, finds: number | undefined): Strays {
	return {
		neighbourhoods: new Map(all.map((each) => [each.note, each])),
		strays: all.filter(({ isStray }) => isStray),
		...{ scatter, finds }
	};
}

/** Where bisquareWeight comes to nothing. */
const BISQUARE_AT = 4.685;

/** Pulls beyond so many scatters do not count towards it; what is cut off normal errors there is made up for. */
const CUT = { beyond: 3.5, makesUp: 1.0031 } as const;

/** What a line through the neighbours takes of all notes' freedom: level, slope, step, and the scatter itself. */
const TAKEN = 4;

/** A robust standard deviation: by the median at first, then of all that lies near enough by that. */
function scatterOf(pulls: readonly number[]): number {
	const rough = MEDIAN_TO_SD * median(pulls, Math.abs)!;
	const within = pulls.filter((pull) => Math.abs(pull) <= CUT.beyond * rough);
	const freedom = pulls.length / (pulls.length - TAKEN);
	return CUT.makesUp * Math.sqrt(freedom * (mean(within, (pull) => pull * pull) ?? 0));
}

interface Neighbour extends FoundLevel {
	readonly i: number;
	readonly away: number;
}

/** The nearest notes, without the note itself. */
function neighboursOf(notes: readonly FoundLevel[], at: number, span: number): readonly Neighbour[] {
	return notes
		.map((each, i) => ({ ...each, i, away: Math.abs(each.note - notes[at].note) }))
		.filter(({ i }) => i !== at)
		.sort((a, b) => a.away - b.away)
		.slice(0, span);
}

/** The neighbours' line at a note, and the sum of squares of the weights by which they make it. */
function lineAt(
	note: number,
	near: readonly Neighbour[],
	votes: readonly number[],
	breakNote: number | undefined
): { readonly expected: number; readonly leverage: number } {
	const reach = near[near.length - 1].away + 1;
	const weights = near.map(({ i, away }) => Math.max(1e-6, votes[i]) * (1 - (away / reach) ** 3) ** 3);
	const side = (each: number) => (breakNote !== undefined && each >= breakNote ? 1 : 0);
	const below = near.filter((each) => side(each.note) === 0).length;
	// A step is asked for only where both sides have notes to tell it.
	const steps = below > 1 && near.length - below > 1;
	const rows = near.map((each) => [1, (each.note - note) / reach, ...(steps ? [side(each.note) - side(note)] : [])]);
	const columns = rows[0].length;
	// Weighted normal equations; what they give for the first unit vector gives the line's value at the note.
	const normal = Array.from({ length: columns }, () => new Float64Array(columns));
	rows.forEach((row, i) => {
		for (let j = 0; j < columns; j++) for (let k = 0; k < columns; k++) normal[j][k] += weights[i] * row[j] * row[k];
	});
	const first = solveLinear(
		normal,
		Float64Array.from(rows[0], (_, j) => (j === 0 ? 1 : 0))
	);
	let [expected, leverage] = [0, 0];
	for (let i = 0; i < near.length; i++) {
		const share = weights[i] * rows[i].reduce((sum, value, j) => sum + value * first[j], 0);
		expected += share * near[i].level;
		leverage += share * share;
	}
	return { expected, leverage };
}
