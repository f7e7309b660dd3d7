import { error } from '@sveltejs/kit';
import { countedOctaveSchema } from '$lib/counts/countedOctave';
import { workshopOf } from '$lib/server/auth/guard';
import { saveCountedOctave } from '$lib/server/db/stores/countedOctaves';
import { getInstrument } from '$lib/server/db/stores/instruments';
import { getTemperament } from '$lib/server/db/stores/temperaments';
import { readJson } from '$lib/server/json';

/** Keeps a counted octave. */
export async function POST({ request, locals }) {
	const workshopId = workshopOf(locals);
	const octave = await readJson(request, countedOctaveSchema);
	if (octave.instrumentId && !(await getInstrument(workshopId, octave.instrumentId)))
		error(400, { message: 'That instrument is not in your workshop.' });
	if (!(await getTemperament(workshopId, octave.temperamentId)))
		error(400, { message: 'That temperament is no longer there. Choose another.' });
	return Response.json({ id: await saveCountedOctave(workshopId, octave) });
}
