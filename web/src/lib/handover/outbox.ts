import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import { v7 as uuid } from 'uuid';
import { FORMER_FORMAT, idOf, isState } from './format';

/** Something that waits to be handed over; what it is, the server reads. */
export interface Queued {
	/** Rises in the order in which things were made. */
	readonly key: number;
	readonly visitId: string;
	readonly queuedAt: Date;
	readonly item: unknown;
}

/** Something that the server refused, kept until somebody decides. */
export interface Refused {
	readonly id: string;
	readonly visitId: string;
	readonly at: Date;
	readonly why: string;
	readonly item: unknown;
}

interface Stores extends DBSchema {
	items: { key: number; value: Queued & { readonly id: string }; indexes: { visit: string } };
	refused: { key: string; value: Refused };
	/** Of the first version: readings with marks, and where the work stood. */
	readings: { key: string; value: { id: string; visitId: string; reading: unknown } };
	places: { key: string; value: { visitId: string; place: unknown } };
}

/** What has been made on this device and not yet reached the server; it outlives reload and crash. */
export interface Outbox {
	/** All of them or none; a state takes the place of an earlier one. @throws when the device does not keep them */
	add(visitId: string, items: readonly unknown[]): Promise<void>;
	/** The oldest, of all visits, at most `most`. */
	waiting(most: number): Promise<Queued[]>;
	/** Everything that waits, whichever visit it belongs to. */
	all(): Promise<Queued[]>;
	/** Forgets what is stored, and sets aside what was refused. */
	settle(stored: readonly Queued[], refused: readonly (Queued & { readonly why: string })[]): Promise<void>;
	refused(): Promise<Refused[]>;
	/** Puts something that was refused back among what waits. */
	sendAgain(id: string): Promise<void>;
	discard(id: string): Promise<void>;
}

export async function openOutbox(): Promise<Outbox> {
	try {
		return storedOutbox(await openDB<Stores>('fendrel', 2, { upgrade }));
	} catch {
		// A private window may refuse storage; things then wait in memory and are sent as usual.
		return memoryOutbox();
	}
}

function makeStores(db: IDBPDatabase<Stores>): void {
	db.createObjectStore('items', { keyPath: 'key', autoIncrement: true }).createIndex('visit', 'visitId');
	db.createObjectStore('refused', { keyPath: 'id' });
}

/** What waited in the first version goes on waiting, in its own format. */
async function upgrade(
	db: IDBPDatabase<Stores>,
	from: number,
	_: number | null,
	change: IDBPTransaction<Stores, ('items' | 'refused' | 'readings' | 'places')[], 'versionchange'>
): Promise<void> {
	makeStores(db);
	if (from < 1) return;
	const readings = await change.objectStore('readings').getAll();
	const places = await change.objectStore('places').getAll();
	const taken = (row: { reading: unknown }) => Number(new Date((row.reading as { takenAt: Date }).takenAt));
	for (const row of readings.sort((a, b) => taken(a) - taken(b)))
		await change.objectStore('items').add(
			asRow(row.visitId, {
				format: FORMER_FORMAT,
				kind: 'reading',
				visitId: row.visitId,
				reading: row.reading
			})
		);
	for (const { visitId, place } of places)
		await change
			.objectStore('items')
			.add(asRow(visitId, { format: FORMER_FORMAT, kind: 'place', visitId, id: uuid(), place }));
	db.deleteObjectStore('readings');
	db.deleteObjectStore('places');
}

/** Without its key, which the store gives. */
const asRow = (visitId: string, item: unknown) =>
	({ id: idOf(item), visitId, queuedAt: new Date(), item }) as Stores['items']['value'];

function storedOutbox(db: IDBPDatabase<Stores>): Outbox {
	return {
		async add(visitId, items) {
			const change = db.transaction('items', 'readwrite');
			if (items.some(isState))
				for (const { key, item } of await change.store.index('visit').getAll(visitId))
					if (isState(item)) await change.store.delete(key);
			for (const item of items) await change.store.add(asRow(visitId, item));
			await change.done;
		},
		waiting: (most) => db.getAll('items', undefined, most),
		all: () => db.getAll('items'),
		async settle(stored, refused) {
			const change = db.transaction(['items', 'refused'], 'readwrite');
			for (const { key } of [...stored, ...refused]) await change.objectStore('items').delete(key);
			for (const each of refused) await change.objectStore('refused').put(asRefused(each));
			await change.done;
		},
		refused: () => db.getAll('refused'),
		async sendAgain(id) {
			const change = db.transaction(['items', 'refused'], 'readwrite');
			const found = await change.objectStore('refused').get(id);
			if (found) {
				await change.objectStore('refused').delete(id);
				await change.objectStore('items').add(asRow(found.visitId, found.item));
			}
			await change.done;
		},
		discard: (id) => db.delete('refused', id)
	};
}

function asRefused({ visitId, item, why }: Queued & { readonly why: string }): Refused {
	// What has no readable id still has a place of its own.
	return { id: idOf(item) || uuid(), visitId, at: new Date(), why, item };
}

export function memoryOutbox(): Outbox {
	let items: Queued[] = [];
	const refusedOnes = new Map<string, Refused>();
	let key = 0;
	const queue = (visitId: string, item: unknown) => items.push({ key: ++key, visitId, queuedAt: new Date(), item });
	return {
		async add(visitId, added) {
			if (added.some(isState)) items = items.filter((each) => each.visitId !== visitId || !isState(each.item));
			for (const item of added) queue(visitId, item);
		},
		waiting: async (most) => items.slice(0, most),
		all: async () => [...items],
		async settle(stored, refused) {
			const gone = new Set([...stored, ...refused].map((each) => each.key));
			items = items.filter((each) => !gone.has(each.key));
			for (const each of refused.map(asRefused)) refusedOnes.set(each.id, each);
		},
		refused: async () => [...refusedOnes.values()],
		async sendAgain(id) {
			const found = refusedOnes.get(id);
			if (!found) return;
			refusedOnes.delete(id);
			queue(found.visitId, found.item);
		},
		async discard(id) {
			refusedOnes.delete(id);
		}
	};
}
