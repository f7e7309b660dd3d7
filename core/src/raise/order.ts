/** Orders in which a pass goes over the notes. */
export const RAISE_ORDERS = [
	{
		id: 'bassFirst',
		name: 'Bass first, upwards',
		why: 'Kindest under the cap: the treble, which sinks most, comes last.'
	},
	{ id: 'temperamentUp', name: 'From F3 up, then down', why: 'The temperament comes first and sinks longest.' },
	{ id: 'middleOut', name: 'From the middle outwards', why: 'Both ends come last; the middle needs most.' },
	{ id: 'own', name: 'Own order', why: 'Run after run, as you name them.' }
] as const;
export type RaiseOrder = (typeof RAISE_ORDERS)[number]['id'];

/** Notes one after another, upwards or downwards; both ends belong to it. */
export type NoteRun = readonly [first: number, last: number];

const FIRST = 53;

/**
 * @param notes in any order
 * @param own runs of an order of one's own; what they leave out comes last, upwards
 * @returns the same notes, in the order of work
 */
export function raiseOrder(
	order: RaiseOrder,
	notes: readonly number[],
	own: readonly NoteRun[] = []
): readonly number[] {
	const upwards = [...notes].sort((a, b) => a - b);
	if (order === 'bassFirst') return upwards;
	if (order === 'temperamentUp')
		return [...upwards.filter((note) => note >= FIRST), ...upwards.filter((note) => note < FIRST).reverse()];
	if (order === 'own') {
		const named = own.flatMap(([first, last]) =>
			first <= last
				? upwards.filter((note) => note >= first && note <= last)
				: upwards.filter((note) => note >= last && note <= first).reverse()
		);
		return [...new Set([...named, ...upwards])];
	}
	const middle = upwards[Math.floor((upwards.length - 1) / 2)];
	// Below before above where both are as far.
	return upwards.sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b);
}
