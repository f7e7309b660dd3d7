import { drawCurve, type CurveChoice, type KeptCurve } from '$lib/tuning/curve';
import type { Stretch } from '$lib/tuning/stretch';
import { notesReadOf } from '$lib/tuning/strings';
import { getCurve, keepCurve } from './db/stores/curves';
import type { Instrument } from './db/stores/instruments';
import { visitsOf } from './db/stores/visits';
import { knownStrings } from './strings';

/** Draws a curve for an instrument as it is known now, and keeps it. */
export async function drawAndKeep(
	workshopId: string,
	instrument: Instrument,
	visitId: string | null,
	wish: CurveChoice
): Promise<KeptCurve> {
	const measured = await knownStrings(workshopId, instrument);
	return keepCurve(workshopId, {
		instrumentId: instrument.id,
		visitId,
		wish,
		lowest: instrument.lowest,
		deviations: drawCurve({ ...instrument, measured }, wish),
		notesRead: notesReadOf(measured)
	});
}

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
