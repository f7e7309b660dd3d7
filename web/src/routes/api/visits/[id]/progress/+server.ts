import { workshopOf } from '$lib/server/auth/guard';
import { saveReadings } from '$lib/server/db/stores/readings';
import { updateVisit } from '$lib/server/db/stores/visits';
import { readJson } from '$lib/server/json';
import { visitOr404 } from '$lib/server/visits/open';
import { progressSchema } from '$lib/visit/schema';

/** Stores readings and where the work stands. Readings that arrive after the end of the visit are kept too. */
export async function POST({ request, locals, params }) {
	const workshopId = workshopOf(locals);
	const { readings, place } = await readJson(request, progressSchema);
	const visit = await visitOr404(workshopId, params.id);
	if (readings.length) await saveReadings(workshopId, visit.id, readings);
	if (place && !visit.finishedAt) await updateVisit(workshopId, visit.id, place);
	return Response.json({ stored: readings.map(({ id }) => id) });
}
