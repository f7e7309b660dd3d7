import { normalTail } from '../../numeric/normalTail';
import { twoTonesAt, byTwoTones } from './twoTones';
import { byManyTones } from './manyTones';
import type { Band, Told } from './expected';
import type { KnownNote } from './ownPartials';

/** A note's law is told by so many partials of its own. */
const LAWFUL = 4;
/** Partials of real strings lie off their law by so much of their pitch: 1.2 cents for both. */
const STRAYED = 7e-4;
/** Beats that lie so many errors from what the laws expect are those of one note's strings among themselves. */
const OF_ONE_NOTE = 2;
/** Beats faster than that many of those which a note’s own strings make are no beats of these: its partials may have strayed. */
const FASTER = 1;
/** Several tones are taken where it is so sure which of them are whose, per second. */
const SURE = 0.12;
/** A law of real strings errs by no less, per second. */
const LEAST_LAW_ERROR = 0.15;
/** What the strings of a unison, which are heard as one tone, leave unsure: at a fast beat and at a still one, per second. */
const SPREAD = { fast: 0.06, still: 0.22, falls: 0.7 } as const;
/** Tones that were not told apart in the time heard: per second, and as a share of what the law errs by. */
const UNRESOLVED = { least: 0.2, ofLaw: 0.5 } as const;
/** Beside that, where the tones were found only by looking where they should be. */
const LOOKED_FOR = 0.15;

/**
 * Open unisons: the strings of a note lie nearer to each other than to the other note's, so that two tones tell the beat, or several
 * where the sound lasts long enough to tell them apart. Where
 * one note is much the louder its own strings are taken for the two: then they are looked for where both laws have them.
 */
export function byTwoClusters(band: Band, lower: KnownNote, upper: KnownNote): Told | undefined {
	const expected = band.high.frequency - band.low.frequency;
	const error = Math.max(LEAST_LAW_ERROR, Math.hypot(band.low.error, band.high.error));
	const strayed = STRAYED * band.high.frequency;
	/** Strings of one note move against each other so fast. */
	const unison = (band.high.frequency * Math.LN2 * Math.max(lower.apart, upper.apart)) / 1200;
	const goes = (told: Told | undefined): told is Told => {
		if (!told) return false;
		const isFaster = Math.abs(told.rate) > FASTER * unison;
		return Math.abs(told.rate - expected) <= OF_ONE_NOTE * Math.hypot(error, told.error, isFaster ? strayed : 0);
	};
	const spread = (rate: number) => SPREAD.fast + SPREAD.still * Math.exp(-Math.abs(rate) / SPREAD.falls);
	const many = byManyTones(band);
	if (goes(many) && many.error <= SURE) return { ...many, error: Math.hypot(many.error, spread(many.rate)) };
	const free = byTwoTones(band);
	if (goes(free) && free.isResolved) return { ...free, error: Math.hypot(free.error, spread(free.rate)) };
	// Weighed by what the laws expect, a rate is no better than these.
	if (goes(free))
		return {
			...{
				rate: free.rate,
				isResolved: false,
				error: Math.hypot(free.error, UNRESOLVED.least, UNRESOLVED.ofLaw * error)
			},
			wide: normalTail(-expected / error)
		};
	const near = twoTonesAt(band);
	if (goes(near)) return { ...near, error: Math.hypot(near.error, spread(near.rate), LOOKED_FOR) };
	if (lower.own.length < LAWFUL || upper.own.length < LAWFUL) return undefined;
	const unsure = Math.hypot(error, strayed);
	return { rate: expected, error: unsure, wide: normalTail(-expected / unsure), isResolved: false };
}
