import { workshopOf } from '$lib/server/auth/guard';
import { visitOr404 } from '$lib/server/find';
import { readJson } from '$lib/server/json';
import { planPdf } from '$lib/server/papers/planPdf';
import { ownersPageSchema } from '$lib/visit/plan/ownersPage';

/** The plan of a visit on paper, from the page that the owner is shown. */
export async function POST({ locals, params, request }) {
	await visitOr404(workshopOf(locals), params.id);
	const pdf = await planPdf(await readJson(request, ownersPageSchema));
	return new Response(new Uint8Array(pdf), {
		headers: { 'content-type': 'application/pdf', 'content-disposition': 'attachment; filename="plan.pdf"' }
	});
}
