import { cents, type KnownStanding, type VisitSummary } from '@fendrel/core';

interface Ground extends Pick<VisitSummary, 'notes'> {
	/** Cents that a pass of a raise sets a note beyond its target. */
	readonly over: (note: number) => number;
}

/** Where notes stand as far as they were read, counted from what they are set to now. @param last of the due note, as it was struck last */
export function knownStandings(
	due: number,
	{ notes, over }: Ground,
	last: number | undefined
): ReadonlyMap<number, KnownStanding> {
	const known = new Map<number, KnownStanding>();
	for (const { note, found, left } of notes.values())
		if (found !== undefined)
			known.set(note, { found: cents(found - over(note)), now: cents((left ?? found) - over(note)) });
	if (last !== undefined) known.set(due, { found: known.get(due)?.found ?? cents(last), now: cents(last) });
	return known;
}
