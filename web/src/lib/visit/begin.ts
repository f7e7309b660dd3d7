import {
	DEFAULT_TOLERANCE,
	EARLY_ORDER,
	isEarly,
	reportOf,
	type PlanVersion,
	type StringKind,
	type VisitEvent
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { connection } from '$lib/device/connection.svelte';
import { isKeyboardBook, withTimes, type InstrumentBook } from '$lib/device/books';
import { signedInHere } from '$lib/device/owner';
import { heldInstrument, keepInstrument, keepVisit, shelf } from '$lib/device/shelf';
import { FORMAT } from '$lib/record/format';
import { handOver } from '$lib/handover/handOver.svelte';
import { BALANCED, drawCurve, type CurveBasis, type CurveChoice, type KeptCurve } from '$lib/tuning/curve';
import { NO_STRETCH, stretchByCurve, stretchColumns } from '$lib/tuning/stretch';
import { notesReadOf } from '$lib/tuning/strings';
import type { Result } from '$lib/ui/result';

/** Early keyboards are set by pure octaves from the temperament's table unless their technician wants a curve. */
const isCurved = ({ kind }: { readonly kind: StringKind }) => !isEarly(kind);

/** A curve drawn for a visit from what is known of the strings now. */
export function newCurve(basis: CurveBasis, wish: CurveChoice, visitId: string | null): KeptCurve {
	return {
		id: uuid(),
		visitId,
		madeAt: new Date(),
		wish,
		lowest: basis.lowest,
		deviations: drawCurve(basis, wish),
		notesRead: notesReadOf(basis.measured)
	};
}

export interface Planned {
	readonly plan: PlanVersion;
	/** One that the plan takes anew. */
	readonly curve: KeptCurve | undefined;
}

/** What a visit begins with: what the instrument usually gets. */
export function firstPlan(book: InstrumentBook, visitId: string): Planned {
	const { instrument, temperaments, last } = book;
	const equal = temperaments.find(({ slug }) => slug === 'equal')!;
	const curve =
		!last && isKeyboardBook(book) && isCurved(book.instrument)
			? newCurve({ ...book.instrument, measured: book.measured }, BALANCED, visitId)
			: undefined;
	const stretch = curve ? stretchByCurve(curve.id) : (last?.stretch ?? NO_STRETCH);
	const { curveId, curveLead: lead } = stretchColumns(stretch);
	return {
		plan: {
			...{ id: uuid(), curveId, lead },
			a4: last?.a4 ?? instrument.usualA4,
			temperamentId: last?.temperamentId ?? equal.id,
			tolerance: last?.tolerance ?? DEFAULT_TOLERANCE,
			...(isKeyboardBook(book) && !isCurved(book.instrument) && { order: EARLY_ORDER }),
			...(last?.intonation && { intonation: last.intonation }),
			...(last?.frets && { frets: last.frets })
		},
		curve
	};
}

/** What is handed over of a visit that begins, and the act that it begins with. */
export function beginning(
	visitId: string,
	instrumentId: string,
	{ plan, curve }: Planned,
	{ id, device, counter, at }: ReturnType<typeof handOver.stamp>
) {
	const begin = { id, counter, startedAt: new Date(at), instrumentId, plan, ...(curve && { curve }) };
	const event: VisitEvent = { id, device, counter, at, do: 'plan', plan, over: [], wrote: [] };
	return { item: { format: FORMAT, visitId, device, kind: 'begin' as const, begin }, event };
}

/**
 * Begins a visit on an instrument, or goes on with the one that is open, with the server or without.
 * @returns the visit's id, or why there is none
 */
export async function beginVisit(instrumentId: string): Promise<Result<string>> {
	// Two windows of a browser, or two clicks, begin one.
	return navigator.locks.request(`fendrel.begin ${instrumentId}`, async () => beginAlone(instrumentId));
}

async function beginAlone(instrumentId: string): Promise<Result<string>> {
	await signedInHere();
	const answer = await connection.ask<InstrumentBook>(`/api/instruments/${instrumentId}/book`);
	if (answer.kind === 'refused') return { problem: answer.message ?? 'There is no such instrument in your workshop.' };
	if (answer.kind === 'signed out') return { problem: 'You are signed out. Sign in again, then start the visit.' };
	const told = answer.kind === 'told' ? withTimes(answer.body) : undefined;
	if (told) await keepInstrument(told);
	const mine = await openOnDevice(instrumentId);
	// What was begun here may not have reached the server yet.
	if (told?.open ?? mine) return { value: (told?.open ?? mine)! };
	const book = told ?? (await heldInstrument(instrumentId));
	if (!book)
		return {
			problem:
				'The server does not answer, and this instrument is not stored on this device. Open its page once while the server is there.'
		};
	const id = uuid();
	const planned = firstPlan(book, id);
	const made = beginning(id, instrumentId, planned, handOver.stamp());
	const about = planned.curve ? { ...book, curves: [planned.curve, ...book.curves] } : book;
	const startedAt = made.item.begin.startedAt.getTime();
	await keepVisit({
		visit: { id, instrumentId, startedAt, stage: 'arrive', seq: 0, events: [made.event], moved: {} },
		about
	});
	await handOver.add(id, [{ item: made.item }]);
	return { value: id };
}

/** Has the device hold an instrument, as the server knows it now. */
export async function holdInstrument(id: string): Promise<void> {
	await signedInHere();
	const answer = await connection.ask<InstrumentBook>(`/api/instruments/${id}/book`);
	if (answer.kind === 'told') await keepInstrument(withTimes(answer.body));
}

/** A visit of an instrument that this device holds and nobody has finished. */
async function openOnDevice(instrumentId: string): Promise<string | undefined> {
	const { visits } = await shelf();
	return visits.find(
		({ visit, happened }) =>
			visit.instrumentId === instrumentId &&
			reportOf([...visit.events, ...happened.map(({ told }) => told.event)]).finishedAt === undefined
	)?.visit.id;
}
