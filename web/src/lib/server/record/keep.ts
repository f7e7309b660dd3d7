import { A4, reportOf, type SounderId } from '@fendrel/core';
import type { Transaction } from 'sequelize';
import { database } from '../db/connection';
import { eventsOfSounders, type LockedVisit } from '../db/stores/record';
import { keepVisitSounders, refreshInstrumentSounders, refreshInstrumentSummary } from '../db/stores/summaries';

/*
 * Kept summaries: what the report says of each sounder in a visit, of an instrument's sounders, of an instrument. They
 * grow with what is written; the report of the sounders concerned is made anew, no more.
 */

/** Brings the summaries of a visit and its instrument in line with what was written to some of its sounders. */
export async function keepSummaries(
	workshopId: string,
	visit: LockedVisit,
	sounders: readonly SounderId[] | 'all',
	transaction: Transaction
): Promise<void> {
	if (sounders === 'all' || sounders.length > 0) {
		const report = reportOf(await eventsOfSounders(visit.id, sounders, transaction));
		const wanted = sounders === 'all' ? undefined : new Set(sounders);
		const records = [...report.sounders.values()].filter(({ sounder }) => !wanted || wanted.has(sounder));
		await keepVisitSounders({ workshopId, id: visit.id }, records, transaction);
		await refreshInstrumentSounders(visit.instrumentId, sounders, transaction);
	}
	if (visit.finishedAt) await refreshInstrumentSummary(visit.instrumentId, A4, transaction);
}

/** Makes all kept summaries anew from readings and acts; `only`: of these instruments. */
export async function rebuildSummaries(only?: readonly string[]): Promise<{ visits: number; instruments: number }> {
	const { sequelize, models } = database();
	const where = only ? { instrumentId: [...only] } : {};
	const visits = await models.visits.findAll({ where, attributes: ['id', 'workshopId', 'instrumentId'] });
	for (const row of visits) {
		const { id, workshopId } = row.get();
		await sequelize.transaction(async (transaction) => {
			await models.visitSounders.destroy({ where: { visitId: id }, transaction });
			await models.visitSummaries.destroy({ where: { visitId: id }, transaction });
			const { sounders } = reportOf(await eventsOfSounders(id, 'all', transaction));
			await keepVisitSounders({ workshopId, id }, [...sounders.values()], transaction);
		});
	}
	const instruments = new Set(visits.map((row) => row.get().instrumentId));
	for (const id of instruments)
		await sequelize.transaction(async (transaction) => {
			await refreshInstrumentSounders(id, 'all', transaction);
			await refreshInstrumentSummary(id, A4, transaction);
		});
	return { visits: visits.length, instruments: instruments.size };
}

/** Makes the summaries of those instruments that have readings and none: after they were carried over from before. */
export async function fillSummaries(): Promise<void> {
	const { sequelize } = database();
	const rows = (await sequelize.query(
		`SELECT DISTINCT v.instrument_id AS id FROM visits v
		WHERE v.deleted_at IS NULL AND EXISTS (SELECT 1 FROM acts a WHERE a.visit_id = v.id AND a.kind = 'accept')
			AND NOT EXISTS (SELECT 1 FROM visit_sounders s WHERE s.visit_id = v.id)`,
		{ type: 'SELECT' }
	)) as { id: string }[];
	if (rows.length) await rebuildSummaries(rows.map(({ id }) => id));
}
