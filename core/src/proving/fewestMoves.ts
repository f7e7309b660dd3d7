import { cents, type Cents } from '../units/quantity';

export interface FewestMoves {
	/** The level that most notes already agree on: cents of all of them against the intended pitch. */
	readonly level: Cents;
	readonly moves: readonly { readonly note: number; readonly by: Cents }[];
	/** Notes that may stay. */
	readonly kept: readonly number[];
}

/** Cents that double rounding may put in the way of an exact limit. */
const ROUNDING = 1e-9;

/**
 * The fewest notes to move, and by how much, so that every note lies within `tolerance` of the intended
 * temperament at one common level: exact, by looking at every window of width 2 tolerance over the deviations.
 * Of levels that keep equally many the one with the least movement is taken, then the one nearest 0.
 * @param fixed keep the level at 0 (the pitch is given), so that only the intended pitches count
 */
export function fewestMoves(
	notes: readonly number[],
	deviations: readonly number[],
	tolerance: Cents,
	fixed = false
): FewestMoves {
	const at = (level: number) => {
		const out = notes.flatMap((note, i) =>
			Math.abs(deviations[i] - level) > tolerance + ROUNDING ? [{ note, by: cents(level - deviations[i]) }] : []
		);
		return { level, out, movement: out.reduce((sum, { by }) => sum + Math.abs(by), 0) };
	};
	// Within a window the kept notes' middle is the fairest level.
	const levels = fixed
		? [0]
		: deviations.map((lowest) => {
				const kept = deviations.filter((each) => each >= lowest && each <= lowest + 2 * tolerance + ROUNDING);
				return (Math.min(...kept) + Math.max(...kept)) / 2;
			});
	const best = levels
		.map(at)
		.sort((a, b) => a.out.length - b.out.length || a.movement - b.movement || Math.abs(a.level) - Math.abs(b.level))[0];
	if (!best) return { level: cents(0), moves: [], kept: [] };
	const moved = new Set(best.out.map(({ note }) => note));
	return { level: cents(best.level), moves: best.out, kept: notes.filter((note) => !moved.has(note)) };
}
