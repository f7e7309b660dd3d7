import { noteName, type HeardBeat, type PairRefusal, type PairWord, type Untold } from '@fendrel/core';
import { pairName, STILL_RATE } from '$lib/ui/beats';
import { fixed, signed } from '$lib/ui/format';

/** "0.2", "0.03": an error to one figure. */
export function errorWords(error: number): string {
	return error >= 0.095 ? fixed(error, 1) : fixed(Math.max(0.01, error), 2);
}

/** "7.3 wide", "0.42 narrow", "still"; as many figures as the error lets stand. */
export function heardRate({ rate, error, sense, certainty }: HeardBeat): string {
	if (certainty === 'not to be said') return 'not to be told';
	const digits = error >= 0.095 ? 1 : 2;
	const size = fixed(Math.abs(rate), digits);
	if (Math.abs(rate) < Math.max(STILL_RATE, error)) return 'still';
	const about = certainty === 'at the limit' ? 'about ' : '';
	return `${about}${size}${sense ? ` ${sense}` : ''}`;
}

/** "7.3 wide, ±0.2". */
export function heardWords(beat: HeardBeat): string {
	return beat.certainty === 'not to be said' ? heardRate(beat) : `${heardRate(beat)}, ±${errorWords(beat.error)}`;
}

/** "+7.3 ±0.2" beside signed figures; without a sign where the side of pure is not sure. */
export function heardSigned(beat: HeardBeat): string {
	const { rate, error, sense, certainty } = beat;
	if (certainty === 'not to be said') return '–';
	const digits = error >= 0.095 ? 1 : 2;
	return `${sense ? signed(rate, digits) : fixed(Math.abs(rate), digits)} ±${errorWords(error)}`;
}

/** Why nobody says on which side of pure an interval lies; empty where somebody does, or where it is still. */
export function unsidedWords({ rate, error, sense, certainty, unisonRate }: HeardBeat): string {
	if (sense || certainty === 'not to be said' || Math.abs(rate) < Math.max(STILL_RATE, error)) return '';
	return unisonRate > Math.abs(rate)
		? 'Wide or narrow cannot be said: a unison itself moves faster than that.'
		: 'Wide or narrow is not sure.';
}

const UNTOLD: Record<Untold, string> = {
	'too slow': 'it moves too little in the time that it sounds',
	unsteady: 'one of its strings beats by itself, or does not stand still',
	'off the laws': 'it does not go with the rest of both notes',
	contradicted: 'no other coincidence bears it out',
	'too high': 'strings of a unison beat among themselves too fast up there'
};
/** Why a beat is not told. */
export const untoldWords = ({ untold = 'too slow' }: HeardBeat): string => UNTOLD[untold];

const REFUSED: Record<PairRefusal, string> = {
	'no note': 'Nothing sounded that could be told.',
	'one note only': 'Only one key sounded.',
	'another note': 'Something else sounds too: a third key, or another string.',
	'too short': 'It sounded too briefly to tell. Hold both keys for a second or more.'
};

/** Why nothing is told of keys. */
export function refusedWords(word: Extract<PairWord, { readonly kind: 'refused' }>): string {
	if (word.only === undefined) return REFUSED[word.why];
	const only = `Only ${noteName(word.only)} sounded`;
	if (!word.hidden) return `${only}. Strike both keys together.`;
	const { note, beat } = word.hidden;
	return `${only}, or ${noteName(note)} with it and no beat can be told: ${untoldWords(beat)}.`;
}

/** "F3-A3, 7.3 wide, ±0.2". */
export function wordOf(keys: { readonly lower: number; readonly upper: number }, beat: HeardBeat): string {
	return `${pairName(keys)}, ${heardWords(beat)}`;
}

/** How a heard beat stands to the one that is asked for. */
export function besideAsked(beat: HeardBeat, asked: number): string {
	if (beat.certainty === 'not to be said') return '';
	const isSided = beat.sense !== undefined || Math.abs(asked) < STILL_RATE;
	const off = isSided ? beat.rate - asked : Math.abs(beat.rate) - Math.abs(asked);
	if (Math.abs(off) <= Math.max(2 * beat.error, STILL_RATE)) return 'as asked';
	if (isSided && beat.rate * asked < 0 && Math.abs(asked) >= STILL_RATE) return 'on the other side of pure';
	const faster = Math.abs(beat.rate) > Math.abs(asked);
	return `${fixed(Math.abs(off), 1)} too ${faster ? 'fast' : 'slow'}`;
}
