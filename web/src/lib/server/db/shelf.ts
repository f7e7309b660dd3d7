import { KIND_NAMES } from '$lib/tuning/kinds';
import type { InstrumentRow, LocationRow } from './rows';

/*
 * Where an instrument stands in the register, and what it is found by: kept beside it, so that a page of the register is read off an
 * index (`0020-shelves-and-visit-summaries`).
 */

/** "Köln" is found as "koln". */
const plain = (text: string) => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
/** Room 2 comes before room 10. */
const inOrder = (text: string) => plain(text).replace(/\d+/g, (digits) => digits.padStart(8, '0'));
/** Below everything that is typed, so that a name comes before those that it begins. */
const BETWEEN = '\u0001';

/** As long as an index carries; a name that is longer is in order as far as that. */
const LONGEST = { shelf: 300, sought: 380 } as const;
const PART = 86;

type Shelved = Pick<InstrumentRow, 'id' | 'name' | 'kind' | 'maker'>;

export function shelvedAs(
	{ id, name, kind, maker }: Shelved,
	place: Pick<LocationRow, 'name' | 'town'> | undefined
): Pick<InstrumentRow, 'shelf' | 'sought'> {
	const parts = [place?.name ?? '', place?.town ?? '', name].map((part) => inOrder(part).slice(0, PART));
	return {
		// Its number tells those of one name apart, and one page ends where the next begins.
		shelf: [...parts, id].join(BETWEEN).slice(0, LONGEST.shelf),
		sought: plain([name, KIND_NAMES[kind], maker, place?.name ?? '', place?.town ?? ''].join(' ')).slice(
			0,
			LONGEST.sought
		)
	};
}

/** What was typed to find something, as patterns that all must fit. */
export function soughtBy(text: string): string[] {
	const words = plain(text).split(/\s+/).filter(Boolean).slice(0, 8);
	return words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
}
