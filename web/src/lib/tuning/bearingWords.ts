import { intervalName, noteName, SCHOOLS, type BearingCheck, type BearingStep } from '@fendrel/core';
import { pairName, STILL_RATE } from '$lib/ui/beats';
import { fixed } from '$lib/ui/format';

const size = (rate: number) => fixed(Math.abs(rate), 1);

/** "1.0 wide", "still". */
export function shortRate(rate: number): string {
	return Math.abs(rate) < STILL_RATE ? 'still' : `${size(rate)} ${rate < 0 ? 'narrow' : 'wide'}`;
}

const ALIKE = 0.3;

/** What the ear compares the check with. */
export function comparisonWords({ edge, compare }: BearingCheck): string {
	if (!compare) return '';
	const other = `${pairName(compare.edge)} (${size(compare.edge.rate)})`;
	const rise = Math.abs(edge.rate) - Math.abs(compare.edge.rate);
	const relation = Math.abs(rise) < ALIKE ? 'about as fast as' : rise > 0 ? 'faster than' : 'slower than';
	const why = {
		neighbour: 'its neighbour',
		'next third': 'the third below it',
		'stacked third': 'the third stacked on it',
		'inside third': 'the third inside it'
	}[compare.as];
	return `${relation} ${why}, ${other}`;
}

export const SCHOOL_NAMES: Readonly<Record<string, string>> = {
	...Object.fromEntries(SCHOOLS.map(({ id, name }) => [id, name])),
	computed: 'Computed: least error'
};
export const SCHOOL_TEXTS: Readonly<Record<string, string>> = {
	...Object.fromEntries(SCHOOLS.map(({ id, about }) => [id, about])),
	computed:
		'At every step the note that the known ones fix best; where several intervals lead to it, set it between them.'
};

/** "up a fourth from A3", "between A3 and A4". */
export function wayTo({ note, by }: BearingStep): string {
	if (by.length === 0) return 'from your fork';
	const others = by.map(({ edge }) => (edge.lower === note ? edge.upper : edge.lower));
	if (by.length > 1)
		return `between ${others.slice(0, -1).map(noteName).join(', ')} and ${noteName(others[others.length - 1])}`;
	const interval = intervalName(Math.abs(others[0] - note));
	return `${others[0] < note ? 'up' : 'down'} ${/^[aeiou]/.test(interval) ? 'an' : 'a'} ${interval} from ${noteName(others[0])}`;
}

/** Which note to move when the check fails, and which way. */
export function failureWords({ tolerance, suspect, centsPerBeat }: BearingCheck): string {
	const by = fixed(Math.abs(centsPerBeat), 1);
	const [wider, narrower] = centsPerBeat > 0 ? ['lower', 'raise'] : ['raise', 'lower'];
	return `Out by more than ${fixed(tolerance, 1)}: ${noteName(suspect)} is the likeliest. Too wide, ${wider} it, too narrow, ${narrower} it, ${by} cents for each beat.`;
}
