import type { At, Finding, VisitReport } from '@fendrel/core';
import type { InstrumentBook } from '$lib/device/books';

interface FindingGround {
	readonly record: { readonly report: Pick<VisitReport, 'arrival'> };
	readonly about: Pick<InstrumentBook, 'findings'>;
}

/** Work that was found, oldest first: of each finding the last word counts, of this visit or of one before. */
export function findingsOf({ about, record }: FindingGround): readonly At<Finding>[] {
	const all = new Map((about.findings ?? []).map((each) => [each.finding, each]));
	for (const [id, each] of record.report.arrival.findings) all.set(id, each);
	return [...all.values()].sort((a, b) => a.at - b.at);
}
