/** What a note was found at; cents from where the plan wants it. */
export interface FoundLevel {
	readonly note: number;
	readonly level: number;
	/** Standard error, in cents. */
	readonly error: number;
}

/** What a note that nobody read errs by at least, in cents: notes scatter by so much about their neighbours. */
const GUESSED = 1;

/**
 * Where every note of a keyboard stands: those that were read as they were read; between them a straight line, on either
 * side of the break by itself; beyond the outermost as that one.
 * @param scatter how far notes scatter about their neighbours, in cents, where that is known
 */
export function everyLevel(
	found: readonly FoundLevel[],
	{ lowest, highest, breakNote }: { readonly lowest: number; readonly highest: number; readonly breakNote?: number },
	scatter = GUESSED
): readonly FoundLevel[] {
	if (found.length === 0) return [];
	const inOrder = [...found].sort((a, b) => a.note - b.note);
	const isAbove = (note: number) => breakNote !== undefined && note >= breakNote;
	return Array.from({ length: highest - lowest + 1 }, (_, i): FoundLevel => {
		const note = lowest + i;
		const own = inOrder.find((each) => each.note === note);
		if (own) return own;
		const side = inOrder.filter((each) => isAbove(each.note) === isAbove(note));
		const near = side.length ? side : inOrder;
		const below = near.filter((each) => each.note < note).at(-1);
		const above = near.find((each) => each.note > note);
		const share = below && above ? (note - below.note) / (above.note - below.note) : 0;
		const level = below && above ? (1 - share) * below.level + share * above.level : (below ?? above)!.level;
		return { note, level, error: Math.max(GUESSED, scatter) };
	});
}
