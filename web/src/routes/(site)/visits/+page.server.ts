import { workshopOf } from '$lib/server/auth/guard';
import { listInstruments } from '$lib/server/db/stores/instruments';
import { groupsSet } from '$lib/server/db/stores/summaries';
import { openVisits, recentVisits } from '$lib/server/db/stores/visits';
import type { PageServerLoad } from './$types';

const RECENT = 20;

export const load = (async ({ locals }) => {
	const workshopId = workshopOf(locals);
	const [instruments, open, recent] = await Promise.all([
		listInstruments(workshopId),
		openVisits(workshopId),
		recentVisits(workshopId, RECENT)
	]);
	const byId = new Map(instruments.map((instrument) => [instrument.id, instrument]));
	const set = await groupsSet(
		workshopId,
		[...open, ...recent].map(({ id }) => id)
	);
	const shown = (visits: typeof open) =>
		visits.map(({ id, instrumentId, startedAt, finishedAt, stage }) => ({
			id,
			startedAt,
			finishedAt,
			stage,
			notesSet: set.get(id) ?? 0,
			instrument: byId.get(instrumentId)?.name ?? '',
			location: byId.get(instrumentId)?.location?.name
		}));
	return { open: shown(open), recent: shown(recent) };
}) satisfies PageServerLoad;
