/** From one visit to the next: how the pitch moved, by how much the air grew damper, and over how long. */
export interface PitchChange {
	/** Cents, from how it was left to how it was found. */
	readonly cents: number;
	/** Per cent of relative humidity. */
	readonly humidity: number;
	readonly months: number;
}

export interface SeasonShare {
	/** Cents that the change of humidity explains. */
	readonly explained: number;
	/** Standard error of that, in cents. */
	readonly error: number;
	/** Changes that it was learned from; 0: as instruments usually do. */
	readonly from: number;
}

/** Where learning begins: cents for each per cent of humidity, and for each month; instruments differ as widely. */
const BEFORE = { damp: 0.3, dampError: 0.25, month: -0.3, monthError: 0.5 } as const;
/** Cents by which a change errs besides: how it was left, how it was found, and what else happened. */
const ERROR = 2;

/**
 * What a change of humidity explains of a change of pitch, learned from how the instrument moved before: least squares for
 * a coefficient of humidity and one of time, held to their starting values where the record says little (Bayesian linear
 * regression with known noise: Gelman et al. 2013, "Bayesian Data Analysis", section 14.8).
 */
export function seasonShare(before: readonly PitchChange[], humidity: number): SeasonShare {
	let [aa, ab, bb] = [BEFORE.dampError ** -2, 0, BEFORE.monthError ** -2];
	let [ra, rb] = [BEFORE.damp * aa, BEFORE.month * bb];
	for (const change of before) {
		const weight = ERROR ** -2;
		aa += weight * change.humidity ** 2;
		ab += weight * change.humidity * change.months;
		bb += weight * change.months ** 2;
		ra += weight * change.humidity * change.cents;
		rb += weight * change.months * change.cents;
	}
	const det = aa * bb - ab ** 2;
	const damp = (bb * ra - ab * rb) / det;
	return {
		explained: damp * humidity,
		error: Math.sqrt(bb / det) * Math.abs(humidity),
		from: before.length
	};
}

/** Changes that nobody would blame on anything else: smaller ones are not the season's to take back. */
const LEAST = 2;

/**
 * Whether a change is the season's: what humidity explains goes the same way and leaves no more of it than a tuning would.
 * @param cents how far it stands from how it was left
 * @param within cents that do not matter
 */
export function isSeasons(cents: number, { explained, error }: SeasonShare, within: number): boolean {
	return (
		Math.abs(cents) >= LEAST &&
		Math.sign(explained) === Math.sign(cents) &&
		Math.abs(explained) > 2 * error &&
		Math.abs(cents - explained) <= Math.max(within, error)
	);
}
