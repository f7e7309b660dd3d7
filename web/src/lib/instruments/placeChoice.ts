/*
 * What is said of a place that is written like another: nothing yet, its id (that one, as it is written), its id as typed (that
 * one, written like this from now on), or another one.
 */

export const ANOTHER_PLACE = 'another';
const AS_TYPED = ' as typed';

export const asTyped = (id: string) => id + AS_TYPED;

/** The place that was chosen, and whether it is written anew. */
export function chosenPlace(choice: string): { readonly id: string; readonly isAsTyped: boolean } {
	const isAsTyped = choice.endsWith(AS_TYPED);
	return { id: isAsTyped ? choice.slice(0, -AS_TYPED.length) : choice, isAsTyped };
}
