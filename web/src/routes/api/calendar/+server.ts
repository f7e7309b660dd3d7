import { readerSchema } from '$lib/round/diary/reader';
import { signedInOf } from '$lib/server/auth/guard';
import { openCalendar } from '$lib/server/diary/calendar';
import { readJson } from '$lib/server/json';

/** Makes an address at which one's own calendar reads what is booked. */
export async function POST({ request, locals }) {
	const { reader } = await readJson(request, readerSchema);
	return Response.json(await openCalendar(signedInOf(locals), reader));
}
