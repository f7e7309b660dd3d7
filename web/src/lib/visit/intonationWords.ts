import { degreeOf, type PlannedIntonation } from '@fendrel/core';
import { signed } from '$lib/ui/format';

export const LEVEL_NAMES = {
	equal: 'every reed equal',
	octaves: 'octaves still',
	chords: 'chords just'
} as const;

/** Where the draw chord's seventh or ninth is put, beside the rest. */
const taste = (name: string, offset: number | null) => (offset === null ? [] : [`${name} at ${signed(offset, 0)}`]);

/** An intonation in a few words: "chords just, seventh at −15". */
export function intonationWords({ level, share, seventh, ninth, own }: PlannedIntonation): string {
	const how = level === 'chords' && share < 1 ? 'chords between equal and just' : LEVEL_NAMES[level as 'equal'];
	const of = level === 'chords' ? [...taste('seventh', seventh), ...taste('ninth', ninth)] : [];
	const degrees = Object.entries(own).map(([note, cents]) => `${degreeOf(Number(note))} at ${signed(cents, 1)}`);
	return [how, ...of, ...degrees].join(', ');
}
