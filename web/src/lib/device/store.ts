import type { Writing } from '$lib/ui/writing';
import type { Role } from '$lib/workshop/roles';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import { v7 as uuid } from 'uuid';
import { FORMER_FORMAT, idOf } from '$lib/record/format';
import type { InstrumentBook, Told, VisitBook } from './books';

/** Whose something is: their account, and the name they are called by. */
export interface Owner {
	readonly userId: string;
	readonly name: string;
	readonly workshop: string;
	/** Not said: from before there were roles. */
	readonly role?: Role;
	/** Not said: as usual. */
	readonly writing?: Writing;
}

/** Something that waits to be handed over; what it is, the server reads. */
export interface Queued {
	/** Rises in the order in which things were made. */
	readonly key: number;
	readonly visitId: string;
	readonly queuedAt: Date;
	readonly item: unknown;
	/** Not said: from before it was asked. */
	readonly owner?: Owner;
}

/** Something that the server refused, kept until somebody decides. */
export interface Refused {
	readonly id: string;
	readonly visitId: string;
	readonly at: Date;
	readonly why: string;
	readonly item: unknown;
	readonly owner?: Owner;
}

/** A book with whose it is. */
export type Held<Book> = Book & { readonly owner: string };

/** Something that happened in a visit and is not in its book yet. */
export interface HappenedRow {
	readonly visitId: string;
	readonly id: string;
	readonly told: Told;
	/** The server's, once it has told it. */
	readonly seq?: number;
}

/** A photo or a sound that was made here. */
export interface HeldAttachment {
	readonly id: string;
	readonly visitId: string;
	readonly owner: Owner | undefined;
	readonly bytes: Blob;
	readonly state: 'waits' | 'sent' | 'refused';
	/** Why it was refused. */
	readonly why?: string;
}

export interface Stores extends DBSchema {
	items: { key: number; value: Queued & { readonly id: string }; indexes: { visit: string } };
	refused: { key: string; value: Refused };
	visits: { key: string; value: Held<VisitBook> };
	instruments: { key: string; value: Held<InstrumentBook> & { readonly id: string } };
	attachments: { key: string; value: HeldAttachment };
	happened: { key: [string, string]; value: HappenedRow; indexes: { visit: string } };
	/** Who is signed in, what clocks are off by, and the day's visits. */
	shared: { key: string; value: unknown };
	/** Of the first version: readings with marks, and where the work stood. */
	readings: { key: string; value: { id: string; visitId: string; reading: unknown } };
	places: { key: string; value: { visitId: string; place: unknown } };
}
export type Store = IDBPDatabase<Stores>;

/** Where a day's visits stand among what is shared. */
export const DAY_KEY = 'day';

const VERSION = 4;

/**
 * Opens what this device keeps.
 * @param onclose told when it is closed under way
 * @throws when the browser keeps nothing for this page
 */
export function openStore(onclose = () => {}): Promise<Store> {
	return openDB<Stores>('fendrel', VERSION, {
		upgrade,
		// A newer page wants to change the store: this one lets go of it.
		blocking: (_now, _next, event) => {
			(event.target as IDBDatabase).close();
			onclose();
		},
		terminated: onclose
	});
}

let opened: Promise<Store | undefined> | undefined;

/** The store of this window; undefined when the browser keeps nothing for it. */
export function deviceStore(): Promise<Store | undefined> {
	return (opened ??= openStore(() => (opened = undefined)).catch(() => undefined));
}

type Change = IDBPTransaction<Stores, ('items' | 'refused' | 'readings' | 'places')[], 'versionchange'>;

async function upgrade(db: Store, from: number, _: number | null, change: unknown): Promise<void> {
	if (from < 2) {
		db.createObjectStore('items', { keyPath: 'key', autoIncrement: true }).createIndex('visit', 'visitId');
		db.createObjectStore('refused', { keyPath: 'id' });
		if (from === 1) await carryOver(db, change as Change);
	}
	if (from < 3) {
		db.createObjectStore('visits', { keyPath: 'id' });
		db.createObjectStore('instruments', { keyPath: 'id' });
		db.createObjectStore('happened', { keyPath: ['visitId', 'id'] }).createIndex('visit', 'visitId');
		db.createObjectStore('shared');
	}
	db.createObjectStore('attachments', { keyPath: 'id' });
}

/** What waited in the first version goes on waiting, in its own format. */
async function carryOver(db: Store, change: Change): Promise<void> {
	const readings = await change.objectStore('readings').getAll();
	const places = await change.objectStore('places').getAll();
	const taken = (row: { reading: unknown }) => Number(new Date((row.reading as { takenAt: Date }).takenAt));
	const add = (visitId: string, item: object) =>
		change.objectStore('items').add(asRow(visitId, { format: FORMER_FORMAT, visitId, ...item }));
	for (const { visitId, reading } of readings.sort((a, b) => taken(a) - taken(b)))
		await add(visitId, { kind: 'reading', reading });
	for (const { visitId, place } of places) await add(visitId, { kind: 'place', id: uuid(), place });
	db.deleteObjectStore('readings');
	db.deleteObjectStore('places');
}

/** Without its key, which the store gives. */
export const asRow = (visitId: string, item: unknown, owner?: Owner) =>
	({ id: idOf(item), visitId, queuedAt: new Date(), item, owner }) as Stores['items']['value'];
