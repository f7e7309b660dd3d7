import {
	cents,
	curveSolver,
	noteName,
	priorityById,
	type CurveSolver,
	type CurveWish,
	type MeasuredString,
	type PriorityId
} from '@fendrel/core';
import { counted, signed } from '$lib/ui/format';
import { stringsOfInstrument, type StringBasis } from './strings';

/** Additional stretch at C8, in cents. */
export const TOP_RANGE = { lowest: -10, highest: 30 } as const;

/** What is wished of a curve, as it is stored and sent. */
export interface CurveChoice {
	readonly lead: PriorityId;
	readonly with: PriorityId | null;
	/** Share of the second priority, 0 to 1. */
	readonly share: number;
	/** Cents more at C8. */
	readonly top: number;
	/** Notes set by ear, in cents from equal temperament. */
	readonly held: Readonly<Record<string, number>>;
}

export const BALANCED: CurveChoice = { lead: 'balanced', with: null, share: 0, top: 0, held: {} };

/** A curve as it was taken: its targets no longer follow what is read afterwards. */
export interface KeptCurve {
	readonly id: string;
	readonly visitId: string | null;
	readonly madeAt: Date;
	readonly wish: CurveChoice;
	readonly lowest: number;
	/** Cents of first partials from equal temperament, from the lowest note upwards. */
	readonly deviations: readonly number[];
	/** Notes whose inharmonicity had been read by then. */
	readonly notesRead: number;
}

export function wishOf({ lead, with: other, share, top, held }: CurveChoice): CurveWish {
	return {
		priority: priorityById(lead),
		blend: other === null || other === lead || share === 0 ? undefined : { with: priorityById(other), share },
		topStretch: cents(top),
		fixed: new Map(Object.entries(held).map(([note, value]) => [Number(note), cents(value)]))
	};
}

/** The keyboard that curves are drawn for. */
export interface CurveBasis extends StringBasis {
	readonly lowest: number;
	readonly highest: number;
}

const solvers = new WeakMap<readonly MeasuredString[], Map<string, CurveSolver>>();

/** One solver for each instrument and what has been read on it. */
export function solverFor({ kind, lowest, highest, measured }: CurveBasis): CurveSolver {
	let known = solvers.get(measured);
	if (!known) solvers.set(measured, (known = new Map()));
	const key = `${kind} ${lowest} ${highest}`;
	let solver = known.get(key);
	if (!solver) {
		const { sharpnessAt } = stringsOfInstrument({ kind, measured });
		known.set(key, (solver = curveSolver({ lowest, highest, sharpnessAt })));
	}
	return solver;
}

/** A thousandth of a cent is nothing to a string, and short to send. */
const STORED_DIGITS = 3;

export function drawCurve(basis: CurveBasis, choice: CurveChoice): number[] {
	return solverFor(basis)
		.solve(wishOf(choice))
		.deviations.map((value) => Number(value.toFixed(STORED_DIGITS)));
}

/** What a note gets from a curve; beyond its ends, what the end has. */
export function curveAt({ lowest, deviations }: Pick<KeptCurve, 'lowest' | 'deviations'>, note: number): number {
	return deviations[Math.min(Math.max(note - lowest, 0), deviations.length - 1)] ?? 0;
}

/** "Balanced, 30 % twelfth-led, +4 at C8, 2 notes by ear". */
export function wishWords({ lead, with: other, share, top, held }: CurveChoice): string {
	const notes = Object.keys(held);
	return [
		priorityById(lead).name,
		other !== null && share > 0 ? `${Math.round(100 * share)} % ${priorityById(other).name.toLowerCase()}` : '',
		top === 0 ? '' : `${signed(top)} at C8`,
		notes.length === 0
			? ''
			: notes.length === 1
				? `${noteName(Number(notes[0]))} by ear`
				: `${counted(notes.length, 'note')} by ear`
	]
		.filter(Boolean)
		.join(', ');
}
