import { isFollowed } from '../../intervals/audibility';
import { coincidences } from '../../intervals/coincidences';
import type { StiffString } from '../../strings/stiffString';
import type { Hz } from '../../units/quantity';
import { hearPair, type HeardBeat, type PairRefusal } from './hearPair';
import { HIGHEST_HZ, type KnownNote } from './ownPartials';
import type { KeptPair } from './pairKeeper';
import { settledSound } from './settledSound';
import { whichKeys, type Keys } from './whichKeys';

/** Keys that are rather expected than others, and the coincidences that matter. */
export interface AskedKeys extends Keys {
	readonly meetings: readonly Meeting[];
}
/** Partials of the lower and of the upper note that meet. */
export type Meeting = readonly [lowerPartial: number, upperPartial: number];

/** What is known of an instrument before two of its keys are struck. */
export interface KnownKeyboard {
	readonly lowest: number;
	readonly highest: number;
	readonly a4: Hz;
	/** Where a note is thought to stand, within 60 cents. */
	readonly thought: (note: number) => StiffString;
	/** How many of its strings sound. */
	readonly strings: (note: number) => number;
}

/** What is told of two keys; the last word stands. */
export type PairWord = {
	readonly struckAt: number;
	/** So much of the sound it rests on. */
	readonly seconds: number;
	readonly isFinal: boolean;
} & (
	| {
			readonly kind: 'refused';
			readonly why: PairRefusal;
			/** The only note that sounded, where one did. */
			readonly only?: number;
			/** A note that may have sounded with it, hidden by its partials, and the beat that could not be told. */
			readonly hidden?: { readonly note: number; readonly beat: HeardBeat };
	  }
	| {
			readonly kind: 'heard';
			readonly keys: Keys;
			/** They are among those that were asked for. */
			readonly isAsked: boolean;
			/** The coincidence that matters most first. */
			readonly beats: readonly HeardBeat[];
			readonly lower: KnownNote;
			readonly upper: KnownNote;
	  }
);

/** Coincidences that are looked at beside those asked for: each costs a tenth of a second. */
const MOST_MEETINGS = 3;

/** Which keys sound together, and how they beat. */
export function hearKeys(kept: KeptPair, keyboard: KnownKeyboard, asked: readonly AskedKeys[]): PairWord {
	const sound = settledSound(kept);
	const told = {
		struckAt: kept.struckAt,
		seconds: sound.samples.length / sound.sampleRate,
		isFinal: kept.isFinal
	};
	const found = whichKeys(sound, keyboard.thought, keyboard, asked);
	if (!found) return { ...told, kind: 'refused', why: 'no note' };
	const { keys, lower, upper } = found;
	const named = asked.find((each) => each.lower === keys.lower && each.upper === keys.upper);
	const heard = hearPair(
		sound,
		{ string: lower, strings: keyboard.strings(keys.lower) },
		{ string: upper, strings: keyboard.strings(keys.upper) },
		meetingsOf(lower, upper, keyboard.a4, named?.meetings ?? [])
	);
	if (heard.kind === 'heard') return { ...told, ...heard, keys, isAsked: named !== undefined };
	const only = heard.missing && (heard.missing === 'lower' ? keys.upper : keys.lower);
	return { ...told, kind: 'refused', why: heard.why, ...(only !== undefined && { only }) };
}

/** What is asked for, then what an ear follows best. */
function meetingsOf(lower: StiffString, upper: StiffString, a4: Hz, asked: readonly Meeting[]): readonly Meeting[] {
	const others = coincidences(lower, upper, a4)
		.filter((each) => each.heardAt < HIGHEST_HZ)
		.filter(({ rate, lowerPartial, upperPartial, heardAt }) => isFollowed(rate, lowerPartial, upperPartial, heardAt))
		.map(({ lowerPartial, upperPartial }): Meeting => [lowerPartial, upperPartial])
		.filter(([p, q]) => !asked.some(([other, with_]) => other === p && with_ === q));
	return [...asked, ...others.slice(0, Math.max(0, MOST_MEETINGS - asked.length))];
}
