import type { Place } from './place';

/** Minutes between two places as somebody has said: key by both ids, the lesser first. */
export type KnownWays = ReadonlyMap<string, number>;
export const wayKey = (a: string, b: string) => (a < b ? `${a} ${b}` : `${b} ${a}`);

/** What is assumed of ways that nobody has said anything of, in minutes. */
const USUAL = { sameTown: 10, otherTown: 30 } as const;
/** Getting in and out of the car, and then so many minutes a kilometre as the crow flies: 40 km an hour on roads a third longer. */
const BY_MAP = { atLeast: 4, perKm: 2 } as const;
const EARTH_KM = 6371;

type Where = Pick<Place, 'id' | 'town' | 'latitude' | 'longitude' | 'fromHome'>;

/** Kilometres along a great circle (haversine; Sinnott 1984). */
export function kilometres(
	a: { latitude: number; longitude: number },
	b: { latitude: number; longitude: number }
): number {
	const rad = Math.PI / 180;
	const h =
		Math.sin(((b.latitude - a.latitude) * rad) / 2) ** 2 +
		Math.cos(a.latitude * rad) * Math.cos(b.latitude * rad) * Math.sin(((b.longitude - a.longitude) * rad) / 2) ** 2;
	return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** Minutes from one place to another: as said, else by the map, else by the town. */
export function wayBetween(a: Where, b: Where, known: KnownWays): number {
	if (a.id === b.id) return 0;
	const said = known.get(wayKey(a.id, b.id));
	if (said !== undefined) return said;
	if (a.latitude !== null && a.longitude !== null && b.latitude !== null && b.longitude !== null)
		return Math.round(
			BY_MAP.atLeast +
				BY_MAP.perKm *
					kilometres({ latitude: a.latitude, longitude: a.longitude }, { latitude: b.latitude, longitude: b.longitude })
		);
	return a.town !== '' && a.town === b.town ? USUAL.sameTown : USUAL.otherTown;
}

/** Minutes from where one sets out. */
export const wayFromHome = ({ fromHome }: Where): number => fromHome ?? USUAL.otherTown;

/**
 * Minutes from each to each, with where one sets out first. Where a way by a third place is shorter, that is how one goes (Floyd 1962).
 */
export function waysAmong(places: readonly Where[], known: KnownWays): readonly (readonly number[])[] {
	const ways = [
		[0, ...places.map(wayFromHome)],
		...places.map((a) => [wayFromHome(a), ...places.map((b) => wayBetween(a, b, known))])
	];
	for (let by = 0; by < ways.length; by++)
		for (let a = 0; a < ways.length; a++)
			for (let b = 0; b < ways.length; b++) ways[a][b] = Math.min(ways[a][b], ways[a][by] + ways[by][b]);
	return ways;
}
