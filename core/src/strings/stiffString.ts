import { cents, hz, type Cents, type Hz } from '../units/quantity';

/**
 * A stiff string: `flexiblePitch` is F, the pitch it would have if it were perfectly flexible, `inharmonicity` is B.
 * Partial n sounds at n F sqrt(1 + B n^2) (H. Fletcher 1964, JASA 36:203, eq. 9).
 */
export interface StiffString {
	readonly flexiblePitch: Hz;
	readonly inharmonicity: number;
}

/** Partial n over F: n sqrt(1 + B n^2). */
export function partialRatio(inharmonicity: number, partial: number): number {
	return partial * Math.sqrt(1 + inharmonicity * partial * partial);
}

export function partialHz({ flexiblePitch, inharmonicity }: StiffString, partial: number): Hz {
	return hz(flexiblePitch * partialRatio(inharmonicity, partial));
}

/** F of a string whose partial n sounds at a frequency. */
export function flexiblePitchOf(frequency: number, inharmonicity: number, partial = 1): number {
	return frequency / partialRatio(inharmonicity, partial);
}

/** How far partial n lies above n times the first partial. */
export function partialSharpness(inharmonicity: number, partial: number): Cents {
	return cents(600 * Math.log2((1 + inharmonicity * partial * partial) / (1 + inharmonicity)));
}

/** The string whose first partial sounds at `first`. @throws RangeError when B is negative or not finite. */
export function stringFromFirstPartial(first: Hz, inharmonicity: number): StiffString {
	if (!(inharmonicity >= 0 && inharmonicity < Infinity))
		throw new RangeError(`stringFromFirstPartial: inharmonicity ${inharmonicity} is not 0 or above`);
	return { flexiblePitch: hz(flexiblePitchOf(first, inharmonicity)), inharmonicity };
}
