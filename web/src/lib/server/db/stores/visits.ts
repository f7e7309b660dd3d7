import { STRING_KINDS, type InstrumentKind, type PlanVersion, type Stage, type VisitLength } from '@fendrel/core';
import { median, rollup } from 'd3-array';
import { Op, QueryTypes, type Transaction, type WhereOptions } from 'sequelize';
import { stretchOf, type Stretch } from '$lib/tuning/stretch';
import { database } from '../connection';
import type { VisitRow } from '../rows';

/** A visit as it is planned and stands; what happened in it is in its record. */
export type Visit = Omit<VisitRow, 'curveId' | 'curveLead'> & { readonly stretch: Stretch };

export async function createVisit(row: VisitRow, transaction: Transaction): Promise<void> {
	await database().models.visits.create(row, { transaction });
}

function visitOf({ curveId, curveLead, ...visit }: VisitRow): Visit {
	return { ...visit, stretch: stretchOf({ curveId, curveLead }) };
}

/** The visit that another one goes on in; the same when it goes on in none. */
export async function visitBehind(id: string, transaction?: Transaction): Promise<string> {
	return (await database().models.visitAliases.findByPk(id, { transaction }))?.get().visitId ?? id;
}

/** By its number, or by one that leads to it. */
export async function getVisit(workshopId: string, id: string): Promise<Visit | undefined> {
	const find = (which: string) => database().models.visits.findOne({ where: { workshopId, id: which } });
	const row = (await find(id)) ?? (await find(await visitBehind(id)));
	return row ? visitOf(row.get()) : undefined;
}

/**
 * The visit of an instrument that another, begun at a time, goes on in: one that is open, or that was then.
 */
export async function visitAround(
	workshopId: string,
	instrumentId: string,
	at: Date,
	transaction: Transaction
): Promise<VisitRow | undefined> {
	const then = { startedAt: { [Op.lte]: at }, finishedAt: { [Op.gte]: at } };
	const row = await database().models.visits.findOne({
		where: { workshopId, instrumentId, [Op.or]: [{ finishedAt: null }, then] } as WhereOptions<VisitRow>,
		order: [['startedAt', 'DESC']],
		transaction
	});
	return row?.get();
}

/** Has a visit's number lead to another one. */
export async function goOnIn(id: string, visitId: string, transaction: Transaction): Promise<void> {
	await database().models.visitAliases.create({ id, visitId }, { transaction });
}

export async function updateVisit(id: string, changes: Partial<VisitRow>, transaction: Transaction): Promise<void> {
	await database().models.visits.update(changes, { where: { id }, transaction });
}

/** Newest first. */
export async function visitsOf(workshopId: string, instrumentId: string): Promise<Visit[]> {
	return (await visitsOfEach(workshopId, [instrumentId])).get(instrumentId)!;
}

/** The same of each of some instruments. */
export async function visitsOfEach(
	workshopId: string,
	instrumentIds: readonly string[]
): Promise<Map<string, Visit[]>> {
	const rows = await database().models.visits.findAll({
		where: { workshopId, instrumentId: [...instrumentIds] },
		order: [['startedAt', 'DESC']]
	});
	const of = new Map<string, Visit[]>(instrumentIds.map((id) => [id, []]));
	for (const row of rows) of.get(row.get().instrumentId)!.push(visitOf(row.get()));
	return of;
}

/** A visit as the list of visits shows it. */
export interface ShownVisit {
	readonly id: string;
	readonly startedAt: Date;
	readonly finishedAt: Date | null;
	readonly stage: Stage;
	readonly instrument: string;
	readonly kind: InstrumentKind;
	readonly place: string | null;
}

/** Where a page of visits begins: behind one that stood on the page before. */
export interface AfterVisit {
	readonly at: Date;
	readonly id: string;
}

/** A page of a workshop's visits, newest first: those that are half done, by when they began, or finished ones, by when they ended. */
export async function visitsShown(
	workshopId: string,
	which: 'open' | 'finished',
	most: number,
	after?: AfterVisit
): Promise<ShownVisit[]> {
	const [when, by] = which === 'open' ? ['IS NULL', 'started_at'] : ['IS NOT NULL', 'finished_at'];
	const behind = after ? `AND v.${by} <= :at AND (v.${by} < :at OR v.id < :id)` : '';
	return database().sequelize.query<ShownVisit>(
		`SELECT v.id, v.started_at AS startedAt, v.finished_at AS finishedAt, v.stage, i.name AS instrument, i.kind, p.name AS place
		FROM (
			SELECT v.* FROM visits v
			WHERE v.workshop_id = :workshopId AND v.finished_at ${when} AND v.deleted_at IS NULL ${behind}
			ORDER BY v.${by} DESC, v.id DESC LIMIT :most
		) v
		JOIN instruments i ON i.id = v.instrument_id
		LEFT JOIN places p ON p.id = i.place_id
		ORDER BY v.${by} DESC, v.id DESC`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, most, ...after } }
	);
}

/** How many visits of a workshop are half done. */
export async function openVisits(workshopId: string): Promise<number> {
	return database().models.visits.count({ where: { workshopId, finishedAt: null } });
}

/** Visits that say how long work takes: as many of the newest. */
const PACED = 400;

/** Finished visits to keyboards of a workshop, newest first: how long they took, and how many passes of a raise were made in each. */
export async function pastVisits(workshopId: string): Promise<(VisitLength & { readonly id: string })[]> {
	const { visits, planVersions, instruments } = database().models;
	const others = await instruments.findAll({
		where: { workshopId, kind: { [Op.notIn]: STRING_KINDS as unknown as string[] } } as WhereOptions,
		attributes: ['id'],
		paranoid: false
	});
	const finished = await visits.findAll({
		where: {
			workshopId,
			finishedAt: { [Op.ne]: null },
			instrumentId: { [Op.notIn]: others.map((row) => row.get().id) }
		},
		attributes: ['id', 'startedAt', 'finishedAt'],
		order: [['finishedAt', 'DESC']],
		limit: PACED
	});
	const raised = await planVersions.findAll({
		where: { workshopId, visitId: finished.map((row) => row.get().id), raise: { [Op.ne]: null } } as WhereOptions,
		attributes: ['visitId', 'raise']
	});
	const passes = new Map<string, number>();
	for (const row of raised) {
		const { visitId, raise } = row.get();
		passes.set(visitId, Math.max(passes.get(visitId) ?? 0, raise?.pass ?? 0));
	}
	return finished.map((row) => {
		const { id, startedAt, finishedAt } = row.get();
		return { id, minutes: (finishedAt!.getTime() - startedAt.getTime()) / 60_000, passes: passes.get(id) ?? 0 };
	});
}

/** What instruments were set to when they were left last, by instrument. */
export async function lastSetOf(
	workshopId: string
): Promise<Map<string, { readonly a4: number; readonly temperamentId: string }>> {
	const rows = await database().sequelize.query<{ instrumentId: string; a4: number; temperamentId: string }>(
		`SELECT s.instrument_id AS instrumentId, v.a4, v.temperament_id AS temperamentId
		FROM instrument_summaries s JOIN visits v ON v.id = s.visit_id WHERE v.workshop_id = :workshopId`,
		{ type: QueryTypes.SELECT, replacements: { workshopId } }
	);
	return new Map(rows.map(({ instrumentId, ...set }) => [instrumentId, set]));
}

/** What a visit's plan said at last of reeds and of frets. */
export async function lastPlanOf(visitId: string): Promise<Pick<PlanVersion, 'intonation' | 'frets'> | undefined> {
	const { planVersions } = database().models;
	const row = await planVersions.findOne({ where: { visitId }, order: [['madeAt', 'DESC']] });
	return row?.get();
}

/** Visits whose length tells how long the next will take, and what is no length of one: it was left open, or opened by mistake. */
const RECENT = 6;
const LENGTH = { least: 10, most: 480 } as const;

/** Minutes that a visit to each instrument takes: the median of its newest ones, to five minutes. */
export async function minutesByInstrument(workshopId: string): Promise<ReadonlyMap<string, number>> {
	const rows = await database().sequelize.query<{ id: string; minutes: number }>(
		`SELECT instrument_id AS id, minutes FROM (
			SELECT instrument_id, TIMESTAMPDIFF(MINUTE, started_at, finished_at) AS minutes,
				ROW_NUMBER() OVER (PARTITION BY instrument_id ORDER BY finished_at DESC) AS place
			FROM visits
			WHERE workshop_id = :workshopId AND deleted_at IS NULL AND finished_at IS NOT NULL
				AND TIMESTAMPDIFF(MINUTE, started_at, finished_at) BETWEEN :least AND :most
		) newest WHERE place <= :recent`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, recent: RECENT, ...LENGTH } }
	);
	const byInstrument = rollup(
		rows,
		(all) => median(all, ({ minutes }) => Number(minutes))!,
		({ id }) => id
	);
	return new Map([...byInstrument].map(([id, minutes]) => [id, 5 * Math.round(minutes / 5)]));
}
