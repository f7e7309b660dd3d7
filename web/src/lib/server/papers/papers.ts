import { reportOf } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import { isKeyboardBook } from '$lib/device/books';
import type { Paper } from '$lib/record/papers';
import { accountOf } from '$lib/visit/close/account';
import { nextVisit } from '$lib/visit/close/nextVisit';
import { cardFacts, ownersReport } from '$lib/visit/close/report';
import { groundOf, visitOf, type VisitGround } from '$lib/visit/ground';
import { getAttachment } from '../db/stores/attachments';
import { visitBundle } from '../visits/books';
import { nextCalendar } from './nextCalendar';
import { leftPitches } from '../visits/left';
import { printed } from './printer';
import { tuningFile, tuningKeys } from './visitTuning';

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

async function visitTuning(
	workshopId: string,
	{ visit, instrument }: VisitGround,
	as: 'file' | 'bulk'
): Promise<Uint8Array> {
	const left = await leftPitches(workshopId, visit.id);
	const keys = tuningKeys(new Map(left.map(({ note, pitch }) => [note, pitch])));
	if (!keys)
		error(409, {
			message: 'Too few notes of this visit were read as they were left: a tuning takes an octave at least.'
		});
	return tuningFile(keys, instrument.name, as);
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
		nextCalendar(ground.visit.id, ground.instrument, nextVisit(ground, accountOf(ground), now), now),
	tuning: async (workshopId, ground) => visitTuning(workshopId, ground, 'file'),
	bulk: async (workshopId, ground) => visitTuning(workshopId, ground, 'bulk')
};

/** A paper of a visit, from what is stored of it. */
export async function paperOf(
	workshopId: string,
	visitId: string,
	paper: Paper,
	now: Date
): Promise<Uint8Array | string> {
	const { visit, about } = await visitBundle(workshopId, visitId);
	if (isKeyboardBook(about)) return MAKE[paper](workshopId, groundOf({ visit, about }), now);
	if (paper !== 'next') error(404, { message: 'Of this instrument it is printed from the visit’s own page.' });
	const report = reportOf(visit.events);
	const ground = { visit: visitOf(report, visit), record: { report }, about };
	return nextCalendar(visit.id, about.instrument, nextVisit(ground, { moved: 0 }, now), now);
}
