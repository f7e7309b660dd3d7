import { signedInOf } from '$lib/server/auth/guard';
import { calendarFor } from '$lib/server/diary/calendar';

/** One's own bookings as a file for any calendar. */
export async function GET({ locals }) {
	const { workshopId, userId } = signedInOf(locals);
	return new Response(await calendarFor(workshopId, userId, new Date()), {
		headers: {
			'Content-Type': 'text/calendar; charset=utf-8',
			'Content-Disposition': 'attachment; filename="fendrel-visits.ics"'
		}
	});
}
