import { stringTableSchema } from '$lib/instruments/scale/schema';
import { readJson } from '$lib/server/json';
import { workshopOf } from '$lib/server/auth/guard';
import { keepStringsOf } from '$lib/server/strings';

/** Keeps an instrument's table of strings; the versions before it stay. */
export async function POST({ request, locals, params }) {
	const { strings } = await readJson(request, stringTableSchema);
	const result = await keepStringsOf(workshopOf(locals), params.id, strings);
	return result.kind === 'kept'
		? Response.json({ id: result.table.id })
		: Response.json({ message: result.why }, { status: 400 });
}
