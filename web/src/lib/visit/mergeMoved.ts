import type { MovedPins } from '@fendrel/core';

/** When each group's strings were moved last, in milliseconds since 1970 by the server's clock. */
export type MovedAt = Readonly<Record<string, number>>;

/** Strings that the lever has moved, here and elsewhere: of each group the last time counts. What is told may be older than what was done here. */
export function mergeMoved(own: MovedPins, ownAt: MovedAt, told: MovedPins, toldAt: MovedAt): MovedPins {
	const newer = Object.entries(told).filter(
		([group]) => (ownAt[group] ?? -Infinity) <= (toldAt[group] ?? -Infinity) || own[group] === undefined
	);
	return { ...own, ...Object.fromEntries(newer) };
}
