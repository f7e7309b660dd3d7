import { A4, hz, KEYBOARD, type NoteTarget, type Tuning } from '@fendrel/core';
import { BALANCED, curveAt, drawCurve, type CurveBasis, type KeptCurve } from './curve';
import { NO_STRETCH, type Stretch } from './stretch';
import { notesReadOf, stringsOfInstrument } from './strings';

/** What targets follow from. */
export interface PlanBasis extends CurveBasis {
	readonly a4: number;
	readonly temperament: { readonly tuning: Tuning };
	/** none unless said */
	readonly stretch?: Stretch;
	/** A curve that was taken, in place of one drawn afresh. */
	readonly curve?: Pick<KeptCurve, 'lowest' | 'deviations'>;
	/** The note that a fork gives, which stands at its equal-tempered pitch; A4 unless said otherwise. */
	readonly fork?: number;
}

/** Only what targets follow from, of something that knows more: short to send to a worker. */
export function basisOf({ kind, lowest, highest, a4, stretch, curve, temperament, measured }: PlanBasis): PlanBasis {
	return { kind, lowest, highest, a4, stretch, curve, temperament: { tuning: temperament.tuning }, measured };
}

export interface Plan {
	readonly targets: readonly NoteTarget[];
	readonly targetOf: (note: number) => NoteTarget | undefined;
	readonly inharmonicityAt: (note: number) => number;
	/** Cents of the first partial that the curve adds to equal temperament. */
	readonly stretchAt: (note: number) => number;
	/** How many notes' inharmonicity was read on this instrument; 0 when its kind's typical scale stands in. */
	readonly notesRead: number;
}

export function planFor({ fork = A4, ...basis }: PlanBasis): Plan {
	const { lowest, highest, a4, temperament, measured } = basis;
	const inharmonicityAt = stringsOfInstrument(basis).inharmonicity.at;
	const curve = curveOf(basis);
	// A fork other than A4 gives its own note, and everything else moves with it.
	const level = curve ? curveAt(curve, fork) : 0;
	const stretchAt = curve ? (note: number) => curveAt(curve, note) - level : () => 0;
	const targets = KEYBOARD.targets(
		{ lowest, highest },
		{ a4: hz(a4), temperament, anchor: fork, stretchAt, inharmonicityAt }
	);
	return {
		targets,
		targetOf: (note) => targets[note - lowest],
		inharmonicityAt,
		stretchAt,
		notesRead: notesReadOf(measured)
	};
}

function curveOf(basis: Omit<PlanBasis, 'fork'>): Pick<KeptCurve, 'lowest' | 'deviations'> | undefined {
	const { curve, stretch = NO_STRETCH, lowest } = basis;
	if (curve) return curve;
	if (stretch.by !== 'priority') return undefined;
	return { lowest, deviations: drawCurve(basis, { ...BALANCED, lead: stretch.lead }) };
}
