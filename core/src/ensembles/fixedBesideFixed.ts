import { addToBanded, bandedMatrix, factorBanded, solveFactored } from '../numeric/banded';

/** Two instruments that sound in one room, each with a pitch for every note. */
export interface Beside {
	/** Cents from equal temperament at one A4, by note. */
	readonly levels: ReadonlyMap<number, number>;
	/** What a squared cent of its moves costs against a squared cent between the two; Infinity: it cannot move. */
	readonly cost: number;
}

/** What each does at a note that both have, in cents, and what is left between them: the second over the first. */
export interface Compromise {
	readonly note: number;
	readonly apart: number;
	readonly first: number;
	readonly second: number;
	readonly left: number;
}

/** Flue pipes rise so much for each degree Celsius: the speed of sound does (half of 1200/ln 2 over 293 K). */
export const CENTS_PER_DEGREE = 600 / Math.LN2 / 293.15;

/** Neighbouring notes are to move alike: what a squared cent between their moves costs. */
const SMOOTH = 4;

/**
 * The compromise that costs least: sum over shared notes of w (a + x - b - y)^2 + ca x^2 + cb y^2, and of the steps between
 * neighbours' moves.
 * @param weightOf how much a note counts; 1 unless given
 * @returns by shared notes, from the lowest; empty where there are none, or neither can move
 */
export function compromise(
	first: Beside,
	second: Beside,
	weightOf: (note: number) => number = () => 1,
	smooth = SMOOTH
): readonly Compromise[] {
	const notes = [...first.levels.keys()].filter((note) => second.levels.has(note)).sort((a, b) => a - b);
	if (notes.length === 0) return [];
	const apart = notes.map((note) => second.levels.get(note)! - first.levels.get(note)!);
	const moves = [first, second].map(({ cost }) => Number.isFinite(cost));
	// x and y of one note lie beside each other; what cannot move is held where it is.
	const matrix = bandedMatrix(2 * notes.length, 2);
	const right = new Float64Array(2 * notes.length);
	const held = 1e9;
	for (const [i, note] of notes.entries()) {
		const weight = weightOf(note);
		const [x, y] = [2 * i, 2 * i + 1];
		addToBanded(matrix, x, x, weight + (moves[0] ? first.cost : held));
		addToBanded(matrix, y, y, weight + (moves[1] ? second.cost : held));
		addToBanded(matrix, y, x, -weight);
		right[x] = weight * apart[i];
		right[y] = -weight * apart[i];
		if (i === 0) continue;
		for (const at of [x, y]) {
			addToBanded(matrix, at, at, smooth);
			addToBanded(matrix, at - 2, at - 2, smooth);
			addToBanded(matrix, at, at - 2, -smooth);
		}
	}
	factorBanded(matrix);
	solveFactored(matrix, right);
	return notes.map((note, i) => {
		const [x, y] = [moves[0] ? right[2 * i] : 0, moves[1] ? right[2 * i + 1] : 0];
		return { note, apart: apart[i], first: x, second: y, left: apart[i] + y - x };
	});
}
