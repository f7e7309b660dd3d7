import type { SectionSummary } from '@fendrel/core';

/** How far an instrument was moved: its section that was moved furthest. */
export function movedBy(sections: readonly Pick<SectionSummary, 'found' | 'left'>[]): number {
	const moves = sections.flatMap(({ found, left }) =>
		found === undefined || left === undefined ? [] : Math.abs(left - found)
	);
	return Math.max(0, ...moves);
}
