import type { BearingPlan } from '../bearing/plan';
import { INTERVALS, type IntervalKind } from '../intervals/intervalKinds';
import type { Random } from '../numeric/random';
import type { Examined, ExaminationGround, ExaminedNote } from '../proving/examination';
import { A4 } from '../units/pitch';
import { eitherWay, oneOf, type DrillFrame } from './drill';
import { HeldString, pinsOfAny, TEST_BLOWS, type HoldingExercise } from './holding';

/** A whole instrument in small: pitch, temperament, the other sections by some of their notes, unisons, and whether it holds. */
export type FullExaminationDrill = DrillFrame<'examination'>;
export const FULL_EXAMINATION: FullExaminationDrill = {
	...{ kind: 'examination', id: 'examination', reach: { below: 0, above: 0 } },
	registers: [{ id: 'whole', name: 'From C2 to C7', lowest: 36, highest: 96 }]
};

/** One thing to be set. */
export interface ExaminedTask {
	readonly section: Examined;
	readonly exercise: HoldingExercise;
	/** What it is set by: another note, the fork, or another string of its own. */
	readonly by:
		| { readonly is: 'fork' | 'unison' }
		| { readonly is: 'interval'; readonly other: number; readonly kind: IntervalKind; readonly rate: number };
}

/** Notes of each section beyond the temperament that are asked for, and how many of them. */
const SAMPLED = [
	{ section: 'middle', lowest: 66, highest: 84, count: 3, other: -12, kind: INTERVALS.octave42 },
	{ section: 'treble', lowest: 85, highest: 96, count: 2, other: -12, kind: INTERVALS.octave },
	{ section: 'bass', lowest: 36, highest: 52, count: 3, other: 12, kind: INTERVALS.octave63 }
] as const satisfies readonly {
	section: Examined;
	lowest: number;
	highest: number;
	count: number;
	other: number;
	kind: IntervalKind;
}[];
const UNISONS = { lowest: 55, highest: 84, count: 4 } as const;
const FROM = { pitch: 6, note: 8, unison: 4, least: 1.5 } as const;

/** So many different notes of a range. */
function someOf(lowest: number, highest: number, count: number, random: Random): number[] {
	const left = Array.from({ length: highest - lowest + 1 }, (_, i) => lowest + i);
	return Array.from({ length: count }, () => left.splice(oneOf(left.length, random), 1)[0]).sort((a, b) => a - b);
}

/** What an examination asks for, in the order in which it is done. @param rateOf what an interval is to beat on these strings */
export function examinedTasks(
	plan: BearingPlan,
	rateOf: (lower: number, upper: number, kind: IntervalKind) => number,
	random: Random
): ExaminedTask[] {
	const feel = pinsOfAny(random);
	const at = (note: number, most: number): HoldingExercise => ({
		note,
		from: eitherWay(random) * (FROM.least + (most - FROM.least) * random.uniform()),
		feel: feel(note)
	});
	const pitch: ExaminedTask = { section: 'pitch', exercise: at(A4, FROM.pitch), by: { is: 'fork' } };
	const temperament = plan.steps.flatMap(({ note, by }): ExaminedTask[] => {
		const lead = by[0]?.edge;
		if (!lead) return [];
		const { kind, rate, lower, upper } = lead;
		const other = lower === note ? upper : lower;
		return [{ section: 'temperament', exercise: at(note, FROM.note), by: { is: 'interval', other, kind, rate } }];
	});
	const sampled = SAMPLED.flatMap(({ section, lowest, highest, count, other: away, kind }) =>
		someOf(lowest, highest, count, random)
			// A4 has been set by the fork.
			.filter((note) => note !== A4)
			.map((note): ExaminedTask => {
				const other = note + away;
				const rate = rateOf(Math.min(note, other), Math.max(note, other), kind);
				return { section, exercise: at(note, FROM.note), by: { is: 'interval', other, kind, rate } };
			})
	);
	const unisons = someOf(UNISONS.lowest, UNISONS.highest, UNISONS.count, random).map((note): ExaminedTask => ({
		...{ section: 'unisons', exercise: at(note, FROM.unison), by: { is: 'unison' } }
	}));
	return [pitch, ...temperament, ...sampled, ...unisons];
}

/** A task as it was left. */
export interface LeftTask {
	readonly task: ExaminedTask;
	readonly string: HeldString;
	/** Milliseconds by the clock that its pin knows. */
	readonly at: number;
}

/** What an examiner reads: each string as it was left, firmly struck, and how far it has moved ten minutes later. */
export function readAgain(left: readonly LeftTask[]): ExaminationGround {
	const notes: ExaminedNote[] = [];
	const unisons: ExaminedNote[] = [];
	const drifts: ExaminedNote[] = [];
	for (const { task, string, at } of left) {
		for (let blow = string.blows; blow < TEST_BLOWS; blow++) string.strike('blow', at);
		const { note } = task.exercise;
		(task.section === 'unisons' ? unisons : notes).push({ note, cents: string.standing(at) });
		drifts.push({ note, cents: string.movedLater(at) });
	}
	return { notes, unisons: unisons.map(({ note, cents }) => ({ note, cents: Math.abs(cents) })), drifts };
}
