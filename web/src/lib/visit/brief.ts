import type { Brief, VisitReport } from '@fendrel/core';
import type { InstrumentBook } from '$lib/device/books';

interface BriefGround {
	readonly record: { readonly report: Pick<VisitReport, 'arrival'> };
	readonly about: Pick<InstrumentBook, 'history'>;
}

/**
 * What a visit is for, as it stands: what was said at the last one holds until somebody says otherwise; but for the day it
 * must be ready, and the complaint, which belong to that visit.
 */
export function briefOf({ record, about }: BriefGround): Brief {
	const { brief, isBriefed } = record.report.arrival;
	if (isBriefed) return brief;
	return { ...brief, ...about.history?.[0]?.brief, due: null, complaint: '' };
}
