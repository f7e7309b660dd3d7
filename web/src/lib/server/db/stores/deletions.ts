import { Op, QueryTypes, type Model, type ModelStatic, type Transaction, type WhereOptions } from 'sequelize';
import type { Change } from '$lib/workshop/changes';
import type { Deletable } from '$lib/workshop/deletable';
import { database } from '../connection';
import type { Deletion, InstrumentRow, UserRow, VisitRow } from '../rows';
import type { NotedChange } from './changes';

/* What is deleted stays for a while, unseen: the models leave it out by themselves (`DELETABLE` in tables/columns). */

/** Something deleted, as those see it who may bring it back. */
export interface Deleted {
	readonly kind: Deletable;
	readonly id: string;
	readonly name: string;
	readonly deletedAt: Date;
	readonly deletedBy: string | null;
	/** A visit's day. */
	readonly startedAt: Date | null;
	/** A visit of an instrument that is deleted too comes back with it. */
	readonly isWithInstrument: boolean;
}

type Kept = Deletion & { id: string; workshopId: string };
function tableOf(kind: Deletable): ModelStatic<Model<Kept, Kept>> {
	const { instruments, visits, users } = database().models;
	const of = { instrument: instruments, visit: visits, user: users } as const;
	return of[kind] as unknown as ModelStatic<Model<Kept, Kept>>;
}

/** Marks something as deleted. @returns false when there is nothing of the kind */
export async function markDeleted(
	kind: Deletable,
	where: WhereOptions<Kept>,
	by: { readonly userId: string; readonly at: Date },
	transaction: Transaction
): Promise<boolean> {
	const [marked] = await tableOf(kind).update({ deletedAt: by.at, deletedBy: by.userId }, { where, transaction });
	return marked > 0;
}

/** @throws UniqueConstraintError when something else has its place by now */
export async function unmark(kind: Deletable, where: WhereOptions<Kept>, transaction: Transaction): Promise<void> {
	await tableOf(kind).update({ deletedAt: null, deletedBy: null }, { where, paranoid: false, transaction });
}

/** Something that is deleted, held until the transaction ends. */
export async function lockDeleted<Kind extends Deletable>(
	kind: Kind,
	workshopId: string,
	id: string,
	transaction: Transaction
): Promise<{ instrument: InstrumentRow; visit: VisitRow; user: UserRow }[Kind] | undefined> {
	const row = await tableOf(kind).findOne({
		where: { workshopId, id, deletedAt: { [Op.ne]: null } },
		paranoid: false,
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return row?.get() as never;
}

/** Gone for good, with all that hangs on it. */
export async function eraseRow(kind: Deletable, id: string, transaction: Transaction): Promise<void> {
	await tableOf(kind).destroy({ where: { id }, force: true, transaction });
}

/** Whether a visit, by its number or one that led to it, is deleted. */
export async function deletedVisit(workshopId: string, id: string, transaction: Transaction): Promise<boolean> {
	const [found] = await database().sequelize.query(
		`SELECT 1 FROM visits WHERE workshop_id = :workshopId AND deleted_at IS NOT NULL
			AND id = COALESCE((SELECT visit_id FROM visit_aliases WHERE id = :id), :id)`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, id }, transaction }
	);
	return found !== undefined;
}

/** What a deleted instrument is called; undefined: it is not deleted. */
export async function deletedName(workshopId: string, id: string): Promise<string | undefined> {
	const where = { workshopId, id, deletedAt: { [Op.ne]: null } };
	return (await database().models.instruments.findOne({ where, paranoid: false }))?.get().name;
}

/** What the trail says of a visit: by the name of its instrument. */
export async function ofVisit(
	{ id, instrumentId, startedAt }: Pick<VisitRow, 'id' | 'instrumentId' | 'startedAt'>,
	what: Change,
	transaction: Transaction
): Promise<NotedChange> {
	const row = await database().models.instruments.findByPk(instrumentId, {
		attributes: ['id', 'name'],
		paranoid: false,
		transaction
	});
	const day = startedAt.toISOString().slice(0, 10);
	return { what, subjectId: id, name: row?.get().name ?? '', said: { 'visit of': ['', day] } };
}

/** A page of what is deleted in a workshop, the newest first. */
export async function deletedIn(workshopId: string, most: number, after = 0): Promise<Deleted[]> {
	const rows = await database().sequelize.query<Omit<Deleted, 'isWithInstrument'> & { isWithInstrument: number }>(
		`SELECT * FROM (
			SELECT 'instrument' AS kind, id, name COLLATE utf8mb4_bin AS name, deleted_at AS deletedAt, deleted_by AS deletedBy, NULL AS startedAt, 0 AS isWithInstrument
				FROM instruments WHERE workshop_id = :workshopId AND deleted_at IS NOT NULL
			UNION ALL SELECT 'user', id, name COLLATE utf8mb4_bin, deleted_at, deleted_by, NULL, 0
				FROM users WHERE workshop_id = :workshopId AND deleted_at IS NOT NULL
			UNION ALL SELECT 'visit', v.id, i.name COLLATE utf8mb4_bin, v.deleted_at, v.deleted_by, v.started_at, i.deleted_at IS NOT NULL
				FROM visits v JOIN instruments i ON i.id = v.instrument_id
				WHERE v.workshop_id = :workshopId AND v.deleted_at IS NOT NULL AND NOT (v.deleted_at <=> i.deleted_at)
		) deleted ORDER BY deletedAt DESC, id LIMIT :most OFFSET :after`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, most, after } }
	);
	return rows.map((row) => ({ ...row, isWithInstrument: Boolean(row.isWithInstrument) }));
}

/** What has been deleted for longer than it can be brought back, in every workshop. */
export async function outlived(
	kind: Deletable,
	before: Date,
	most: number
): Promise<Pick<Kept, 'id' | 'workshopId'>[]> {
	const rows = await tableOf(kind).findAll({
		where: { deletedAt: { [Op.lt]: before } },
		attributes: ['id', 'workshopId'],
		paranoid: false,
		limit: most
	});
	return rows.map((row) => row.get());
}
