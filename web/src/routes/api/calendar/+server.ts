import { signedInOf } from '$lib/server/auth/guard';
import { openCalendar } from '$lib/server/diary/calendar';

/** Makes an address at which one's own calendar reads what is booked. */
export async function POST({ locals }) {
	return Response.json(await openCalendar(signedInOf(locals)));
}
