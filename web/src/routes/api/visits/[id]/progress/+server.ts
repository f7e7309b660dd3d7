import { error } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { takeIn } from '$lib/server/record/takeIn';
import { visitOr404 } from '$lib/server/find';
import { FORMER_FORMAT } from '$lib/record/format';
import { formerProgressSchema } from '$lib/record/formerRecord';

/** What a page that was opened before the present format sends. It knows one answer for all: stored, or not. */
export async function POST({ request, locals, params }) {
	const who = signedInOf(locals);
	const { readings, place } = await readJson(request, formerProgressSchema);
	const { id: visitId } = await visitOr404(who.workshopId, params.id);
	const items = [
		...readings.map((reading) => ({ format: FORMER_FORMAT, kind: 'reading', visitId, reading })),
		...(place ? [{ format: FORMER_FORMAT, kind: 'place', visitId, id: uuid(), place }] : [])
	];
	const answers = await takeIn(who, { now: new Date(), items });
	const refused = answers.find(({ answer }) => answer === 'refused');
	if (refused && 'why' in refused) error(409, { message: refused.why });
	return Response.json({ stored: readings.map(({ id }) => id) });
}
