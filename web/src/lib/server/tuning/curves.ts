import type { KeptCurve } from '$lib/tuning/curve';
import type { Stretch } from '$lib/tuning/stretch';
import { getCurve } from '../db/stores/curves';
import { visitsOf } from '../db/stores/visits';

/** The kept curve that a stretch means; undefined when it means none. */
export async function curveMeant(
	workshopId: string,
	{ instrumentId, stretch }: { readonly instrumentId: string; readonly stretch: Stretch }
): Promise<KeptCurve | undefined> {
	return stretch.by === 'curve' ? getCurve(workshopId, instrumentId, stretch.id) : undefined;
}

/** The stretch that an instrument's newest visit has: what its targets are until somebody plans anew. */
export async function presentStretch(workshopId: string, instrumentId: string): Promise<Stretch | undefined> {
	return (await visitsOf(workshopId, instrumentId))[0]?.stretch;
}
