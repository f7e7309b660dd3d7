import { stringsAt, type Stringing } from '../strings/stringing';

/** What silences strings that are not being set. */
export type Mute =
	/** A felt strip between the strings of all notes from one to another: the middle strings speak. */
	| { readonly kind: 'strip'; readonly from: number; readonly to: number }
	/** One wedge between two neighbours: the right string of the lower and the left one of the upper are silent. */
	| { readonly kind: 'pair'; readonly lower: number; readonly upper: number }
	/** A wedge of its own for a note that is left over. */
	| { readonly kind: 'wedge'; readonly note: number };

export interface MutingPlan {
	readonly mutes: readonly Mute[];
	/** Notes that need none: they have one string. */
	readonly free: readonly number[];
	readonly wedges: number;
}

/**
 * How an instrument is muted, so that one string of each note speaks: a strip through the trichords, bichords in pairs
 * between neighbours. Below strip-muted trichords the strip's end silences the uppermost bichord's string next to it, so
 * that an even number of bichords leaves the lowest over, and an odd number none; in a section of their own, with the
 * frame between, it is the other way round.
 * @param parted notes below which the frame parts the strings from the ones under them: no mute reaches over
 */
export function mutingPlan(stringing: Stringing, highest: number, parted: readonly number[] = []): MutingPlan {
	const mutes: Mute[] = [];
	const free: number[] = [];
	const { lowest } = stringing;
	const strings = (note: number) => stringsAt(stringing, note);
	let from = lowest;
	while (from <= highest) {
		const count = strings(from);
		let to = from;
		while (to < highest && strings(to + 1) === count && !parted.includes(to + 1)) to++;
		if (count === 1) for (let note = from; note <= to; note++) free.push(note);
		else if (count === 2) {
			const hasStripAbove = to < highest && strings(to + 1) === 3 && !parted.includes(to + 1);
			mutes.push(...pairs(from, to, hasStripAbove));
		} else mutes.push({ kind: 'strip', from, to });
		from = to + 1;
	}
	return { mutes, free, wedges: mutes.filter(({ kind }) => kind !== 'strip').length };
}

/** Bichords from the top down: each wedge between two neighbours silences one string of both. */
function pairs(from: number, to: number, hasStripAbove: boolean): Mute[] {
	const mutes: Mute[] = [];
	// The strip's end silences the string of the uppermost that lies next to it.
	let upper = hasStripAbove ? to - 1 : to;
	for (; upper > from; upper -= 2) mutes.push({ kind: 'pair', lower: upper - 1, upper });
	if (upper === from) mutes.push({ kind: 'wedge', note: from });
	return mutes.reverse();
}
