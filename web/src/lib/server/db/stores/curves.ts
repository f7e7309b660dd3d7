import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { KeptCurve } from '$lib/tuning/curve';
import { database } from '../connection';
import type { TuningCurveRow } from '../rows';

export type NewCurve = Omit<TuningCurveRow, 'id' | 'workshopId' | 'madeAt'>;

/** Keeps a curve; none is ever changed or replaced. */
export async function keepCurve(workshopId: string, curve: NewCurve, madeAt = new Date()): Promise<KeptCurve> {
	const row = { ...curve, id: uuid(), workshopId, madeAt };
	await database().models.tuningCurves.create(row);
	return kept(row);
}

/** A curve of that instrument. */
export async function getCurve(workshopId: string, instrumentId: string, id: string): Promise<KeptCurve | undefined> {
	const row = await database().models.tuningCurves.findOne({ where: { workshopId, instrumentId, id } });
	return row ? kept(row.get()) : undefined;
}

/** The newest first. */
export async function curvesOf(workshopId: string, instrumentId: string, most = 40): Promise<KeptCurve[]> {
	const rows = await database().models.tuningCurves.findAll({
		where: { workshopId, instrumentId },
		order: [
			['madeAt', 'DESC'],
			['id', 'DESC']
		],
		limit: Number.isFinite(most) ? most : undefined
	});
	return rows.map((row) => kept(row.get()));
}

/** Curves that were taken on a device, under the numbers they were given there; one that is kept already stays. */
export async function keepTakenCurves(rows: readonly TuningCurveRow[], transaction: Transaction): Promise<void> {
	if (rows.length) await database().models.tuningCurves.bulkCreate([...rows], { ignoreDuplicates: true, transaction });
}

/** Those of some curves that an instrument has. */
export async function curvesAmong(
	instrumentId: string,
	ids: readonly string[],
	transaction?: Transaction
): Promise<KeptCurve[]> {
	if (ids.length === 0) return [];
	const rows = await database().models.tuningCurves.findAll({ where: { instrumentId, id: [...ids] }, transaction });
	return rows.map((row) => kept(row.get()));
}

function kept({ workshopId: _, instrumentId: __, ...curve }: TuningCurveRow): KeptCurve {
	return curve;
}
