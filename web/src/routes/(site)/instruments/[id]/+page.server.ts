import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { instrumentSchema, visitSchema } from '$lib/account/peopleForms';
import type { VisitBefore } from '$lib/device/books';
import { signedInOf, workshopOf } from '$lib/server/auth/guard';
import { isStrung, readStrings } from '$lib/server/db/stores/instruments';
import { listContacts } from '$lib/server/db/stores/contacts';
import { listPlaces } from '$lib/server/db/stores/locations';
import { mayDo } from '$lib/workshop/roles';
import { instrumentOr404 } from '$lib/server/find';
import { instrumentDrift } from '$lib/server/round/instrumentDrift';
import { looksBefore } from '$lib/server/telephone/looks';
import { sentForm } from '$lib/server/sentForm';
import { deleteInstrument, deleteVisit } from '$lib/server/workshop/deletion';
import { visitsBefore } from '$lib/server/visits/before';
import { strayPinsOf } from '$lib/server/visits/betweenVisits';
import { visitHistory } from '$lib/server/visits/history';
import type { Actions, PageServerLoad } from './$types';

/** Visits to a page, and as many that can be compared. */
const PAGE = 25;
const COMPARED = 200;
const asked = z.object({ after: z.coerce.number().int().min(0).max(1e5).catch(0) });

/** When it is tuned again, as was agreed at the last visit. */
function nextOf([last]: readonly VisitBefore[]): number | undefined {
	return last?.again ? Date.parse(last.again.on) : undefined;
}

export const load = (async ({ locals, params, url }) => {
	const workshopId = workshopOf(locals);
	const instrument = await instrumentOr404(workshopId, params.id);
	const [visits, read, places, contacts] = await Promise.all([
		visitHistory(workshopId, instrument),
		readStrings(workshopId, instrument.id),
		listPlaces(workshopId),
		listContacts(workshopId)
	]);
	const { history, findings } = await visitsBefore(workshopId, instrument, visits);
	const { id, name, kind, location, maker, madeIn, lowest, highest, usualA4, notes, reeds, neck } = instrument;
	const { locationId, ownerId, archivedAt } = instrument;
	// Who only looks sees the places that are shown, and no addresses.
	const mayMove = mayDo(signedInOf(locals).role, 'work');
	const { after } = asked.parse({ after: url.searchParams.get('visits') ?? 0 });
	const finished = visits.filter(({ finishedAt }) => finishedAt);
	return {
		instrument: {
			...{ id, name, kind, location, maker, madeIn, lowest, highest, usualA4, notes, reeds, neck },
			...{ locationId, ownerId, archivedAt }
		},
		places: mayMove ? places.map((place) => ({ id: place.id, name: place.name, town: place.town })) : [],
		contacts: mayMove ? contacts.map((contact) => ({ id: contact.id, name: contact.name, role: contact.role })) : [],
		notesRead: read.length,
		open: visits.find(({ finishedAt }) => !finishedAt),
		last: finished.at(0),
		inAll: visits.length,
		finished: finished.length,
		visits: finished.slice(after, after + PAGE),
		next: finished.length > after + PAGE ? after + PAGE : undefined,
		isFirst: after === 0,
		/** A visit has just been deleted. */
		isVisitGone: url.searchParams.get('gone') === 'visit',
		/** The days that any two can be compared of. */
		days: finished.slice(0, COMPARED).map(({ id, startedAt }) => ({ id, startedAt })),
		history,
		findings: findings ?? [],
		stray: isStrung(instrument) ? await strayPinsOf(workshopId, instrument.id) : [],
		looks: isStrung(instrument) ? ((await looksBefore(workshopId, [instrument.id])).get(instrument.id) ?? []) : [],
		drift: isStrung(instrument) ? await instrumentDrift(workshopId, instrument, Date.now(), nextOf(history)) : undefined
	};
}) satisfies PageServerLoad;

export const actions = {
	delete: async ({ request, locals, params }) => {
		const asked = await sentForm(request, instrumentSchema);
		// The page says which one it stood on.
		const isMeant = asked?.instrument === params.id;
		const problem = isMeant ? await deleteInstrument(signedInOf(locals), params.id) : 'That cannot be read.';
		if (problem) return fail(409, { problem });
		redirect(303, `/instruments?deleted=${params.id}`);
	},
	deleteVisit: async ({ request, locals, params }) => {
		const asked = await sentForm(request, visitSchema);
		const problem = asked ? await deleteVisit(signedInOf(locals), asked.visit) : 'That cannot be read.';
		if (problem) return fail(409, { problem });
		redirect(303, `/instruments/${params.id}?gone=visit`);
	}
} satisfies Actions;
