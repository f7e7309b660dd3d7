import { A4, TEMPERAMENT_ORDERS, noteName, type PlannedOrder } from '@fendrel/core';
import { inSentence } from '$lib/ui/format';

export const OUTWARDS_NAMES: Readonly<Record<PlannedOrder['outwards'], string>> = {
	upFirst: 'up, then down',
	downFirst: 'down, then up'
};
export const UNISON_NAMES: Readonly<Record<PlannedOrder['unisons'], string>> = {
	notAsked: 'one string a note; the rest is not asked for',
	asOneGoes: 'as one goes',
	afterwards: 'afterwards, when all leading strings stand'
};
export const BY_EAR_NAMES: Readonly<Record<PlannedOrder['byEar'], string>> = {
	nothing: 'by the figure, the ear beside it',
	outwards: 'temperament by the figure, outwards by ear',
	all: 'all by ear, the app as witness'
};

/** Whether a bearing plan finds its fork and its whole octave on a keyboard. */
export const reachesOctave = (
	octave: number,
	{ lowest, highest }: { readonly lowest: number; readonly highest: number }
): boolean => Math.min(octave, A4) >= lowest && Math.max(octave + 12, A4) <= highest;

const small = (text: string) => inSentence(text[0].toLowerCase() + text.slice(1));

/** "thirds first, quiet fifths, from F3; up, then down; unisons as one goes". */
export function orderWords({ first, octave, outwards, unisons, byEar }: PlannedOrder): string {
	const name = TEMPERAMENT_ORDERS.find(({ id }) => id === first)?.name ?? TEMPERAMENT_ORDERS[0].name;
	return [
		`${small(name)}, from ${noteName(octave)}`,
		OUTWARDS_NAMES[outwards],
		...(unisons === 'notAsked' ? [] : [`unisons ${UNISON_NAMES[unisons].split(',')[0]}`]),
		...(byEar === 'nothing' ? [] : [BY_EAR_NAMES[byEar]])
	].join('; ');
}
