import { climateSchema } from '$lib/places/climateCsv';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { dropClimate, takeClimate } from '$lib/server/places/climate';

/** What a logger wrote of the air here. */
export async function PUT({ request, locals, params }) {
	const { days } = await readJson(request, climateSchema);
	await takeClimate(signedInOf(locals), params.id, days);
	return Response.json({ kept: days.length });
}

export async function DELETE({ locals, params }) {
	await dropClimate(signedInOf(locals), params.id);
	return Response.json({ forgotten: true });
}
