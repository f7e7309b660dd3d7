import { compareHappened, type Act } from '@fendrel/core';

/** Acts that were not taken back, in order; for kinds of which nobody takes a taking back back. */
export function standingActs(acts: readonly Act[]): readonly Act[] {
	const taken = new Set(acts.flatMap((act) => (act.do === 'takeBack' ? act.act : [])));
	return [...acts].sort(compareHappened).filter(({ id }) => !taken.has(id));
}
