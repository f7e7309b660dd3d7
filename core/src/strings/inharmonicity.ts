/** Instrument kinds whose strings differ in kind; named as technicians do. */
export const STRING_KINDS = ['grand', 'upright', 'fortepiano', 'harpsichord'] as const;
export type StringKind = (typeof STRING_KINDS)[number];
/** Early keyboards: set by pure octaves, register by register, at pins that lie in no order that one sees. */
export const isEarly = (kind: StringKind): boolean => kind === 'fortepiano' || kind === 'harpsichord';

/** log B falls along the bass branch and rises along the treble branch. */
export interface TwoBranches {
	readonly bassSlope: number;
	readonly bassLevel: number;
	readonly trebleSlope: number;
	readonly trebleLevel: number;
}

/**
 * Typical scales. Upright: Rigaud, David & Daudet 2013 (JASA 133:3107); grand: a recorded concert
 * grand; the early instruments: set by us within the ranges reported for short thin strings
 * (1e-5 to 1e-4 for a harpsichord, up to 4e-4 in its treble).
 */
export const TYPICAL_BRANCHES: Readonly<Record<StringKind, TwoBranches>> = {
	upright: { bassSlope: -0.0847, bassLevel: -5.82, trebleSlope: 0.0926, trebleLevel: -13.64 },
	grand: { bassSlope: -0.122, bassLevel: -5.56, trebleSlope: 0.0892, trebleLevel: -13.52 },
	fortepiano: { bassSlope: -0.08, bassLevel: -7.2, trebleSlope: 0.085, trebleLevel: -14.2 },
	harpsichord: { bassSlope: -0.05, bassLevel: -10.2, trebleSlope: 0.08, trebleLevel: -15.42 }
};

/** B(m) = exp(b_B m + a_B) + exp(b_T m + a_T) (Rigaud et al. 2013, eq. 6). */
export function twoBranchInharmonicity(branches: TwoBranches, note: number): number {
	return (
		Math.exp(branches.bassSlope * note + branches.bassLevel) +
		Math.exp(branches.trebleSlope * note + branches.trebleLevel)
	);
}

export function typicalInharmonicity(kind: StringKind, note: number): number {
	return twoBranchInharmonicity(TYPICAL_BRANCHES[kind], note);
}
