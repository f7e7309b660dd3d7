import { newBookingsSchema } from '$lib/round/diary/booking';
import { signedInOf } from '$lib/server/auth/guard';
import { book } from '$lib/server/diary/bookings';
import { readJson } from '$lib/server/json';

/** Books visits, all of them or none. */
export async function POST({ request, locals }) {
	const { bookings } = await readJson(request, newBookingsSchema);
	await book(signedInOf(locals), bookings);
	return Response.json({ booked: bookings.length });
}
