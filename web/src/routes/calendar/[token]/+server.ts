import { error } from '@sveltejs/kit';
import { calendarAt } from '$lib/server/diary/calendar';

/** What is booked, for a calendar that knows this secret address; whoever reads here is not signed in. */
export async function GET({ params }) {
	const file = await calendarAt(params.token.replace(/\.ics$/, ''), new Date());
	if (file === undefined) error(404, { message: 'Nobody’s calendar is at this address any more.' });
	return new Response(file, {
		headers: { 'Content-Type': 'text/calendar; charset=utf-8', 'Cache-Control': 'private, no-store' }
	});
}
