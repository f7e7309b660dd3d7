import type { InstrumentStrings } from '../strings/instrumentStrings';
import { cents, type Cents } from '../units/quantity';
import type { CurveSolver, CurveWish } from './tuningCurve';

/** A right hand side that is nought but for a few notes: what one error does to the equations. */
type Push = Map<number, number>;

/**
 * How unsure the curve is because the strings are not known better: standard error of every note's deviation, in
 * cents. Independent errors (log B of each note, the keyboard's model of B, which moves many notes together, and
 * each partial's own) go through the same equations as the curve itself; the squares add up.
 */
export function curveErrors(solver: CurveSolver, wish: CurveWish, strings: InstrumentStrings): readonly Cents[] {
	const { lowest, highest } = solver.keyboard;
	const { voting, pinned, solve } = solver.equations(wish);
	const size = highest - lowest + 1;
	const { ownErrorAt, sharedErrorsAt } = strings.inharmonicity;
	const own = Array.from({ length: size }, (_, i) => ownErrorAt(lowest + i));
	const shared = Array.from({ length: size }, (_, i) => sharedErrorsAt(lowest + i));
	const pushes = new Map<string, Push>();
	const push = (name: string, by: number, i: number, j: number) => {
		let found = pushes.get(name);
		if (!found) pushes.set(name, (found = new Map()));
		found.set(i, (found.get(i) ?? 0) + by);
		found.set(j, (found.get(j) ?? 0) - by);
	};
	for (const { lower, upper, lowerPartial, upperPartial, weight } of voting) {
		const [i, j] = [lower - lowest, upper - lowest];
		for (const [note, partial, by] of [
			[lower, lowerPartial, -weight],
			[upper, upperPartial, weight]
		]) {
			const slope = by * strings.sensitivityAt(note, partial);
			push(`note ${note}`, slope * own[note - lowest], i, j);
			shared[note - lowest].forEach((each, k) => push(`model ${k}`, slope * each, i, j));
			push(`partial ${note} ${partial}`, by * strings.partialErrorAt(note, partial), i, j);
		}
	}
	const answers = Array.from({ length: size }, (_, i) => {
		const right = new Float64Array(size);
		right[i] = 1;
		// What is pinned stays where it is, whatever the strings are.
		solve(right, () => 0);
		return right;
	});
	const squares = new Float64Array(size);
	const moved = new Float64Array(size);
	for (const each of pushes.values()) {
		moved.fill(0);
		for (const [row, by] of each) for (let i = 0; i < size; i++) moved[i] += by * answers[row][i];
		for (let i = 0; i < size; i++) squares[i] += moved[i] ** 2;
	}
	return Array.from(squares, (sum, i) => cents(pinned.has(lowest + i) ? 0 : Math.sqrt(sum)));
}
