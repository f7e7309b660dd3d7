import { median } from 'd3-array';
import { MEDIAN_TO_SD } from '../numeric/bisquare';
import type { FoundLevel } from './levels';
import type { Neighbourhood } from './neighbourhood';

/*
 * One note among its neighbours, when little more than these were read: where it would stand if it stood as they do, by the
 * line through them (Theil 1950, Sen 1968: the median of all slopes), and whether it stands out.
 */

/** So many semitones to each side are its neighbours, and with fewer of them nothing is said. */
export const AROUND = { reach: 4, fewest: 5 } as const;
/** Beyond so many robust standard deviations of its neighbours, and so many cents, a note stands out. */
const OUT = { beyond: 6, least: 3 } as const;
/** Notes scatter about their neighbours by about so many cents; that counts like so many notes. */
const USUAL_SCATTER = { cents: 1, counts: 4 } as const;

/** Notes to read for one that stands out: itself and those around it, from the lowest up. */
export function notesAround(note: number, groups: readonly number[]): readonly number[] {
	return groups.filter((each) => Math.abs(each - note) <= AROUND.reach);
}

/** What the neighbours say of every note that has enough of them; two that stand out beside each other spoil it for neither. */
export function amongFew(found: readonly FoundLevel[]): readonly Neighbourhood[] {
	return found.flatMap(({ note, level }) => {
		const near = found.filter((each) => each.note !== note && Math.abs(each.note - note) <= AROUND.reach);
		if (near.length < AROUND.fewest) return [];
		const slope = median(near.flatMap((a, i) => near.slice(0, i).map((b) => (a.level - b.level) / (a.note - b.note))))!;
		const levels = near.map((each) => each.level - slope * (each.note - note));
		const expected = median(levels)!;
		const own = MEDIAN_TO_SD * median(levels, (each) => Math.abs(each - expected))!;
		const { cents, counts } = USUAL_SCATTER;
		const scatter = Math.sqrt((near.length * own ** 2 + counts * cents ** 2) / (near.length + counts));
		// A median is known a quarter worse than a mean.
		const sd = scatter * Math.sqrt(1 + Math.PI / 2 / near.length);
		const off = Math.abs(level - expected);
		return [{ note, expected, sd, isStray: off > OUT.beyond * sd && off > OUT.least }];
	});
}
