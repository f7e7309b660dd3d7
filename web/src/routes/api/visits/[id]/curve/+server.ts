import { readJson } from '$lib/server/json';
import { workshopOf } from '$lib/server/auth/guard';
import { takeCurve } from '$lib/server/visits/open';
import { wishSchema } from '$lib/tuning/curve';

/** Draws the curve that is wished for and makes it the visit's. */
export async function POST({ request, locals, params }) {
	const wish = await readJson(request, wishSchema);
	const result = await takeCurve(workshopOf(locals), params.id, wish);
	return result.kind === 'taken'
		? Response.json({ curve: result.curve })
		: Response.json({ message: result.why }, { status: 409 });
}
