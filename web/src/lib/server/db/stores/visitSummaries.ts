import { database } from '../connection';
import type { VisitSummaryRow } from '../rows';

/** The summaries that are kept of some instruments' visits, as each was when it was made. */
export async function keptSummaries(instrumentIds: readonly string[]): Promise<Map<string, VisitSummaryRow>> {
	const rows = await database().models.visitSummaries.findAll({ where: { instrumentId: [...instrumentIds] } });
	return new Map(rows.map((row) => [row.get().visitId, row.get()]));
}

export async function keepSummariesOfVisits(rows: readonly VisitSummaryRow[]): Promise<void> {
	await database().models.visitSummaries.bulkCreate([...rows], { updateOnDuplicate: ['seq', 'basis', 'summary'] });
}
