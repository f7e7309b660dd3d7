import { createHash } from 'node:crypto';
import type { MovedPins, PlanVersion } from '@fendrel/core';
import type { Item, TakenCurve } from '$lib/record/record';
import type { ActRow, PlanVersionRow, TuningCurveRow } from '../db/rows';
import { soundersText, type LockedVisit, type NewReading } from '../db/stores/record';
import type { Incoming } from './former';
import type { Placing } from './placing';

/** What an item was made from: the same id with another hash is something else. */
export function hashOf(item: Item): string {
	const { kind } = item;
	const body =
		kind === 'reading' ? item.reading : kind === 'act' ? item.act : kind === 'begin' ? item.begin : item.moved;
	return createHash('sha256').update(JSON.stringify(body)).digest('hex');
}

interface Into {
	readonly workshopId: string;
	readonly visit: LockedVisit;
	readonly seq: number;
	readonly place: Placing;
}

/** The times that a column can hold; a device's clock may say any other. */
const COLUMN = { first: Date.UTC(1971, 0), last: Date.UTC(9998, 0) };
const fitting = (at: Date) => new Date(Math.min(Math.max(at.getTime(), COLUMN.first), COLUMN.last));

/** Items as the tables have them. */
export function rowsOf({ workshopId, visit, seq, place }: Into, incoming: readonly Incoming[]) {
	const readings: NewReading[] = [];
	const acts: ActRow[] = [];
	const pins: { readonly moved: MovedPins; readonly at: Date }[] = [];
	const plans: PlanVersionRow[] = [];
	const curves: TuningCurveRow[] = [];
	const { id: visitId, instrumentId } = visit;
	const planned = (plan: PlanVersion, curve: TakenCurve | undefined, madeAt: Date) => {
		plans.push({ ...plan, workshopId, visitId, madeAt });
		if (curve) curves.push({ ...curve, madeAt, workshopId, instrumentId, visitId });
	};
	for (const each of incoming) {
		const { item, device } = each;
		const placedAt = place(each);
		const common = { workshopId, visitId, device, seq, placedAt, hash: hashOf(item) };
		if (item.kind === 'pins') pins.push({ moved: item.moved, at: placedAt });
		else if (item.kind === 'reading') {
			const { sounders, partials, takenAt, ...reading } = item.reading;
			const row = { ...common, ...reading, takenAt: fitting(takenAt), sounders: soundersText(sounders) };
			readings.push({ row, partials });
		} else if (item.kind === 'begin') {
			const { id, counter, startedAt, plan, curve } = item.begin;
			planned(plan, curve, placedAt);
			// Nobody chose what a visit begins with.
			const act = { plan, over: [], wrote: [] };
			acts.push({
				...{ ...common, id, counter, doneAt: fitting(startedAt), kind: 'plan', sounders: null, readingId: null, act }
			});
		} else {
			const { id, counter, doneAt, do: kind, ...said } = item.act;
			const { curve, ...act } = { curve: undefined, ...said };
			if ('wrote' in said) planned(said.plan, curve, placedAt);
			const sounders = 'sounders' in said ? soundersText(said.sounders) : null;
			const readingId = 'reading' in said ? said.reading : null;
			acts.push({ ...common, id, counter, doneAt: fitting(doneAt), kind, sounders, readingId, act });
		}
	}
	return { readings, acts, pins, plans, curves };
}
