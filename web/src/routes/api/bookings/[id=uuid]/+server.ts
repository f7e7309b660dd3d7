import { changedBookingSchema } from '$lib/round/diary/booking';
import { signedInOf } from '$lib/server/auth/guard';
import { cancelBooking, changeBooking } from '$lib/server/diary/bookings';
import { readJson } from '$lib/server/json';

export async function PUT({ request, locals, params }) {
	return Response.json(
		await changeBooking(signedInOf(locals), params.id, await readJson(request, changedBookingSchema))
	);
}

/** Cancels a booking; with `?rest` the later ones of its series, too. */
export async function DELETE({ locals, params, url }) {
	await cancelBooking(signedInOf(locals), params.id, url.searchParams.has('rest'));
	return Response.json({ cancelled: true });
}
