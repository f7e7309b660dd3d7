import { memberOf, type SounderChoice, type StringPlace } from '@fendrel/core';

const PLACES: ReadonlySet<string> = new Set<StringPlace>(['left', 'middle', 'right']);

/** Which of a note's strings speaks; undefined where registers are parted by stops, and nothing is muted. */
export function openPlace({ sounders: [only, ...more] }: SounderChoice): StringPlace | 'all' | undefined {
	const place = memberOf(only);
	if (!PLACES.has(place)) return undefined;
	return more.length ? 'all' : (place as StringPlace);
}

/** Which stops are drawn, where registers are parted by them. */
export const stopsWords = ({ label, sounders }: SounderChoice): string =>
	sounders.length === 1
		? `${label} drawn alone; the other stops back, the buff off.`
		: `${label === 'Both' ? 'Both 8′' : label} drawn; the other stops back, the buff off.`;
