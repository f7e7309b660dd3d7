import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { printed } from '$lib/server/papers/printer';
import { statementOf } from '$lib/server/papers/statement';

const asked = z.object({ year: z.coerce.number().int().min(1900).max(2200) });

/** A year at a place, for whoever pays for it. */
export async function GET({ locals, params, url }) {
	const { data } = asked.safeParse(Object.fromEntries(url.searchParams));
	if (!data) error(400, { message: 'Say which year, as in ?year=2026.' });
	const statement = await statementOf(workshopOf(locals), params.id, data.year, Date.now());
	return new Response(new Uint8Array(await printed('statement', statement)), {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `attachment; filename="statement-${data.year}.pdf"`,
			'cache-control': 'private, no-store'
		}
	});
}
