import { workshopOf } from '$lib/server/auth/guard';
import { visitOr404 } from '$lib/server/find';
import { readJson } from '$lib/server/json';
import { printed } from '$lib/server/papers/printer';
import { ownersPageSchema } from '$lib/visit/plan/ownersPage';

/** The plan of a visit on paper, from the page that the owner is shown. */
export async function POST({ locals, params, request }) {
	await visitOr404(workshopOf(locals), params.id);
	const pdf = await printed('plan', await readJson(request, ownersPageSchema));
	return new Response(new Uint8Array(pdf), {
		headers: { 'content-type': 'application/pdf', 'content-disposition': 'attachment; filename="plan.pdf"' }
	});
}
