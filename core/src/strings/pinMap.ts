/**
 * Where the pins of a register lie along their row: one beside the other in the order of the keys, moved by what was found by touch.
 * Between two that were found the others lie evenly; beyond them they go on one by one. Pins keep the order of their keys: a new
 * find that contradicts an older one takes its place.
 * @param found in order of finding: key, and place
 * @returns places by key, rising
 */
export function pinPlaces(
	lowest: number,
	highest: number,
	found: readonly { readonly note: number; readonly place: number }[]
): ReadonlyMap<number, number> {
	let known: { readonly note: number; readonly place: number }[] = [];
	for (const each of found) {
		if (each.note < lowest || each.note > highest) continue;
		const agrees = ({ note, place }: (typeof known)[number]) =>
			note !== each.note && Math.sign(note - each.note) === Math.sign(place - each.place);
		known = [...known.filter(agrees), each].sort((a, b) => a.note - b.note);
	}
	const placeOf = (note: number): number => {
		const below = known.filter((each) => each.note <= note).at(-1);
		const above = known.find((each) => each.note >= note);
		if (below && above) {
			if (below === above) return below.place;
			const share = (note - below.note) / (above.note - below.note);
			return below.place + share * (above.place - below.place);
		}
		const [only] = [below ?? above];
		return only ? only.place + (note - only.note) : note - lowest;
	};
	return new Map(Array.from({ length: highest - lowest + 1 }, (_, i) => [lowest + i, placeOf(lowest + i)]));
}
