import { format } from 'date-fns';
import { ownerNow } from './owner';
import { DAY_KEY, deviceStore } from './store';

/** A visit of the day as the device remembers it. */
export interface KeptStop {
	readonly id: string;
	readonly startsAt: string;
	readonly title: string;
	/** Place, how one gets in, what for, what was promised: in sentences. */
	readonly about: string;
	readonly instruments: readonly { readonly id: string; readonly name: string }[];
}

/** A day's visits, fetched while there was a network. */
export interface KeptDay {
	readonly owner: string;
	/** "2026-07-14", by the device's clock. */
	readonly day: string;
	/** When it was fetched, in milliseconds since 1970. */
	readonly at: number;
	/** What its instruments take on the device. */
	readonly bytes: number;
	/** Instruments of the day, and those of them that are not here. */
	readonly instruments: number;
	readonly missing: number;
	readonly stops: readonly KeptStop[];
}

export const dayName = (at: Date) => format(at, 'yyyy-MM-dd');

/** @returns whether the device keeps it */
export async function keepDay(day: Omit<KeptDay, 'owner'>): Promise<boolean> {
	const owner = ownerNow()?.userId;
	const store = await deviceStore();
	if (!store || !owner) return false;
	return store.put('shared', { ...day, owner }, DAY_KEY).then(
		() => true,
		() => false
	);
}

/** Today's, of whoever is signed in. */
export async function keptDay(now = new Date()): Promise<KeptDay | undefined> {
	const day = (await (await deviceStore())?.get('shared', DAY_KEY)) as KeptDay | undefined;
	return day && day.owner === ownerNow()?.userId && day.day === dayName(now) ? day : undefined;
}
