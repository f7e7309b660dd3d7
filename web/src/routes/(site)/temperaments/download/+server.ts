import { error } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { listTemperaments } from '$lib/server/db/stores/temperaments';
import { toCsv, toJson } from '$lib/temperaments/exchange';

/** All of the workshop's own in one file. */
export async function GET({ locals, url }) {
	const own = (await listTemperaments(workshopOf(locals))).filter((each) => each.own);
	const format = url.searchParams.get('format') ?? 'json';
	if (format !== 'json' && format !== 'csv')
		error(400, { message: 'There is no such file. The formats are csv and json.' });
	return new Response(format === 'json' ? toJson(own) : toCsv(own), {
		headers: {
			'content-type': `${format === 'json' ? 'application/json' : 'text/csv'}; charset=utf-8`,
			'content-disposition': `attachment; filename="temperaments.${format}"`
		}
	});
}
