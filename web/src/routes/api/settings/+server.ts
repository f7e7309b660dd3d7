import { settingsSchema } from '$lib/settings/settingsSchema';
import { workshopOf } from '$lib/server/auth/guard';
import { keepSettings } from '$lib/server/db/stores/accounts';
import { readJson } from '$lib/server/json';

/** Keeps what this workshop decides for its visits. */
export async function PUT({ request, locals }) {
	await keepSettings(workshopOf(locals), await readJson(request, settingsSchema));
	return Response.json({ saved: true });
}
