import { placeOf } from '../db/stores/instruments';
import type { SignedIn } from './session';

/** Whether an address belongs to a place that a guest may see; for all others it does. */
export async function isShown(
	{ workshopId, places }: Pick<SignedIn, 'workshopId' | 'places'>,
	route: string,
	id: string | undefined
): Promise<boolean> {
	if (places === undefined || id === undefined) return true;
	const of = route.includes('/visits/') ? 'visit' : 'instrument';
	const place = await placeOf(workshopId, of, id);
	return place !== undefined && places.includes(place);
}
