import { signedInOf } from '$lib/server/auth/guard';
import { closeCalendar } from '$lib/server/diary/calendar';

export async function DELETE({ locals, params }) {
	await closeCalendar(signedInOf(locals), params.address);
	return Response.json({ withdrawn: true });
}
