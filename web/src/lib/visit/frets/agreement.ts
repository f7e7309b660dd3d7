import { equalHz, hz, sameNotes, type SameNote } from '@fendrel/core';
import type { FretVisit, StringState } from '../fretVisit.svelte';

/** The same note on two strings, as both stand. */
export interface Agreed extends SameNote {
	readonly first: StringState;
	readonly second: StringState;
	/** Cents that the second lies above the first, and the beats a second of the two; undefined: one is not read. */
	readonly apart: number | undefined;
	readonly beats: number | undefined;
}

/** Every note that two neighbouring strings give, the worst first. */
export function agreedNotes(visit: FretVisit): readonly Agreed[] {
	const byGroup = new Map(visit.strings.map((each) => [each.group, each]));
	return sameNotes(visit.body)
		.flatMap((same): Agreed[] => {
			const [first, second] = same.two.map((group) => byGroup.get(group));
			if (!first || !second) return [];
			const isRead = first.isRead && second.isRead;
			const spelled = second.fromEqual - first.fromEqual;
			const apart = isRead ? second.off! - first.off! + spelled : undefined;
			const pitch = equalHz(same.note, hz(visit.visit.a4));
			const beats = apart === undefined ? undefined : pitch * Math.abs(2 ** (apart / 1200) - 1);
			return [{ ...same, first, second, apart, beats }];
		})
		.sort((a, b) => Math.abs(b.apart ?? -1) - Math.abs(a.apart ?? -1));
}
