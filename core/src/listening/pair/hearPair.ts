import { partialHz, type StiffString } from '../../strings/stiffString';
import { measureBeat, type MeasuredBeat } from './coincidence';
import { foreignShare, peaksOf } from './foreignPeaks';
import {
	fromLaw,
	FURTHEST,
	HIGHEST_HZ,
	knownNotes,
	lawOf,
	type KnownNote,
	type PairNote,
	type PairSound
} from './ownPartials';

/** Why a beat is not told. */
export type Untold = 'too slow' | 'unsteady' | 'off the laws' | 'contradicted' | 'too high';
/** How a beat may be told. */
export type BeatCertainty = 'clear' | 'at the limit' | 'not to be said';

export interface HeardBeat extends MeasuredBeat {
	readonly certainty: BeatCertainty;
	/** Undefined where it is told. */
	readonly untold?: Untold;
	/** Undefined: not sure enough to be said, or still; never said where a unison moves faster than the interval. */
	readonly sense: 'wide' | 'narrow' | undefined;
	/** How fast the strings of one note move against each other there, per second; 0 with one string each. */
	readonly unisonRate: number;
}

export type PairRefusal = 'no note' | 'one note only' | 'another note' | 'too short';
export type HeardPair =
	| { readonly kind: 'refused'; readonly why: PairRefusal; readonly missing?: 'lower' | 'upper' }
	| {
			readonly kind: 'heard';
			readonly lower: KnownNote;
			readonly upper: KnownNote;
			readonly beats: readonly HeardBeat[];
	  };

/** More than that share of what sounds belongs to neither: somebody plays a third note, or another one. */
const MOST_FOREIGN = 0.04;
/** A note that has none of its own may stand so many cents from where it is thought to. */
const UNKNOWN = 25;
/** A note is known by its own partials from so many on. */
const FEWEST_OWN = 2;
/** Shorter than that nothing is told of two notes, in seconds. */
const SHORTEST = 0.6;
/** A figure is not said when it errs by more: per second, and as a share of it. */
const SAID = { rate: 0.15, share: 0.02 } as const;
/** Of open unisons more is asked the longer they sound: so many turns in the time heard, within bounds. */
const SAID_OPEN = { turns: 1.75, least: 0.36, most: 0.58, share: 0.04 } as const;
/** In a sound so long, in seconds, a beat that the laws make turn so often would have been told apart: where it was not, it is none of theirs. */
const WOULD_SHOW = { seconds: 4, turns: 1.5 } as const;
/** Nor when it lies further from what both notes' own partials tell. */
const FROM_LAW = 3.5;
/** Octaves of open unisons move by themselves by so much, per second, whatever they are. */
const OPEN_OCTAVE = 0.2;
/** Partials of an octave's notes stray from their laws by so much of their pitch: a cent and a half. */
const STRAYED = 8.7e-4;
/** Open unisons beat among themselves too fast above. */
const OPEN_HIGHEST_HZ = 1800;
/** The sense is said from that chance on, and from so many errors. */
const SENSE = { chance: 0.95, errors: 1.6, ofOpen: 2.2, unisons: 1.3 } as const;

/**
 * What two notes that sound together do at the coincidences asked for.
 * @param sound from about 0.12 s after the later key was struck
 * @param lower, upper as they are thought to stand: within 25 cents, B within a factor of two
 * @param pairs partials of the lower and of the upper note that meet
 */
export function hearPair(
	sound: PairSound,
	lower: PairNote,
	upper: PairNote,
	pairs: readonly (readonly [lowerPartial: number, upperPartial: number])[]
): HeardPair {
	if (sound.samples.length < SHORTEST * sound.sampleRate) return { kind: 'refused', why: 'too short' };
	const [low, high] = knownNotes(sound, [lower, upper]);
	if (isMissing(low)) return { kind: 'refused', why: 'one note only', missing: 'lower' };
	// An octave or a twelfth has next to no partial of its own.
	const octave = isMultiple(low, high);
	if (!octave && isMissing(high)) return { kind: 'refused', why: 'one note only', missing: 'upper' };
	const hasOwn = high.present >= FEWEST_OWN;
	const doubt = hasOwn ? 0 : UNKNOWN;
	const notes = [
		{ string: low.string, doubt: 0 },
		{ string: high.string, doubt }
	];
	if (foreignShare(peaksOf(sound), notes) > MOST_FOREIGN) return { kind: 'refused', why: 'another note' };
	const isOpen = lower.strings > 1 || upper.strings > 1;
	const beats = pairs
		.filter(([p, q]) => partialHz(low.string, p) < HIGHEST_HZ && partialHz(high.string, q) < HIGHEST_HZ)
		.flatMap(([p, q]): HeardBeat[] => {
			const told = hasOwn ? high : withoutOwn(sound, low, high, q);
			const beat = told && measureBeat(sound, low, told, p, q);
			if (!beat) return [];
			const error = isOpen && octave ? Math.hypot(beat.error, OPEN_OCTAVE) : beat.error;
			const unisonRate = (beat.heardAt * Math.LN2 * Math.max(low.apart, high.apart)) / 1200;
			const seconds = sound.samples.length / sound.sampleRate;
			return [judged({ ...beat, error, unisonRate }, isOpen && seconds, isOpen && octave ? STRAYED * beat.heardAt : 0)];
		});
	if (high.present === 0 && !beats.some(({ isResolved }) => isResolved))
		return { kind: 'refused', why: 'one note only', missing: 'upper' };
	return { kind: 'heard', lower: low, upper: high, beats: octave ? agreeing(beats, low, upper.string, isOpen) : beats };
}

/** The lowest partials of real strings lie so far off their law, in cents. */
const STRAYS = 2;
/** Sizes that lie further apart than so many errors contradict each other. */
const CONTRADICT = 3;

/**
 * Octaves and their kin are told by partials of one note that hide those of the other: two coincidences must tell the same size,
 * where there are two.
 */
function agreeing(
	beats: readonly HeardBeat[],
	low: KnownNote,
	upper: StiffString,
	isOpen: boolean
): readonly HeardBeat[] {
	const said = beats.filter(({ certainty }) => certainty !== 'not to be said');
	// One string each may do with one; of open unisons a single word is worth nothing.
	if (said.length < 2 && !isOpen) return beats;
	/** How far the upper note stands above where it is thought to, in cents, by one coincidence. */
	const sizes = said.map(({ lowerPartial, upperPartial, heardAt, rate, error }) => {
		const thought = partialHz(upper, upperPartial) - partialHz(low.string, lowerPartial);
		const cent = (heardAt * Math.LN2) / 1200;
		return { cents: (rate - thought) / cent, error: Math.hypot(error / cent, STRAYS) };
	});
	const agrees = (i: number) =>
		sizes.some(
			(other, j) =>
				i !== j && Math.abs(sizes[i].cents - other.cents) < CONTRADICT * Math.hypot(sizes[i].error, other.error)
		);
	const lonely = new Set(said.filter((_, i) => !agrees(i)));
	return beats.map((beat) =>
		lonely.has(beat) ? { ...beat, certainty: 'not to be said', untold: 'contradicted', sense: undefined } : beat
	);
}

/** Of many partials that should stand alone, a note that sounds shows more than one. */
const MANY = 5;
const isMissing = ({ present, expected }: KnownNote) => present === 0 || (expected >= MANY && present < FEWEST_OWN);
const isMultiple = (low: KnownNote, high: KnownNote) => {
	const ratio = high.string.flexiblePitch / low.string.flexiblePitch;
	return Math.abs(ratio / Math.round(ratio) - 1) < 0.03;
};

/**
 * An upper note all of whose partials meet the lower one's (an octave, a twelfth): known by the other coincidences, where the
 * lower note's place is known.
 */
function withoutOwn(sound: PairSound, low: KnownNote, high: KnownNote, asked: number): KnownNote | undefined {
	const ratio = Math.round(high.string.flexiblePitch / low.string.flexiblePitch);
	const wide: KnownNote = { ...high, misfit: 6 };
	const found = [1, 2, 3, 4, 5]
		.filter((q) => q !== asked)
		.flatMap((q) => {
			const beat = measureBeat(sound, low, wide, ratio * q, q);
			if (!beat?.isResolved) return [];
			const frequency = partialHz(low.string, ratio * q) + beat.rate;
			return [{ partial: q, frequency, error: Math.hypot(beat.error, 2e-4 * frequency) }];
		});
	const string = lawOf(found, high.string);
	const off = string && 1200 * Math.log2(string.flexiblePitch / high.string.flexiblePitch);
	if (!string || found.length === 0 || Math.abs(off!) > FURTHEST) return { ...high, misfit: 4 };
	const strayed = found.map(({ partial, frequency }) => Math.abs(fromLaw(string, partial, frequency)));
	return { ...high, string, misfit: Math.max(0.6, ...strayed) };
}

const mostOpen = (seconds: number) => Math.min(SAID_OPEN.most, Math.max(SAID_OPEN.least, SAID_OPEN.turns / seconds));

/**
 * @param open how long open unisons sounded, in seconds; false with one string each
 * @param strays how far the notes' partials lie off their laws where only these tell which tone is whose, per second
 */
function judged(beat: MeasuredBeat & Pick<HeardBeat, 'unisonRate'>, open: number | false, strays: number): HeardBeat {
	const isOpen = open !== false;
	const { rate, share } = isOpen ? { rate: mostOpen(open), share: SAID_OPEN.share } : SAID;
	const most = Math.max(rate, share * Math.abs(beat.rate));
	const off = Math.abs(beat.rate - beat.expected) / Math.hypot(beat.error, beat.expectedError);
	const untold = untoldFor(beat, most, off, open);
	const isSaid = untold === undefined;
	const chance = Math.max(beat.wide, 1 - beat.wide);
	const ofUnison = isOpen ? SENSE.unisons * beat.unisonRate : 0;
	const least = (isOpen ? SENSE.ofOpen : SENSE.errors) * Math.hypot(beat.error, strays);
	const isSure = isSaid && chance >= SENSE.chance && Math.abs(beat.rate) >= Math.max(least, ofUnison);
	return {
		...beat,
		...(untold && { untold }),
		certainty: !isSaid ? 'not to be said' : beat.error <= most / 2 ? 'clear' : 'at the limit',
		sense: isSure ? (beat.rate > 0 ? 'wide' : 'narrow') : undefined
	};
}

function untoldFor(
	{ error, heardAt, isResolved, expected }: MeasuredBeat,
	most: number,
	off: number,
	open: number | false
): Untold | undefined {
	if (open !== false && heardAt > OPEN_HIGHEST_HZ) return 'too high';
	if (off > FROM_LAW) return 'off the laws';
	const isLong = open !== false && open >= WOULD_SHOW.seconds;
	if (isLong && !isResolved && Math.abs(expected) * open > WOULD_SHOW.turns) return 'off the laws';
	if (error <= most) return undefined;
	return isResolved ? 'unsteady' : 'too slow';
}
