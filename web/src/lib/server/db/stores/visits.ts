import { Op, QueryTypes, type WhereOptions } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { database } from '../connection';
import type { VisitRow } from '../models';

export type NewVisit = Pick<VisitRow, 'instrumentId' | 'temperamentId' | 'a4' | 'tolerance' | 'stretch' | 'startedBy'>;
export type VisitChanges = Partial<
	Pick<
		VisitRow,
		'temperamentId' | 'a4' | 'tolerance' | 'stretch' | 'stage' | 'currentNote' | 'moved' | 'note' | 'finishedAt'
	>
>;

export async function createVisit(workshopId: string, visit: NewVisit): Promise<string> {
	const id = uuid();
	await database().models.visits.create({
		id,
		workshopId,
		...visit,
		stage: 'plan',
		currentNote: null,
		moved: {},
		note: '',
		startedAt: new Date(),
		finishedAt: null
	});
	return id;
}

export async function getVisit(workshopId: string, id: string): Promise<VisitRow | undefined> {
	return (await database().models.visits.findOne({ where: { workshopId, id } }))?.get();
}

export async function updateVisit(workshopId: string, id: string, changes: VisitChanges): Promise<void> {
	await database().models.visits.update(changes, { where: { workshopId, id } });
}

/** Newest first. */
export async function visitsOf(workshopId: string, instrumentId: string): Promise<VisitRow[]> {
	return list({ workshopId, instrumentId });
}

export async function openVisits(workshopId: string): Promise<VisitRow[]> {
	return list({ workshopId, finishedAt: null });
}

export async function recentVisits(workshopId: string, limit: number): Promise<VisitRow[]> {
	return list({ workshopId, finishedAt: { [Op.ne]: null } }, limit);
}

async function list(where: WhereOptions<VisitRow>, limit?: number): Promise<VisitRow[]> {
	const rows = await database().models.visits.findAll({ where, order: [['startedAt', 'DESC']], limit });
	return rows.map((row) => row.get());
}

/** How many notes of each visit have been accepted. */
export async function notesSet(workshopId: string, visitIds: readonly string[]): Promise<Map<string, number>> {
	if (visitIds.length === 0) return new Map();
	const rows = await database().sequelize.query<{ visitId: string; notes: number }>(
		`SELECT visit_id AS visitId, COUNT(DISTINCT note) AS notes FROM readings
		WHERE workshop_id = :workshopId AND visit_id IN (:visitIds) AND accepted GROUP BY visit_id`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, visitIds } }
	);
	return new Map(rows.map(({ visitId, notes }) => [visitId, Number(notes)]));
}
