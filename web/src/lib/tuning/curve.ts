import {
	cents,
	curveSolver,
	noteName,
	priorityById,
	PRIORITY_IDS,
	type CurveSolver,
	type CurveWish,
	type MeasuredString
} from '@fendrel/core';
import { z } from 'zod';
import { counted, signed } from '$lib/ui/format';
import { stringsOfInstrument, type StringBasis } from './strings';

const priority = z.enum(PRIORITY_IDS, { error: 'There is no such priority. Choose one of the list.' });

/** Additional stretch at C8, in cents. */
export const TOP_RANGE = { lowest: -10, highest: 30 } as const;
/** As far from equal temperament as any curve goes, in cents. */
const FURTHEST = 150;

/** What is wished of a curve, as it is stored and sent. */
export const wishSchema = z.object({
	lead: priority,
	with: priority.nullable(),
	/** Share of the second priority, 0 to 1. */
	share: z.number().min(0).max(1),
	/** Cents more at C8. */
	top: z
		.number()
		.min(TOP_RANGE.lowest, `The top takes ${TOP_RANGE.lowest} to +${TOP_RANGE.highest} cents.`)
		.max(TOP_RANGE.highest, `The top takes ${TOP_RANGE.lowest} to +${TOP_RANGE.highest} cents.`),
	/** Notes set by ear, in cents from equal temperament. */
	held: z.record(
		z.string().regex(/^\d{1,3}$/),
		z
			.number()
			.min(-FURTHEST, `No note lies more than ${FURTHEST} cents from equal temperament.`)
			.max(FURTHEST, `No note lies more than ${FURTHEST} cents from equal temperament.`)
	)
});
export type CurveChoice = z.infer<typeof wishSchema>;

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
