import { v7 as uuid } from 'uuid';
import type { Told } from '$lib/device/books';
import { asRow, openStore, type Owner, type Queued, type Refused, type Store } from '$lib/device/store';
import { idOf, isState, joined } from '$lib/record/format';

/** Something made here: what is handed over, and what it tells of its visit. */
export interface Made {
	readonly item: unknown;
	readonly told?: Told;
}

/** What has been made on this device and not yet reached the server; it outlives reload and crash. */
export interface Outbox {
	/** Whether it outlives the window: a browser that keeps nothing for this page has one in memory alone. */
	readonly kept: boolean;
	/**
	 * All of them or none, and with them what they tell of the visit; what the lever moved is added to what waits of it.
	 * @throws when the device does not keep them
	 */
	add(visitId: string, made: readonly Made[], owner: Owner | undefined): Promise<void>;
	/** The oldest of whoever is signed in, of all visits, at most `most`. */
	waiting(most: number, owner: Owner | undefined): Promise<Queued[]>;
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
		return storedOutbox(await openStore());
	} catch {
		// A private window may refuse storage; things then wait in memory and are sent as usual.
		return memoryOutbox();
	}
}

function storedOutbox(db: Store): Outbox {
	return {
		kept: true,
		async add(visitId, made, owner) {
			const change = db.transaction(['items', 'happened'], 'readwrite');
			const items = change.objectStore('items');
			const happened = change.objectStore('happened');
			for (const { item, told } of made) {
				let now = item;
				if (isState(item))
					for (const waiting of await items.index('visit').getAll(visitId))
						if (isState(waiting.item)) {
							now = joined(waiting.item, now);
							await items.delete(waiting.key);
						}
				await items.add(asRow(visitId, now, owner));
				if (told) await happened.put({ visitId, id: told.event.id, told });
			}
			await change.done;
		},
		waiting: async (most, owner) => (await db.getAll('items')).filter(isOf(owner)).slice(0, most),
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
				await change.objectStore('items').add(asRow(found.visitId, found.item, found.owner));
			}
			await change.done;
		},
		discard: (id) => db.delete('refused', id)
	};
}

/** What nobody's name stands on belongs to whoever is signed in. */
const isOf = (owner: Owner | undefined) => (queued: Queued) =>
	queued.owner === undefined || queued.owner.userId === owner?.userId;

function asRefused({ visitId, item, why, owner }: Queued & { readonly why: string }): Refused {
	// What has no readable id still has a place of its own.
	return { id: idOf(item) || uuid(), visitId, at: new Date(), why, item, owner };
}

function memoryOutbox(): Outbox {
	let items: Queued[] = [];
	const refusedOnes = new Map<string, Refused>();
	let key = 0;
	const queue = (visitId: string, item: unknown, owner: Owner | undefined) =>
		items.push({ key: ++key, visitId, queuedAt: new Date(), item, owner });
	return {
		kept: false,
		async add(visitId, made, owner) {
			for (const { item } of made) {
				const before = isState(item) ? items.filter((each) => each.visitId === visitId && isState(each.item)) : [];
				items = items.filter((each) => !before.includes(each));
				queue(
					visitId,
					before.reduce((now, each) => joined(each.item, now), item),
					owner
				);
			}
		},
		waiting: async (most, owner) => items.filter(isOf(owner)).slice(0, most),
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
			queue(found.visitId, found.item, found.owner);
		},
		async discard(id) {
			refusedOnes.delete(id);
		}
	};
}
