import { QueryTypes } from 'sequelize';
import { database } from '../connection';

/** A reading as a visit's list of them shows it. */
export interface ListedReading {
	readonly id: string;
	readonly sounders: string;
	readonly placedAt: Date;
	readonly source: string;
	/** In Hz; null: it told no pitch. */
	readonly pitch: number | null;
	/** In cents from what was due then. */
	readonly deviation: number | null;
	/** The act that discarded it; null: it counts. */
	readonly discardedBy: string | null;
}

/** A page of a visit's readings in the order in which they were made; of one note, where that is asked. */
export async function readingsOf(
	workshopId: string,
	visitId: string,
	{ most, after, note }: { readonly most: number; readonly after: number; readonly note?: number }
): Promise<ListedReading[]> {
	const one = note === undefined ? '' : 'AND r.sounders LIKE :note';
	return database().sequelize.query<ListedReading>(
		`SELECT r.id, r.sounders, r.placed_at AS placedAt, r.source, r.pitch, r.deviation,
			(SELECT MAX(a.id) FROM acts a WHERE a.visit_id = r.visit_id AND a.kind = 'discard' AND a.reading_id = r.id
				AND NOT EXISTS (SELECT 1 FROM acts b
					WHERE b.visit_id = a.visit_id AND b.kind = 'takeBack' AND JSON_VALUE(b.act, '$.act') = a.id)) AS discardedBy
		FROM readings r WHERE r.workshop_id = :workshopId AND r.visit_id = :visitId ${one}
		ORDER BY r.placed_at, r.device, r.counter LIMIT :most OFFSET :after`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, visitId, most, after, note: `${note}/%` } }
	);
}

export async function isReading(workshopId: string, visitId: string, id: string): Promise<boolean> {
	return (await database().models.readings.count({ where: { workshopId, visitId, id } })) > 0;
}
