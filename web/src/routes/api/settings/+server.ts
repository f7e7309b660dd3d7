import { settingsSchema } from '$lib/settings/settingsSchema';
import { signedInOf } from '$lib/server/auth/guard';
import { readJson } from '$lib/server/json';
import { keepSettingsOf } from '$lib/server/workshop/settings';

/** Keeps what this workshop decides for its visits. */
export async function PUT({ request, locals }) {
	await keepSettingsOf(signedInOf(locals), await readJson(request, settingsSchema));
	return Response.json({ saved: true });
}
