import { noteName, type StopReason, type StringsPlace } from '@fendrel/core';
import { ordinal } from '$lib/ui/format';

const GROUPS = ['', 'string', 'pair', 'group of three'];

/** "Counting right from the break, C5 is the 28th group of three." */
export function placeWords(note: number, { strings, wound, count, from, isBreak }: StringsPlace): string {
	const end = isBreak ? 'the break' : from === 'left' ? 'the lowest note' : 'the highest note';
	const way = from === 'left' ? 'right' : 'left';
	return `Counting ${way} from ${end}, ${noteName(note)} is the ${ordinal(count)} ${wound ? 'wound ' : ''}${GROUPS[strings]}.`;
}

/** Why an owner stops and calls. */
export const STOP_WORDS: Readonly<Record<StopReason, string>> = {
	notFollowing: 'the pitch does not follow the lever',
	notHolding: 'it slips back again and again: the pin may be loose',
	farOff: 'a string has more than 30 cents to go: it may break',
	allOut: 'its neighbours stand more than 10 cents out as well: it wants a tuning'
};
