import { Op, type Transaction, type WhereOptions } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { stretchColumns, stretchOf, type Stretch } from '$lib/tuning/stretch';
import { database } from '../connection';
import type { VisitRow } from '../rows';

/** A visit as it is planned and stands; what happened in it is in its record. */
export type Visit = Omit<VisitRow, 'curveId' | 'curveLead'> & { readonly stretch: Stretch };

export type NewVisit = Pick<Visit, 'instrumentId' | 'temperamentId' | 'a4' | 'tolerance' | 'stretch' | 'startedBy'>;
export type VisitChanges = Partial<
	Pick<Visit, 'temperamentId' | 'a4' | 'tolerance' | 'stretch' | 'stage' | 'note' | 'finishedAt'>
>;

export async function createVisit(workshopId: string, { stretch, ...visit }: NewVisit): Promise<Visit> {
	const row: VisitRow = {
		id: uuid(),
		workshopId,
		...visit,
		...stretchColumns(stretch),
		stage: 'plan',
		seq: 0,
		note: '',
		startedAt: new Date(),
		finishedAt: null
	};
	await database().models.visits.create(row);
	return visitOf(row);
}

function visitOf({ curveId, curveLead, ...visit }: VisitRow): Visit {
	return { ...visit, stretch: stretchOf({ curveId, curveLead }) };
}

export async function getVisit(workshopId: string, id: string, transaction?: Transaction): Promise<Visit | undefined> {
	const row = await database().models.visits.findOne({ where: { workshopId, id }, transaction });
	return row ? visitOf(row.get()) : undefined;
}

export async function updateVisit(
	workshopId: string,
	id: string,
	{ stretch, ...changes }: VisitChanges,
	transaction?: Transaction
): Promise<void> {
	const row = { ...changes, ...(stretch && stretchColumns(stretch)) };
	await database().models.visits.update(row, { where: { workshopId, id }, transaction });
}

/** Newest first. */
export async function visitsOf(workshopId: string, instrumentId: string): Promise<Visit[]> {
	return list({ workshopId, instrumentId });
}

export async function openVisits(workshopId: string): Promise<Visit[]> {
	return list({ workshopId, finishedAt: null });
}

export async function recentVisits(workshopId: string, limit: number): Promise<Visit[]> {
	return list({ workshopId, finishedAt: { [Op.ne]: null } }, limit);
}

async function list(where: WhereOptions<VisitRow>, limit?: number): Promise<Visit[]> {
	const rows = await database().models.visits.findAll({ where, order: [['startedAt', 'DESC']], limit });
	return rows.map((row) => visitOf(row.get()));
}
