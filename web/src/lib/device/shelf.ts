import type { BookInstrument, InstrumentBook, Told, VisitBook, VisitBundle } from './books';
import { ownerNow } from './owner';
import { deviceStore, type HappenedRow } from './store';

/*
 * The books that this device holds. A book that it has no room for costs nothing but that it opens with the server only:
 * whoever keeps one is told whether it is kept.
 */

export interface HeldVisit<Instrument extends BookInstrument = BookInstrument> {
	readonly visit: VisitBook;
	readonly about: InstrumentBook<Instrument>;
	/** What happened since the book was made, here or elsewhere. */
	readonly happened: readonly HappenedRow[];
}

/** Books of this window that its device had no room for. */
const roomless = new Map<string, VisitBundle>();

const isMine = (held: { readonly owner: string } | undefined) =>
	held !== undefined && held.owner === ownerNow()?.userId;

/** A visit of whoever is signed in; undefined when the device does not hold it. */
export async function heldVisit(id: string): Promise<HeldVisit | undefined> {
	const store = await deviceStore();
	const visit = await store?.get('visits', id);
	const loose = roomless.get(id);
	if (!visit && loose) return { ...loose, happened: (await store?.getAllFromIndex('happened', 'visit', id)) ?? [] };
	if (!store || !visit || !isMine(visit)) return undefined;
	const about = await store.get('instruments', visit.instrumentId);
	if (!about) return undefined;
	return { visit, about, happened: await store.getAllFromIndex('happened', 'visit', id) };
}

export async function heldInstrument(id: string): Promise<InstrumentBook | undefined> {
	const held = await (await deviceStore())?.get('instruments', id);
	return held && isMine(held) ? held : undefined;
}

/** Everything that is held for whoever is signed in. */
export async function shelf(): Promise<{ visits: readonly HeldVisit[]; instruments: readonly InstrumentBook[] }> {
	const store = await deviceStore();
	if (!store) return { visits: [], instruments: [] };
	const [visits, instruments] = await Promise.all([store.getAllKeys('visits'), store.getAll('instruments')]);
	const held = await Promise.all(visits.map(heldVisit));
	return { visits: held.flatMap((each) => each ?? []), instruments: instruments.filter(isMine) };
}

/** @returns whether the device keeps it */
export async function keepInstrument(book: InstrumentBook): Promise<boolean> {
	const owner = ownerNow()?.userId;
	const store = await deviceStore();
	if (!store || !owner) return false;
	return store.put('instruments', { ...book, owner, id: book.instrument.id }).then(
		() => true,
		() => false
	);
}

/**
 * Keeps a visit's book. `fresh`: as the server has just told it; what is in it now need not be remembered apart.
 * @returns whether the device keeps it
 */
export async function keepVisit({ visit, about }: VisitBundle, fresh = false): Promise<boolean> {
	const owner = ownerNow()?.userId;
	const store = await deviceStore();
	roomless.set(visit.id, { visit, about });
	if (!store || !owner) return false;
	try {
		const change = store.transaction(['visits', 'instruments', 'happened', 'items'], 'readwrite');
		const happened = change.objectStore('happened');
		const ids = new Set(visit.events.map(({ id }) => id));
		const waiting = new Set((await change.objectStore('items').getAll()).map(({ id }) => id));
		await change.objectStore('visits').put({ ...visit, owner });
		await change.objectStore('instruments').put({ ...about, owner, id: about.instrument.id });
		for (const row of fresh ? await happened.index('visit').getAll(visit.id) : [])
			// What was made here waits until it is handed over; refused, or told since, it is no longer this book's.
			if (ids.has(row.id) || (row.seq === undefined ? !waiting.has(row.id) : row.seq <= visit.seq))
				await happened.delete([row.visitId, row.id]);
		await change.done;
		roomless.delete(visit.id);
		return true;
	} catch {
		return false;
	}
}

/** Remembers what the server has told of a visit. */
export async function remember(visitId: string, told: readonly Told[], seq: number): Promise<void> {
	const store = await deviceStore();
	if (!store || told.length === 0) return;
	const change = store.transaction('happened', 'readwrite');
	for (const each of told) await change.store.put({ visitId, id: each.event.id, told: each, seq });
	await change.done;
}

/** What is remembered of a visit: also what another window of this browser has made in it. */
export async function remembered(visitId: string): Promise<readonly HappenedRow[]> {
	return (await (await deviceStore())?.getAllFromIndex('happened', 'visit', visitId)) ?? [];
}

/** A visit turned out to go on in another: what happened in it is that one's. */
export async function goesOnIn(visitId: string, other: string): Promise<void> {
	const store = await deviceStore();
	if (!store) return;
	const change = store.transaction(['visits', 'happened'], 'readwrite');
	const happened = change.objectStore('happened');
	for (const row of await happened.index('visit').getAll(visitId)) {
		await happened.delete([row.visitId, row.id]);
		await happened.put({ ...row, visitId: other });
	}
	await change.objectStore('visits').delete(visitId);
	await change.done;
}

const CLOCKS = 'clocks';
/** So many windows back: what they made has long been handed over. */
const MOST_CLOCKS = 100;

/** What the clocks of this device's windows were off by goes along with what they have made, also after a reload. */
export async function keepClocks(offsets: ReadonlyMap<string, number>): Promise<void> {
	const known = [...offsets].slice(-MOST_CLOCKS);
	await (await deviceStore())?.put('shared', known, CLOCKS).catch(() => {});
}

export async function keptClocks(): Promise<readonly (readonly [string, number])[]> {
	const known = await (await deviceStore())?.get('shared', CLOCKS).catch(() => undefined);
	return (known as [string, number][] | undefined) ?? [];
}
