import type { InstrumentStrings } from '../strings/instrumentStrings';
import { cents, type Cents } from '../units/quantity';
import type { CurveSolver, CurveWish } from './tuningCurve';

/**
 * How unsure the curve is because the strings are not known better: standard error of every note's deviation, in
 * cents. Each independent error of log B (one for each note, and those of the keyboard's model, which move many
 * notes together) goes through the same equations as the curve itself; the squares add up.
 */
export function curveErrors(solver: CurveSolver, wish: CurveWish, strings: InstrumentStrings): readonly Cents[] {
	const { lowest, highest } = solver.keyboard;
	const { voting, pinned, solve } = solver.equations(wish);
	const size = highest - lowest + 1;
	const notes = Array.from({ length: size }, (_, i) => lowest + i);
	const own = notes.map((note) => strings.inharmonicity.ownErrorAt(note));
	const shared = notes.map((note) => strings.inharmonicity.sharedErrorsAt(note));
	const ofNote = notes.map(() => new Float64Array(size));
	const ofModel = shared[0].map(() => new Float64Array(size));
	for (const { lower, upper, lowerPartial, upperPartial, weight } of voting) {
		const [i, j] = [lower - lowest, upper - lowest];
		const atLower = -weight * strings.sensitivityAt(lower, lowerPartial);
		const atUpper = weight * strings.sensitivityAt(upper, upperPartial);
		for (const [note, by] of [
			[i, atLower],
			[j, atUpper]
		]) {
			ofNote[note][i] += by * own[note];
			ofNote[note][j] -= by * own[note];
			ofModel.forEach((right, k) => {
				right[i] += by * shared[note][k];
				right[j] -= by * shared[note][k];
			});
		}
	}
	const squares = new Float64Array(size);
	for (const right of [...ofNote, ...ofModel]) {
		// What is pinned stays where it is, whatever the strings are.
		solve(right, () => 0);
		for (let i = 0; i < size; i++) squares[i] += right[i] ** 2;
	}
	return Array.from(squares, (sum, i) => cents(pinned.has(lowest + i) ? 0 : Math.sqrt(sum)));
}
