import { createHash } from 'node:crypto';
import type { Item, MovedPins } from '$lib/handover/record';
import type { ActRow } from '../db/rows';
import { soundersText, type NewReading } from '../db/stores/record';
import type { Incoming } from './former';

/** When something that a device made happened, by the server's time. */
export type Placing = (what: Pick<Incoming, 'device' | 'counter' | 'at'>) => Date;

/** What an item was made from: the same id with another hash is something else. */
export function hashOf(item: Item): string {
	const { kind } = item;
	const body = kind === 'reading' ? item.reading : kind === 'act' ? item.act : item.moved;
	return createHash('sha256').update(JSON.stringify(body)).digest('hex');
}

interface Into {
	readonly workshopId: string;
	readonly visitId: string;
	readonly seq: number;
	readonly place: Placing;
}

/** Items as the tables have them; of several states of the simulated pins the last counts. */
export function rowsOf({ workshopId, visitId, seq, place }: Into, incoming: readonly Incoming[]) {
	const readings: NewReading[] = [];
	const acts: ActRow[] = [];
	let pins: MovedPins | undefined;
	for (const each of incoming) {
		const { item, device } = each;
		const common = { workshopId, visitId, device, seq, placedAt: place(each), hash: hashOf(item) };
		if (item.kind === 'pins') pins = item.moved;
		else if (item.kind === 'reading') {
			const { way: _, sounders, partials, ...reading } = item.reading;
			readings.push({ row: { ...common, ...reading, sounders: soundersText(sounders) }, partials });
		} else {
			const { id, counter, doneAt, do: kind, ...act } = item.act;
			acts.push({
				...common,
				id,
				counter,
				doneAt,
				kind,
				sounders: 'sounders' in act ? soundersText(act.sounders) : null,
				readingId: 'reading' in act ? act.reading : null,
				act
			});
		}
	}
	return { readings, acts, pins };
}
