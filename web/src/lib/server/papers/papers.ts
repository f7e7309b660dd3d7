import type { Paper } from '$lib/record/papers';
import { accountOf } from '$lib/visit/close/account';
import { nextVisit } from '$lib/visit/close/nextVisit';
import { cardFacts, ownersReport } from '$lib/visit/close/report';
import { groundOf, type VisitGround } from '$lib/visit/ground';
import { getAttachment } from '../db/stores/attachments';
import { visitBundle } from '../visits/books';
import { nextCalendar } from './nextCalendar';
import { printed } from './printer';

/** As many photos stand beside each other in a report. */
const MOST_PHOTOS = 4;
/** Kinds of pictures that a PDF holds. */
const PRINTABLE: ReadonlySet<string> = new Set(['image/jpeg', 'image/png']);

async function photosOf(workshopId: string, { visit, record }: VisitGround): Promise<string[]> {
	const shown = [...record.report.arrival.attachments.values()].filter(({ kind }) => kind === 'photo');
	const rows = await Promise.all(
		shown.slice(-MOST_PHOTOS).map(({ attachment }) => getAttachment(workshopId, visit.id, attachment))
	);
	return rows.flatMap((row) =>
		row && PRINTABLE.has(row.type) ? [`data:${row.type};base64,${row.bytes.toString('base64')}`] : []
	);
}

const MAKE: Record<Paper, (workshopId: string, ground: VisitGround, now: Date) => Promise<Uint8Array | string>> = {
	report: async (workshopId, ground, now) =>
		printed('report', ownersReport(ground, now), {
			records: [...ground.summary.notes.values()].flatMap(({ note, found, left }) =>
				found === undefined ? [] : [{ note, found, left }]
			),
			lowest: ground.instrument.lowest,
			highest: ground.instrument.highest,
			photos: await photosOf(workshopId, ground)
		}),
	card: (_, ground, now) => printed('card', cardFacts(ground, now), ground.who ?? ''),
	next: async (_, ground, now) =>
		nextCalendar(ground.visit.id, ground.instrument, nextVisit(ground, accountOf(ground), now), now)
};

/** A paper of a visit, from what is stored of it. */
export async function paperOf(
	workshopId: string,
	visitId: string,
	paper: Paper,
	now: Date
): Promise<Uint8Array | string> {
	return MAKE[paper](workshopId, groundOf(await visitBundle(workshopId, visitId)), now);
}
