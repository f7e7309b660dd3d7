import {
	groupRecords,
	readingsTakenFor,
	reportOf,
	summariseVisit,
	type PlanVersion,
	type PriorityId,
	type Purpose,
	type VisitReport
} from '@fendrel/core';
import type { InstrumentBook, KeyboardInstrument, VisitBook, VisitBundle } from '$lib/device/books';
import { familyOf } from '$lib/tuning/family';
import { planFor } from '$lib/tuning/plan';
import { stretchOf } from '$lib/tuning/stretch';
import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';

/* What a visit's pages and papers are made from: a device holds it while the visit is open, the server makes it from what is stored. */

/** A visit as it stands. */
export function visitOf(report: VisitReport, { id, startedAt, stage }: Pick<VisitBook, 'id' | 'startedAt' | 'stage'>) {
	const { a4, tolerance, temperamentId, curveId, lead } = report.plan!;
	return {
		...{ id, a4, tolerance, temperamentId, note: report.note, stage: report.stage ?? stage },
		stretch: stretchOf({ curveId, curveLead: lead as PriorityId | null }),
		startedAt: new Date(startedAt),
		finishedAt: report.finishedAt === undefined ? null : new Date(report.finishedAt)
	};
}

/** What the plan took from the instrument's book. */
export function takenFrom(
	{ temperaments, curves }: Pick<InstrumentBook, 'temperaments' | 'curves'>,
	{ temperamentId, curveId }: Pick<PlanVersion, 'temperamentId' | 'curveId'>
) {
	return {
		temperament:
			temperaments.find(({ id }) => id === temperamentId) ?? temperaments.find(({ slug }) => slug === 'equal')!,
		curve: curves.find(({ id }) => id === curveId)
	};
}

/** Notes whose B does not go with their neighbours', and that no second strike has confirmed. */
export function outOfLineIn(
	{ kind }: Pick<KeyboardInstrument, 'kind'>,
	measured: readonly KnownString[]
): ReadonlySet<number> {
	return stringsOfInstrument({ kind, measured }).inharmonicity.doubtful;
}

/** A visit as it is stored, for whatever is made from it. */
export function groundOf({ visit: book, about }: VisitBundle<KeyboardInstrument>) {
	const report = reportOf(book.events);
	const visit = visitOf(report, book);
	const { instrument, measured } = about;
	const { temperament, curve } = takenFrom(about, report.plan!);
	const { family, body } = familyOf(instrument);
	const plan = planFor({ ...instrument, ...{ a4: visit.a4, stretch: visit.stretch, temperament, curve, measured } });
	const groups = groupRecords(report.sounders.values());
	return {
		...{ visit, instrument, about, temperament, curve, measured, family, body, plan },
		record: { report, groups, readingsFor: (purpose: Purpose) => readingsTakenFor(report, purpose) },
		outOfLine: outOfLineIn(instrument, measured),
		summary: summariseVisit(groups, family.groups(body), (group) => plan.targetOf(group)?.pitch),
		who: book.who
	};
}

/** What papers are made from. */
export type VisitGround = ReturnType<typeof groundOf>;
