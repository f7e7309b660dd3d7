import { z } from 'zod';
import { workshopOf } from '$lib/server/auth/guard';
import { groupsSet } from '$lib/server/db/stores/summaries';
import { openVisits, visitsShown, type AfterVisit, type ShownVisit } from '$lib/server/db/stores/visits';
import type { PageServerLoad } from './$types';

const PAGE = 20;
/** "2026-07-14T09:00:00.000Z,01981e..." */
const behind = z
	.string()
	.transform((text): AfterVisit => {
		const [at, id] = text.split(',');
		return { at: new Date(at), id: z.uuid().parse(id) };
	})
	.refine(({ at }) => !Number.isNaN(at.getTime()))
	.optional()
	.catch(undefined);
const asked = z.object({ open: behind, finished: behind });

const cursor = ({ id, startedAt, finishedAt }: ShownVisit) => `${(finishedAt ?? startedAt).toISOString()},${id}`;

export const load = (async ({ locals, url }) => {
	const workshopId = workshopOf(locals);
	const after = asked.parse(Object.fromEntries(url.searchParams));
	const [open, finished, inAll] = await Promise.all([
		visitsShown(workshopId, 'open', PAGE + 1, after.open),
		visitsShown(workshopId, 'finished', PAGE + 1, after.finished),
		openVisits(workshopId)
	]);
	const pages = { open: open.slice(0, PAGE), finished: finished.slice(0, PAGE) };
	const set = await groupsSet(
		workshopId,
		[...pages.open, ...pages.finished].map(({ id }) => id)
	);
	const shown = (visits: readonly ShownVisit[]) =>
		visits.map((visit) => ({ ...visit, notesSet: set.get(visit.id) ?? 0 }));
	return {
		inAll,
		open: shown(pages.open),
		nextOpen: open.length > PAGE ? cursor(pages.open.at(-1)!) : undefined,
		finished: shown(pages.finished),
		nextFinished: finished.length > PAGE ? cursor(pages.finished.at(-1)!) : undefined,
		isFirst: { open: !after.open, finished: !after.finished }
	};
}) satisfies PageServerLoad;
