import { createRandom } from '../numeric/random';
import type { Hz } from '../units/quantity';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import type { Plucked } from '../record/fretActs';
import { USUAL_PLUCK, type Pluck } from '../sounding/pluck';
import { STEADY_REED, type LastingTone } from '../sounding/reed';
import { across, fretGroup, fretPlaceOf, isTied, noteAt, type FretEnds, type Neck, type StringStuff } from './neck';
import { centsAt, placeOf } from './places';
import { pressing } from './stopping';

/** A neck that nobody has built: where its pegs and frets stand, what its nut and its strings add, by a seed. */
export interface NeckTwin {
	readonly kind: 'frets';
	readonly seed: number;
}

/** What was moved since it was found: cents by string, mm at both ends by fret; keys are groups, a fret's that of its first string. */
export interface MovedNeck {
	readonly pegs: Readonly<Record<number, number>>;
	readonly frets: Readonly<Record<number, FretEnds>>;
}
export const UNMOVED_NECK: MovedNeck = { pegs: {}, frets: {} };

interface HiddenString {
	/** Cents from where it belongs. */
	readonly off: number;
	/** Millimetres that the nut stands too near. */
	readonly nut: number;
	/** Cents that pressing adds at the seventh fret. */
	readonly pressed: number;
	/** Cents by which a hard pluck begins sharp. */
	readonly plucked: number;
	/** Cents that the capo adds to what a finger would. */
	readonly capo: number;
}

/** Strings fall as they are left; guitars are tuned more often. */
const OFF = { middle: -6, spread: 7 } as const;
const NUT = 0.25;
const PRESSED: Readonly<Record<StringStuff, { readonly cents: number; readonly spread: number }>> = {
	gut: { cents: 1.5, spread: 0.8 },
	nylon: { cents: 2, spread: 1 },
	steel: { cents: 2.2, spread: 1.2 }
};
/** Millimetres that frets lie off, and slant. */
const LIES = 1.1;
const SLANTS = 0.7;
/** Of a single place, in cents. */
const ALONE = 0.15;
/** Cents that the other strings fall by for a cent that one is raised: the lowest pulls most. */
const PULL = { lowest: 0.02, others: 0.008 } as const;

const numberFor = (seed: number, ...more: readonly number[]) =>
	more.reduce((all, each) => Math.imul(all ^ (each + 1), 2_654_435_761) >>> 0, seed >>> 0);

function hiddenString({ seed }: NeckTwin, neck: Neck, string: number): HiddenString {
	const random = createRandom(numberFor(seed, string));
	const usual = PRESSED[neck.stuff];
	const low = 1 - across(neck, string);
	return {
		off: OFF.middle + OFF.spread * random.normal(),
		nut: Math.max(-0.5, Math.min(0.5, NUT * random.normal())),
		pressed: Math.max(0, usual.cents + usual.spread * random.normal()),
		plucked: (neck.stuff === 'steel' ? 2.5 + 5 * low : 1.5 + 2.5 * low) * (1 + 0.2 * random.normal()),
		capo: 1.5 + 2.5 * low + 0.8 * random.normal()
	};
}

/** Where a fret was found, at its two ends. */
function foundFret({ seed }: NeckTwin, neck: Neck, fret: number): FretEnds {
	const at = placeOf(neck.scale, 100 * fret);
	if (!isTied(neck)) return { low: at, high: at };
	const random = createRandom(numberFor(seed, 1000 + fret));
	const [lies, slants] = [LIES * random.normal(), SLANTS * random.normal()];
	return { low: at + lies - slants, high: at + lies + slants };
}

export interface SoundedNeck {
	readonly twin: NeckTwin;
	readonly neck: Neck;
	readonly moved: MovedNeck;
	/** Pitch that the open strings were left about, in Hz. */
	readonly a4: Hz;
}

/** Where an open string stands, in cents from equal temperament. @param peg its group: the second of a course has its own */
function openOff({ twin, neck, moved }: SoundedNeck, string: number, peg = string): number {
	const lowest = neck.strings.length;
	const pull = neck.strings.reduce((sum, _, i) => {
		const other = i + 1;
		if (other === string) return sum;
		return sum + (moved.pegs[other] ?? 0) * (other === lowest ? PULL.lowest : PULL.others);
	}, 0);
	return hiddenString(twin, neck, string).off + (moved.pegs[peg] ?? 0) - pull;
}

/** Cents above its open string that a stopped one sounds. */
function stoppedAbove({ twin, neck, moved }: SoundedNeck, string: number, fret: number): number {
	if (fret === 0) return 0;
	const { nut, pressed } = hiddenString(twin, neck, string);
	const found = foundFret(twin, neck, fret);
	const by = moved.frets[fret] ?? { low: 0, high: 0 };
	const u = across(neck, string);
	const place = found.low + by.low + (found.high + by.high - found.low - by.low) * u;
	const alone = ALONE * createRandom(numberFor(twin.seed, string, fret)).normal();
	const nearer = (1200 / Math.LN2) * Math.log1p(-nut / neck.scale);
	return centsAt(neck.scale, place) + nearer + pressed * pressing(neck, place) + alone;
}

/** Without a capo, stopped by a finger. */
const STOPPED: Pick<Plucked, 'capo' | 'isHarmonic'> = { capo: 0, isHarmonic: false };

/**
 * What a string sounds at now, in Hz: at the end of a soft pluck, or under an even bow. @param how over a capo its fret is counted
 * from the nut, 0: open over the capo; a harmonic is that of the twelfth fret
 */
export function soundedPitch(of: SoundedNeck, group: number, { capo, isHarmonic } = STOPPED): Hz {
	const place = fretPlaceOf(group);
	const { string, isSecond } = place;
	const open = { string, fret: 0, isSecond };
	const second = isSecond ? 3 * createRandom(numberFor(of.twin.seed, string, 77)).normal() : 0;
	const peg = fretGroup(string, 0, isSecond);
	const pressed = capo > 0 ? hiddenString(of.twin, of.neck, string).capo : 0;
	const above = isHarmonic ? 1200 : stoppedAbove(of, string, Math.max(place.fret, capo)) + pressed;
	const cents = openOff(of, string, peg) + second + above;
	return hz(equalHz(noteAt(of.neck, open), of.a4) * 2 ** (cents / 1200));
}

/** How a simulated string is bowed. */
export const BOWINGS = ['even', 'uneven'] as const;
export type Bowing = (typeof BOWINGS)[number];
const BOW = {
	even: { wobble: { cents: 2, rate: 5.2 }, drift: 0, seconds: 3, noise: 34 },
	uneven: { wobble: { cents: 24, rate: 4.1 }, drift: 15, seconds: 3, noise: 24 }
} as const;

/** What sounds when a string is bowed. @param times rises with every bow: no two are alike */
export function bowSound(of: SoundedNeck, group: number, bowing: Bowing, times: number): readonly LastingTone[] {
	const seed = numberFor(of.twin.seed, group, times);
	return [{ ...STEADY_REED, brightness: 0.8, rise: 0.25, ...BOW[bowing], pitch: soundedPitch(of, group), seed }];
}

/** What sounds when a string is plucked. @param touch 0 softly, 1 hard @param times rises with every pluck: no two are alike */
export function pluckSound(of: SoundedNeck, group: number, touch: number, times: number, how = STOPPED): Pluck {
	const { string } = fretPlaceOf(group);
	const { plucked } = hiddenString(of.twin, of.neck, string);
	const pitch = soundedPitch(of, group, how);
	return {
		// A harmonic is every second partial of the whole string.
		...{ ...USUAL_PLUCK, pitch: how.isHarmonic ? pitch / 2 : pitch, every: how.isHarmonic ? 2 : 1 },
		...{ inharmonicity: STIFF[of.neck.stuff] },
		...{ sharp: plucked * Math.max(SOFTEST, touch), seed: numberFor(of.twin.seed, group, times) }
	};
}
/** The softest pluck begins sharp too, by that share. */
const SOFTEST = 1 / 6;
/** B of strings in the middle of a neck. */
const STIFF: Readonly<Record<StringStuff, number>> = { gut: 3e-5, nylon: 4e-5, steel: 6e-5 };
