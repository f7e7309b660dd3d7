/** Orders in which a pass goes over the notes. */
export const RAISE_ORDERS = [
	{
		id: 'bassFirst',
		name: 'Bass first, upwards',
		why: 'Kindest under the cap: the treble, which sinks most, comes last.'
	},
	{ id: 'temperamentUp', name: 'From F3 up, then down', why: 'The temperament comes first and sinks longest.' },
	{ id: 'middleOut', name: 'From the middle outwards', why: 'Both ends come last; the middle needs most.' }
] as const;
export type RaiseOrder = (typeof RAISE_ORDERS)[number]['id'];

const FIRST = 53;

/** @param notes in any order @returns the same, in the order of work */
export function raiseOrder(order: RaiseOrder, notes: readonly number[]): readonly number[] {
	const upwards = [...notes].sort((a, b) => a - b);
	if (order === 'bassFirst') return upwards;
	if (order === 'temperamentUp')
		return [...upwards.filter((note) => note >= FIRST), ...upwards.filter((note) => note < FIRST).reverse()];
	const middle = upwards[Math.floor((upwards.length - 1) / 2)];
	// Below before above where both are as far.
	return upwards.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b);
}
