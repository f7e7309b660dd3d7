import { degreeOf, equalHz, hz, noteName, placedReeds, reedName, reedNote, type ReedSet } from '@fendrel/core';
import { capital, listed } from '$lib/ui/format';

/** A set of reeds as its picture shows it while nothing is said of any reed. */
export function layoutShown(set: ReedSet, a4: number) {
	return placedReeds(set).map((reed) => ({
		...{ ...reed, name: reedName(reed.group), noteName: reedNote(set, reed), degree: degreeOf(reed.note) },
		...{ pitch: equalHz(set.tonic + reed.note, hz(a4)), off: undefined, state: 'known' as const }
	}));
}

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
