import { noteName, type ReedSet } from '@fendrel/core';
import { capital, listed } from '$lib/ui/format';

/** What is said of a set of reeds on its page. */
export function reedFacts({
	layout,
	tonic,
	auxiliaries,
	metal,
	length
}: ReedSet): readonly (readonly [string, string])[] {
	const beneath = auxiliaries.map(({ plate, hole, wanted }) => `${plate} ${hole} to ${noteName(tonic + wanted)}`);
	return [
		['Layout', `${layout.name}, on ${noteName(tonic)}`],
		['Reeds', `${capital(metal)}${length === 'usual' ? '' : `, ${length}`}`],
		...(beneath.length ? [['Auxiliary reeds', listed(beneath)] as const] : [])
	];
}
