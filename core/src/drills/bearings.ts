import { mean } from 'd3-array';
import type { Ear } from '../bearing/ear';
import type { BearingPlan } from '../bearing/plan';
import type { BearingStep } from '../bearing/step';
import { beatOf } from '../intervals/beats';
import type { StaircaseName } from '../intervals/intervalKinds';
import type { Random } from '../numeric/random';
import type { MeasuredNotes } from '../proving/measuredNotes';
import { inversions, measuredStaircases, type Inversion, type MeasuredTread } from '../proving/staircase';
import { cents } from '../units/quantity';
import type { DrillFrame, Strings } from './drill';
import { movedBy } from '../strings/movedString';

/** A whole temperament, set by a bearing plan and scored. */
export type BearingsDrill = DrillFrame<'bearings'>;
export const BEARINGS: BearingsDrill = {
	...{ kind: 'bearings', id: 'bearings', reach: { below: 0, above: 4 } },
	registers: [
		{ id: 'f3', name: 'F3 to F4', lowest: 53, highest: 65 },
		{ id: 'a3', name: 'A3 to A4', lowest: 57, highest: 69 }
	]
};

/** A note that was set, and how many cents it stands from where the plan has it. */
export interface SetNote {
	readonly note: number;
	readonly off: number;
}

/** A step that came out otherwise than its interval asked, whatever came before it. */
export interface WrongStep {
	/** Its place in the plan, from 0. */
	readonly step: number;
	readonly note: number;
	/** Cents by which the note departs from what its own intervals asked. */
	readonly by: number;
	/** What the leading interval beats, and what it was to beat. */
	readonly found: number;
	readonly asked: number;
	/** Notes that were set from it afterwards, with the cents that it handed on to each. */
	readonly followed: readonly SetNote[];
}

/** A temperament as it was set by ear. */
export interface BearingsScore {
	/** Cents by which all notes stand off together. */
	readonly level: number;
	/** Each note once that is taken out. */
	readonly notes: readonly SetNote[];
	/** Root mean square of those. */
	readonly overall: number;
	readonly staircases: ReadonlyMap<StaircaseName, readonly MeasuredTread[]>;
	readonly inversions: readonly Inversion[];
	/** The first step that an ear should have heard to be wrong; undefined: none was. */
	readonly wrong: WrongStep | undefined;
}

/** A note stands so far off at first, in cents: near enough that nobody takes it for its neighbour. */
const SCATTER = 9;
const LEAST_OFF = 2;
/** A step is wrong by more than so many of the ear's own errors, and by so many cents. */
const WRONG = { errors: 3, cents: 1 } as const;

/** Where the notes of a plan stand before they are set, in cents from where they are to be; the one that a fork gives stands right. */
export function scatteredNotes(plan: BearingPlan, random: Random): SetNote[] {
	return plan.steps.map(({ note, by }) => {
		if (by.length === 0) return { note, off: 0 };
		const off = SCATTER * (2 * random.uniform() - 1);
		return { note, off: off + Math.sign(off) * LEAST_OFF };
	});
}

/** Goes through a temperament that was set: note by note, by its intervals, and back to the step that went wrong first. */
export function scoreBearings(plan: BearingPlan, strings: Strings, set: readonly SetNote[], ear: Ear): BearingsScore {
	const offs = new Map(set.map(({ note, off }) => [note, off]));
	const within = set.filter(({ note }) => note >= plan.low && note <= plan.high);
	const level = mean(within, ({ off }) => off) ?? 0;
	const notes = [...within].sort((a, b) => a.note - b.note).map(({ note, off }) => ({ note, off: off - level }));
	const deviations = notes.map(({ note }) => cents(offs.get(note)!));
	// The twin's own strings: nothing was measured, so nothing errs.
	const covariance = notes.map(() => notes.map(() => 0));
	const measured: MeasuredNotes = { notes: notes.map(({ note }) => note), deviations, covariance };
	const staircases = measuredStaircases(measured, strings);
	return {
		...{ level, notes, staircases, inversions: inversions(staircases, measured) },
		overall: Math.sqrt(mean(notes, ({ off }) => off * off) ?? 0),
		wrong: firstWrong(plan, strings, offs, ear)
	};
}

function firstWrong(
	plan: BearingPlan,
	strings: Strings,
	offs: ReadonlyMap<number, number>,
	ear: Ear
): WrongStep | undefined {
	const standing = (note: number) => movedBy(strings(note), offs.get(note) ?? 0);
	for (const [step, { note, by }] of plan.steps.entries()) {
		if (by.length === 0) continue;
		const [{ edge: lead }] = by;
		const rateOf = (edge: typeof lead) => beatOf(standing(edge.lower), standing(edge.upper), edge.kind).rate;
		let [local, error] = [0, 0];
		for (const { edge, weight } of by) {
			const perCent = edge.upper === note ? edge.perCentUpper : -edge.perCentLower;
			local += (weight * (rateOf(edge) - edge.rate)) / perCent;
			error += Math.abs(weight) * (Math.hypot(edge.scatter, edge.bias * ear.bias) / Math.abs(perCent));
		}
		if (Math.abs(local) <= Math.max(WRONG.cents, WRONG.errors * error)) continue;
		const followed = handedOn(plan.steps, step, local);
		return { ...{ step, note, by: local, followed }, found: rateOf(lead), asked: lead.rate };
	}
	return undefined;
}

/** What an error of one step is to each note that was set from it. */
function handedOn(steps: readonly BearingStep[], from: number, local: number): SetNote[] {
	const carried = new Map([[steps[from].note, local]]);
	for (const { note, by } of steps.slice(from + 1)) {
		let off = 0;
		for (const { edge, weight } of by) {
			const isUpper = edge.upper === note;
			const known = carried.get(isUpper ? edge.lower : edge.upper) ?? 0;
			off += weight * known * (isUpper ? edge.perCentLower / edge.perCentUpper : edge.perCentUpper / edge.perCentLower);
		}
		if (off !== 0) carried.set(note, off);
	}
	return [...carried].slice(1).map(([note, off]) => ({ note, off }));
}
