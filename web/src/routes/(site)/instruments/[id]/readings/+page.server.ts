import { error, fail } from '@sveltejs/kit';
import { readNote } from '@fendrel/core';
import { z } from 'zod';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import { readingsOf } from '$lib/server/db/stores/readings';
import { instrumentOr404, visitOr404 } from '$lib/server/find';
import { sentForm } from '$lib/server/sentForm';
import { countAgain, discardReading } from '$lib/server/record/discard';
import type { Actions, PageServerLoad } from './$types';

const PAGE = 80;
const asked = z.object({
	visit: z.uuid(),
	after: z.coerce.number().int().min(0).max(1e6).catch(0),
	note: z.string().max(6).catch('')
});

/** The visit that the address names, of the instrument that it names. */
async function visitAsked(workshopId: string, id: string, url: URL) {
	const { data } = asked.safeParse({ after: 0, note: '', ...Object.fromEntries(url.searchParams) });
	if (!data) error(404, { message: 'Choose a visit on the instrument’s page.' });
	const [instrument, visit] = await Promise.all([instrumentOr404(workshopId, id), visitOr404(workshopId, data.visit)]);
	if (visit.instrumentId !== instrument.id) error(404, { message: 'This visit belongs to another instrument.' });
	return { instrument, visit, after: data.after, note: data.note.trim() };
}

export const load = (async ({ locals, params, url }) => {
	const workshopId = workshopOf(locals);
	const { instrument, visit, after, note } = await visitAsked(workshopId, params.id, url);
	const wanted = readNote(note);
	const rows = await readingsOf(workshopId, visit.id, {
		most: PAGE + 1,
		after,
		note: note ? (wanted ?? -1) : undefined
	});
	return {
		instrument: { id: instrument.id, name: instrument.name, kind: instrument.kind },
		visit: { id: visit.id, startedAt: visit.startedAt },
		readings: rows.slice(0, PAGE),
		next: rows.length > PAGE ? after + PAGE : undefined,
		isFirst: after === 0,
		note
	};
}) satisfies PageServerLoad;

const one = z.object({ id: z.uuid() });

export const actions = {
	discard: async ({ request, locals, params, url }) => {
		const who = signedInOf(locals);
		const { instrument, visit } = await visitAsked(who.workshopId, params.id, url);
		const sent = await sentForm(request, one);
		const of = { visit: visit.id, name: instrument.name };
		const problem = sent ? await discardReading(who, of, sent.id) : 'That cannot be read.';
		return problem ? fail(409, { problem }) : { done: 'It does not count any more.' };
	},
	bringBack: async ({ request, locals, params, url }) => {
		const who = signedInOf(locals);
		const { instrument, visit } = await visitAsked(who.workshopId, params.id, url);
		const sent = await sentForm(request, one);
		const of = { visit: visit.id, name: instrument.name };
		const problem = sent ? await countAgain(who, of, sent.id) : 'That cannot be read.';
		return problem ? fail(409, { problem }) : { done: 'It counts again.' };
	}
} satisfies Actions;
