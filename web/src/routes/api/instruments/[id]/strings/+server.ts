import { stringTableSchema } from '$lib/instruments/scale/stringLine';
import { readJson } from '$lib/server/json';
import { signedInOf } from '$lib/server/auth/guard';
import { keepStringsOf } from '$lib/server/strings/known';

/** Keeps an instrument's table of strings; the versions before it stay. */
export async function POST({ request, locals, params }) {
	const { strings } = await readJson(request, stringTableSchema);
	const result = await keepStringsOf(signedInOf(locals), params.id, strings);
	return 'value' in result
		? Response.json({ id: result.value.id })
		: Response.json({ message: result.problem }, { status: 400 });
}
