import { A4_RANGE } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { download, DOWNLOADS, type DownloadFormat } from '$lib/server/temperaments/download';
import { temperamentOr404 } from '$lib/server/find';

const query = z.object({
	format: z.enum(Object.keys(DOWNLOADS) as [DownloadFormat, ...DownloadFormat[]]),
	root: z.coerce.number().int().min(0).max(11).default(0),
	a4: z.coerce.number().min(A4_RANGE.lowest).max(A4_RANGE.highest).default(440)
});

/** One temperament as a file. */
export async function GET({ locals, params, url }) {
	const temperament = await temperamentOr404(workshopOf(locals), params.slug);
	const asked = query.safeParse(Object.fromEntries(url.searchParams));
	if (!asked.success) error(400, { message: 'There is no such file. The formats are csv, json, syx, notes and mid.' });
	return download(temperament, asked.data.format, asked.data);
}
