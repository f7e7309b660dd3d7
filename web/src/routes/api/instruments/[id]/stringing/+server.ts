import { keptStringingSchema } from '$lib/instruments/stringing/keptStringing';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepStringingOf } from '$lib/server/strings/stringing';

/** Keeps how an instrument is strung, or goes back to what its kind usually has. */
export async function PUT({ request, locals, params }) {
	const { stringing } = await readJson(request, keptStringingSchema);
	const problem = await keepStringingOf(signedInOf(locals), params.id, stringing);
	return problem ? Response.json({ message: problem }, { status: 400 }) : Response.json({ kept: true });
}
