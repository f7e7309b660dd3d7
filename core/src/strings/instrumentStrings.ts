import { cents, type Cents } from '../units/quantity';
import type { StringKind } from './inharmonicity';
import { keyboardInharmonicity, type KeyboardInharmonicity, type MeasuredInharmonicity } from './keyboardInharmonicity';
import { partialSharpness } from './stiffString';

/** How far a measured partial lies above so many times the first. */
export interface PartialOffset {
	readonly partial: number;
	readonly sharpness: Cents;
	/** Standard error in cents, that of the first partial included. */
	readonly error: Cents;
}

/** A string as a strike has told it: B over all its partials, and the partials themselves. */
export interface MeasuredString extends MeasuredInharmonicity {
	readonly partials: readonly PartialOffset[];
}

/** The strings of an instrument, one to a note, as far as they are known. */
export interface InstrumentStrings {
	readonly inharmonicity: KeyboardInharmonicity;
	/** Cents by which partial n lies above n times the first: measured where that is sure, else by formula. */
	readonly sharpnessAt: (note: number, partial: number) => Cents;
	/** What a small change of log B does to it, in cents: nothing where the partial was measured well. */
	readonly sensitivityAt: (note: number, partial: number) => number;
	/** Standard error in cents that the partial has besides: of its measurement, and of the formula. */
	readonly partialErrorAt: (note: number, partial: number) => number;
}

/** Share of a partial's sharpness by which real strings, wound ones above all, leave the formula; and at least so many cents. */
const MISFIT = { share: 0.05, least: 0.05 } as const;
/** A partial further than this from the formula, in cents and in shares, was taken from another sound. */
const STRANGE = { share: 0.6, least: 8 } as const;

/**
 * Strings from what was measured. A measured partial takes the formula's place by their variances, since real
 * strings obey f_n = n F sqrt(1 + B n^2) (Fletcher 1964) only roughly.
 * @param breakNote lowest note above the break, when it is known
 */
export function instrumentStrings(
	kind: StringKind,
	measured: readonly (MeasuredInharmonicity & Partial<Pick<MeasuredString, 'partials'>>)[],
	breakNote?: number
): InstrumentStrings {
	const inharmonicity = keyboardInharmonicity(kind, measured, breakNote);
	const offsets = new Map(
		measured
			.filter(({ note }) => !inharmonicity.doubtful.has(note))
			.map(({ note, partials = [] }) => [note, new Map(partials.map((each) => [each.partial, each]))])
	);
	const known = new Map<number, { readonly b: number; readonly error: number }>();
	const stringOf = (note: number) => {
		let found = known.get(note);
		if (!found) known.set(note, (found = { b: inharmonicity.at(note), error: inharmonicity.errorAt(note) }));
		return found;
	};
	const blend = (note: number, partial: number) => {
		const { b, error } = stringOf(note);
		const formula = partialSharpness(b, partial);
		const own = offsets.get(note)?.get(partial);
		const slope = sharpnessSlope(b, partial);
		// The first partial is what the others are counted from.
		const misfit = partial === 1 ? 0 : Math.hypot(MISFIT.share * formula, MISFIT.least);
		const asFormula = { sharpness: formula, slope, error: misfit };
		if (!own || !(own.error > 0)) return asFormula;
		if (!(Math.abs(own.sharpness - formula) < Math.max(STRANGE.least, STRANGE.share * formula))) return asFormula;
		const doubt = Math.hypot(slope * error, misfit);
		const share = own.error ** 2 / (own.error ** 2 + doubt ** 2);
		return {
			sharpness: cents(share * formula + (1 - share) * own.sharpness),
			slope: share * slope,
			error: Math.hypot(share * misfit, (1 - share) * own.error)
		};
	};
	return {
		inharmonicity,
		sharpnessAt: (note, partial) => blend(note, partial).sharpness,
		sensitivityAt: (note, partial) => blend(note, partial).slope,
		partialErrorAt: (note, partial) => blend(note, partial).error
	};
}

/** Derivative of partialSharpness by log B, in cents. */
function sharpnessSlope(b: number, partial: number): number {
	const stiff = b * partial * partial;
	return (600 / Math.LN2) * (stiff / (1 + stiff) - b / (1 + b));
}
