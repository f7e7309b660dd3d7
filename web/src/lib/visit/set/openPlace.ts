import { memberOf, type SounderChoice, type StringPlace } from '@fendrel/core';

const PLACES: ReadonlySet<string> = new Set<StringPlace>(['left', 'middle', 'right']);

/** Which of a note's strings speaks; undefined where registers are parted by stops, and nothing is muted. */
export function openPlace({ sounders: [only, ...more] }: SounderChoice): StringPlace | 'all' | undefined {
	if (more.length) return 'all';
	const place = memberOf(only);
	return PLACES.has(place) ? (place as StringPlace) : undefined;
}
