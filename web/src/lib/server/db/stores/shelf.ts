import type { InstrumentKind } from '@fendrel/core';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { database } from '../connection';
import type { LocationRow } from '../rows';
import { shelvedAs, soughtBy } from '../shelf';

/** An instrument as the register shows it. */
export interface Shelved {
	readonly id: string;
	readonly name: string;
	readonly kind: InstrumentKind;
	readonly maker: string;
	readonly madeIn: number | null;
	/** Where it stands; null: not noted. */
	readonly place: string | null;
	readonly town: string | null;
	/** How its last finished visit left it. */
	readonly finishedAt: Date | null;
	readonly a4Left: number | null;
	/** Of strings. */
	readonly temperament: string | null;
	readonly openVisit: string | null;
	/** Its place in the register: the next page begins behind it. */
	readonly shelf: string;
}

export interface Asked {
	/** Words that must all be found in name, kind, maker, place or town. */
	readonly find: string;
	/** The last of the page before. */
	readonly after: string;
	readonly most: number;
	/** Only those with strings. */
	readonly strung?: boolean;
	/** Of these places only: what a guest may see. */
	readonly places?: readonly string[];
	/** Those that are laid aside, in place of those that are looked after. */
	readonly laidAside?: boolean;
}

/** A page of the register: by place, then by name. */
export async function shelfOf(
	workshopId: string,
	{ find, after, most, strung, places, laidAside }: Asked
): Promise<Shelved[]> {
	if (places?.length === 0) return [];
	const patterns = soughtBy(find);
	const sought = patterns.map((_, i) => `AND sought LIKE :pattern${i}`).join(' ');
	return database().sequelize.query<Shelved>(
		`SELECT i.id, i.name, i.kind, i.maker, i.made_in AS madeIn, p.name AS place, p.town, s.finished_at AS finishedAt,
			s.a4_left AS a4Left, IF(i.kind = 'reeds', NULL, t.name) AS temperament, o.id AS openVisit, i.shelf
		FROM (
			SELECT id FROM instruments
			WHERE workshop_id = :workshopId AND is_kept = 1 AND archived_at IS ${laidAside ? 'NOT NULL' : 'NULL'} AND shelf > :after ${sought} ${strung ? "AND kind NOT IN ('reeds', 'frets')" : ''} ${places ? 'AND place_id IN (:places)' : ''}
			ORDER BY shelf LIMIT :most
		) page
		JOIN instruments i ON i.id = page.id
		LEFT JOIN places p ON p.id = i.place_id
		LEFT JOIN instrument_summaries s ON s.instrument_id = i.id
		LEFT JOIN visits v ON v.id = s.visit_id
		LEFT JOIN temperaments t ON t.id = v.temperament_id
		LEFT JOIN visits o ON o.instrument_id = i.id AND o.is_open = 1
		ORDER BY i.shelf`,
		{
			type: QueryTypes.SELECT,
			replacements: {
				...{ workshopId, after, most, places: places ?? [] },
				...Object.fromEntries(patterns.map((pattern, i) => [`pattern${i}`, pattern]))
			}
		}
	);
}

/** How many instruments the register has, for those who may see them: those that are looked after, or those laid aside. */
export async function shelved(workshopId: string, places?: readonly string[], laidAside = false): Promise<number> {
	return database().models.instruments.count({
		where: {
			...{ workshopId, archivedAt: laidAside ? { [Op.ne]: null } : null },
			...(places && { locationId: [...places] })
		}
	});
}

/** A place is called otherwise: its instruments stand elsewhere in the register. */
export async function reshelve(
	{ id, name, town }: Pick<LocationRow, 'id' | 'name' | 'town'>,
	transaction: Transaction
): Promise<void> {
	const { instruments } = database().models;
	const rows = await instruments.findAll({ where: { locationId: id }, paranoid: false, transaction });
	for (const row of rows) await row.update(shelvedAs(row.get(), { name, town }), { transaction });
}
