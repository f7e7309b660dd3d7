import { groupOf, groupRecords, pitchLeft, type SounderId, type SounderRecord } from '@fendrel/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { database } from '../connection';
import type { InstrumentSounderRow, VisitRow, VisitSounderRow } from '../rows';

/** Keeps what the report says of sounders in a visit. */
export async function keepVisitSounders(
	{ workshopId, id: visitId }: Pick<VisitRow, 'workshopId' | 'id'>,
	records: readonly SounderRecord[],
	transaction: Transaction
): Promise<void> {
	if (records.length === 0) return;
	await database().models.visitSounders.bulkCreate(
		records.map(({ sounder, found, left }) => ({
			visitId,
			sounder,
			workshopId,
			groupNumber: groupOf(sounder),
			found: found ?? null,
			leftAs: left ?? null
		})),
		{ updateOnDuplicate: ['found', 'leftAs'], transaction }
	);
}

function recordOf({ sounder, found, leftAs }: VisitSounderRow): SounderRecord {
	return { sounder, found: found ?? undefined, left: leftAs ?? undefined };
}

/** What the report says of every sounder, by visit. */
export async function visitSoundersOf(
	workshopId: string,
	visitIds: readonly string[]
): Promise<Map<string, SounderRecord[]>> {
	const rows = await database().models.visitSounders.findAll({ where: { workshopId, visitId: [...visitIds] } });
	const byVisit = new Map<string, SounderRecord[]>(visitIds.map((id) => [id, []]));
	for (const row of rows) byVisit.get(row.get().visitId)!.push(recordOf(row.get()));
	return byVisit;
}

/** How many groups of each visit have been set. */
export async function groupsSet(workshopId: string, visitIds: readonly string[]): Promise<Map<string, number>> {
	if (visitIds.length === 0) return new Map();
	const rows = await database().sequelize.query<{ visitId: string; groups: number }>(
		`SELECT visit_id AS visitId, COUNT(DISTINCT group_number) AS \`groups\` FROM visit_sounders
		WHERE workshop_id = :workshopId AND visit_id IN (:visitIds) AND left_as IS NOT NULL AND left_as <> 'null'
		GROUP BY visit_id`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, visitIds } }
	);
	return new Map(rows.map(({ visitId, groups }) => [visitId, Number(groups)]));
}

/** How well B must be known to be an instrument's: a share of itself. */
const SURE = 0.2;

/**
 * The newest reading of each sounder by itself that tells its inharmonicity well, for an instrument, with what the one
 * before told; for the named sounders only, or for all. What was discarded does not count.
 */
export async function refreshInstrumentSounders(
	instrumentId: string,
	sounders: readonly SounderId[] | 'all',
	transaction: Transaction
): Promise<void> {
	if (sounders !== 'all' && sounders.length === 0) return;
	const { sequelize, models } = database();
	const some = sounders === 'all' ? '' : 'AND r.sounders IN (:sounders)';
	const rows = await sequelize.query<InstrumentSounderRow>(
		`SELECT * FROM (
			SELECT v.instrument_id AS instrumentId, r.sounders AS sounder, r.workshop_id AS workshopId, r.visit_id AS visitId,
				r.id AS readingId, r.placed_at AS readAt, r.pitch, r.pitch_error AS pitchError, r.inharmonicity,
				r.inharmonicity_error AS inharmonicityError,
				LEAD(r.inharmonicity) OVER newest_first AS beforeInharmonicity,
				LEAD(r.inharmonicity_error) OVER newest_first AS beforeInharmonicityError,
				ROW_NUMBER() OVER newest_first AS place
			FROM visits v JOIN readings r ON r.visit_id = v.id
			WHERE v.instrument_id = :instrumentId AND v.deleted_at IS NULL AND r.sounders NOT LIKE '%,%' ${some}
				AND NOT EXISTS (SELECT 1 FROM acts a WHERE a.visit_id = r.visit_id AND a.kind = 'discard' AND a.reading_id = r.id
					AND NOT EXISTS (SELECT 1 FROM acts b
						WHERE b.visit_id = a.visit_id AND b.kind = 'takeBack' AND JSON_VALUE(b.act, '$.act') = a.id))
				AND r.inharmonicity > 0 AND r.pitch BETWEEN 8 AND 24000
				AND (r.inharmonicity_error IS NULL OR r.inharmonicity_error < ${SURE} * r.inharmonicity)
			WINDOW newest_first AS (PARTITION BY r.sounders ORDER BY r.placed_at DESC, r.device DESC, r.counter DESC)
		) newest WHERE place = 1`,
		{ type: QueryTypes.SELECT, replacements: { instrumentId, sounders }, transaction }
	);
	const kept = rows.map(({ place: _, ...row }: InstrumentSounderRow & { place?: number }) => row);
	const gone = sounders === 'all' ? { instrumentId } : { instrumentId, sounder: [...sounders] };
	await models.instrumentSounders.destroy({ where: gone, transaction });
	await models.instrumentSounders.bulkCreate(kept, { transaction });
}

/** The instrument as its last finished visit left it. */
export async function refreshInstrumentSummary(
	instrumentId: string,
	a4: number,
	transaction: Transaction
): Promise<void> {
	const { models } = database();
	const last = await models.visits.findOne({
		where: { instrumentId },
		attributes: ['id', 'workshopId', 'finishedAt'],
		order: [['finishedAt', 'DESC']],
		transaction
	});
	if (!last?.get().finishedAt) {
		await models.instrumentSummaries.destroy({ where: { instrumentId }, transaction });
		return;
	}
	const { id: visitId, workshopId, finishedAt } = last.get();
	const rows = await models.visitSounders.findAll({ where: { visitId, groupNumber: a4 }, transaction });
	const a4Left = pitchLeft(groupRecords(rows.map((row) => recordOf(row.get()))), a4) ?? null;
	await models.instrumentSummaries.upsert(
		{ instrumentId, workshopId, visitId, finishedAt: finishedAt!, a4Left },
		{ transaction }
	);
}
