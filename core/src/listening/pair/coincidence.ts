import { partialEnvelope } from '../closer/envelope';
import { HIGHEST_SHARE_OF_RATE, WIDEST_HZ } from '../closer/unison';
import { expectedAt, type Band, type Told } from './expected';
import { byTwoClusters } from './openUnisons';
import { roomAbout, type KnownNote, type PairSound } from './ownPartials';
import { byTwoTones, ownBeat } from './twoTones';

/** The beat of two notes at one pair of partials. */
export interface MeasuredBeat extends Told {
	readonly lowerPartial: number;
	readonly upperPartial: number;
	/** Where it is heard, in Hz. */
	readonly heardAt: number;
	/** What both notes' own partials make one expect, and how far that errs. */
	readonly expected: number;
	readonly expectedError: number;
}

/** A figure errs by as much besides: what two strikes of a string differ by, per second and as a share of the pitch. */
const FLOOR = { rate: 0.003, share: 4e-6 } as const;
/** Further from what both laws expect, in errors, two tones are those of one string. */
const OFF_LAW = 3.5;
/**
 * A beat of which hardly one turn came is bent by whatever else a string does meanwhile (its second direction of motion): shares
 * of one turn in the time heard.
 */
const SLOW = { told: 0.18, untold: 0.28 } as const;

/** @returns undefined when the band cannot be parted from its neighbours, or nothing sounds there */
export function measureBeat(
	{ samples, sampleRate }: PairSound,
	lower: KnownNote,
	upper: KnownNote,
	lowerPartial: number,
	upperPartial: number
): MeasuredBeat | undefined {
	const [low, high] = [expectedAt(lower, lowerPartial), expectedAt(upper, upperPartial)];
	const about = (low.frequency + high.frequency) / 2;
	if (about > HIGHEST_SHARE_OF_RATE * sampleRate) return undefined;
	const room = roomAbout(about, [lower.string, upper.string], [low.frequency, high.frequency]);
	const envelope = partialEnvelope(samples, sampleRate, about, Math.min(room, WIDEST_HZ));
	if (!envelope) return undefined;
	const band = { envelope, low, high };
	const open = lower.strings > 1 || upper.strings > 1;
	const floor = Math.hypot(FLOOR.rate, FLOOR.share * about);
	const expected = { rate: high.frequency - low.frequency, error: Math.hypot(low.error, high.error) };
	const told = open ? byTwoClusters(band, lower, upper) : bySingleStrings(band, expected, lower, upper);
	if (!told) return undefined;
	const turn = sampleRate / samples.length;
	const slow = turn * (told.isResolved ? SLOW.told * Math.min(1, turn / Math.abs(told.rate)) : SLOW.untold);
	return {
		...{ lowerPartial, upperPartial, heardAt: about },
		...{ ...told, error: Math.hypot(told.error, floor, slow) },
		expected: expected.rate,
		expectedError: expected.error
	};
}

/** One string each; one that beats by itself leaves unsure where it stands. */
function bySingleStrings(
	band: Band,
	expected: { readonly rate: number; readonly error: number },
	lower: KnownNote,
	upper: KnownNote
): Told | undefined {
	const alone = byTwoTones(band);
	const own = alone.isResolved ? ownBeat(band) : 0;
	const isOff = Math.abs(alone.rate - expected.rate) > OFF_LAW * Math.hypot(alone.error, own, expected.error);
	// Its tones may have been taken for the two notes: then it is like a unison.
	const told = isOff ? byTwoClusters(band, lower, upper) : alone;
	return told && { ...told, error: Math.hypot(told.error, own) };
}
