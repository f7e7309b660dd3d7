import type { BearingCheck } from '@fendrel/core';
import { pairName, STILL_RATE } from '$lib/ui/beats';

const size = (rate: number) => Math.abs(rate).toFixed(1);

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
