import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Progress, Reading } from './schema';

/** Where the work stands, as Set sends it. */
export type Place = NonNullable<Progress['place']>;

interface OutboxSchema extends DBSchema {
	readings: { key: string; value: { id: string; visitId: string; reading: Reading }; indexes: { visit: string } };
	places: { key: string; value: { visitId: string; place: Place } };
}

/** What has been measured and not yet reached the server; it outlives reload and crash. */
export interface Outbox {
	addReading(visitId: string, reading: Reading): Promise<void>;
	setPlace(visitId: string, place: Place): Promise<void>;
	/** The oldest readings that wait, at most `most`, and the last place. */
	waiting(visitId: string, most?: number): Promise<{ readings: Reading[]; place: Place | undefined }>;
	count(visitId: string): Promise<number>;
	/** Forgets readings that are stored, and the place if it is still the one that was sent. */
	sent(visitId: string, ids: readonly string[], place: Place | undefined): Promise<void>;
}

export async function openOutbox(): Promise<Outbox> {
	try {
		const db = await openDB<OutboxSchema>('fendrel', 1, {
			upgrade(made) {
				made.createObjectStore('readings', { keyPath: 'id' }).createIndex('visit', 'visitId');
				made.createObjectStore('places', { keyPath: 'visitId' });
			}
		});
		return storedOutbox(db);
	} catch {
		// A private window may refuse storage; readings then wait in memory and are sent as usual.
		return memoryOutbox();
	}
}

function storedOutbox(db: IDBPDatabase<OutboxSchema>): Outbox {
	return {
		async addReading(visitId, reading) {
			await db.put('readings', { id: reading.id, visitId, reading });
		},
		async setPlace(visitId, place) {
			await db.put('places', { visitId, place });
		},
		async waiting(visitId, most) {
			const rows = await db.getAllFromIndex('readings', 'visit', visitId);
			const place = (await db.get('places', visitId))?.place;
			const readings = rows.map(({ reading }) => reading).sort((a, b) => a.takenAt.getTime() - b.takenAt.getTime());
			return { readings: readings.slice(0, most), place };
		},
		count: (visitId) => db.countFromIndex('readings', 'visit', visitId),
		async sent(visitId, ids, place) {
			const change = db.transaction(['readings', 'places'], 'readwrite');
			for (const id of ids) void change.objectStore('readings').delete(id);
			const now = await change.objectStore('places').get(visitId);
			if (place && now && JSON.stringify(now.place) === JSON.stringify(place))
				void change.objectStore('places').delete(visitId);
			await change.done;
		}
	};
}

export function memoryOutbox(): Outbox {
	const readings = new Map<string, { visitId: string; reading: Reading }>();
	const places = new Map<string, Place>();
	const of = (visitId: string) =>
		[...readings.values()].filter((row) => row.visitId === visitId).map((row) => row.reading);
	return {
		async addReading(visitId, reading) {
			readings.set(reading.id, { visitId, reading });
		},
		async setPlace(visitId, place) {
			places.set(visitId, place);
		},
		async waiting(visitId, most) {
			return { readings: of(visitId).slice(0, most), place: places.get(visitId) };
		},
		count: async (visitId) => of(visitId).length,
		async sent(visitId, ids, place) {
			for (const id of ids) readings.delete(id);
			if (place && JSON.stringify(places.get(visitId)) === JSON.stringify(place)) places.delete(visitId);
		}
	};
}
