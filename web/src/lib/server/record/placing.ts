import type { Transaction } from 'sequelize';
import { NIL } from 'uuid';
import { placedAround, type LockedVisit } from '../db/stores/record';
import type { Incoming } from './former';

/** Clocks that differ by less are one. */
const SAME_CLOCK_MS = 2000;

/** When something that a device made happened, by the server's time. */
export type Placing = (what: Pick<Incoming, 'device' | 'counter' | 'at'>) => Date;

/** By how many milliseconds the server's time is ahead of a device's clock. */
export type ClockOf = (device: string) => number;

/**
 * Each device's clock, as it was measured while the device went by it; what nobody measured is taken by what the sender's
 * clock says now.
 */
export function clocksOf(now: Date, measured: Readonly<Record<string, number>>): ClockOf {
	const off = Date.now() - now.getTime();
	const known = Math.abs(off) < SAME_CLOCK_MS || !Number.isFinite(off) ? 0 : off;
	return (device) => measured[device] ?? known;
}

/** A moment of a device in the server's time: nothing lies in the future. */
export function moved(at: Date, ahead: number): Date {
	return new Date(Math.min(at.getTime() + ahead, Date.now()));
}

/**
 * Where things stand in the server's time: moved by what the device's clock is off, between the visit's beginning and now,
 * and never out of the order of a device's own counter, however its clock was set meanwhile.
 */
export async function placing(
	{ id, startedAt }: Pick<LockedVisit, 'id' | 'startedAt'>,
	clockOf: ClockOf,
	fresh: readonly Incoming[],
	transaction: Transaction
): Promise<Placing> {
	const own = (each: Pick<Incoming, 'device' | 'at'>) =>
		Math.max(moved(each.at, clockOf(each.device)).getTime(), Math.min(startedAt.getTime(), Date.now()));
	const placed = new Map<string, Date>();
	const key = ({ device, counter }: Pick<Incoming, 'device' | 'counter'>) => `${device} ${counter}`;
	for (const device of new Set(fresh.map((each) => each.device))) {
		// What was made before devices had names has no order but its time.
		if (device === NIL) continue;
		const made = fresh
			.filter((each) => each.device === device && each.item.kind !== 'pins')
			.sort((a, b) => a.counter - b.counter);
		if (made.length === 0) continue;
		const range = { from: made[0].counter, to: made[made.length - 1].counter };
		const { after, before } = await placedAround(id, device, range, transaction);
		let last = after?.getTime() ?? -Infinity;
		for (const each of made) {
			last = Math.min(Math.max(own(each), last), before?.getTime() ?? Infinity);
			placed.set(key(each), new Date(last));
		}
	}
	return (each) => placed.get(key(each)) ?? new Date(own(each));
}
