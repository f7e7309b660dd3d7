import { foundTemperament, noteClassName, offsetsFromEqual, type FoundTemperament } from '@fendrel/core';
import { fixed, inSentence } from '$lib/ui/format';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import type { Judgement } from './judgement';
import type { Reason } from './verdictWords';

/** The temperament that an instrument stands in, from what was read of F3 to E5. */
export function standing(
	{ temperament, about }: Pick<KeyboardVisit, 'temperament' | 'about'>,
	{ state }: Pick<Judgement, 'state'>
): FoundTemperament | undefined {
	const library = about.temperaments ?? [];
	// A note that stands out says nothing of the temperament.
	const read = state.notes.filter(({ note }) => !state.strays.neighbourhoods.get(note)?.isStray);
	return library.length ? foundTemperament(read, offsetsFromEqual(temperament), library) : undefined;
}

/** From here on a wrong order of keys is heard by everybody, in cents. */
const GRAVE = 2;

/** "It stands nearest equal temperament": what is planned, and what is usual, as long as nothing else comes clearly nearer. */
export function standingWords(
	found: FoundTemperament | undefined,
	planned: Pick<KeyboardVisit['temperament'], 'id'>
): readonly Reason[] {
	if (!found) return [];
	const { nearest, keyOrder } = found;
	const { alike } = nearest;
	const isStored = (one: object, id: string) => 'id' in one && one.id === id;
	const usual = alike.find(({ temperament, root }) => root === 0 && isStored(temperament, planned.id));
	const equal = alike.find(({ temperament }) => 'slug' in temperament && temperament.slug === 'equal');
	const best = usual ?? equal ?? nearest.best;
	// Notes that scatter widely come near to many, and stand in none.
	if (!usual && !equal && !nearest.significant)
		return [
			{ text: 'Its notes scatter too much to tell a temperament', figure: `±${fixed(nearest.best.rms, 1)} cents` }
		];
	const from = best.root === 0 ? '' : ` from ${noteClassName(best.root)}`;
	const name = `${inSentence(best.temperament.name)}${from}`;
	const said: Reason[] = [
		{
			text:
				usual || equal
					? `It stands in ${name} temperament, as near as can be told`
					: `It stands nearest ${name} temperament`,
			figure: `±${fixed(best.rms, 1)} cents`
		}
	];
	if (keyOrder.verdict === 'reversed')
		said.push({
			text: 'The order of its keys is reversed: C, F and G are the harshest',
			figure: `${fixed(Math.abs(keyOrder.index), 0)} cents`,
			isGrave: keyOrder.index < -GRAVE
		});
	else if (keyOrder.verdict === 'home keys calmest')
		said.push({ text: 'Its home keys are the calmest', figure: `${fixed(keyOrder.index, 0)} cents` });
	return said;
}
