import { QueryTypes } from 'sequelize';
import type { Found } from '$lib/search/found';
import { database } from '../connection';
import { soughtBy } from '../shelf';

/** So many of each kind are shown. */
const MOST = 12;

/** Where something is looked for: what it is called, where it leads, and all that is said of it. */
interface Source {
	readonly kind: Found['kind'];
	readonly from: string;
	readonly id: string;
	readonly name: string;
	/** What stands beside its name. */
	readonly about: string;
	readonly said: string;
	readonly where: string;
	readonly order: string;
}

/** What people wrote in visits: texts of acts, in their own words. */
const WRITTEN = ['note', 'finding', 'advice', 'word', 'wolf'] as const;
const text = (field: string) => `COALESCE(JSON_UNQUOTE(JSON_EXTRACT(a.act, '$.${field}')), '')`;
const ACT_TEXT = `CONVERT(CONCAT_WS(' ', ${['text', 'tried', 'did'].map(text).join(', ')}) USING utf8mb4) COLLATE utf8mb4_unicode_ci`;

const SOURCES: readonly Source[] = [
	{
		...{ kind: 'instrument', id: 'i.id', name: 'i.name', order: 'i.shelf', where: 'i.deleted_at IS NULL' },
		from: 'instruments i LEFT JOIN places p ON p.id = i.place_id LEFT JOIN contacts c ON c.id = i.owner_id',
		about: "CONCAT_WS(', ', p.name, NULLIF(i.maker, ''))",
		said: "CONCAT_WS(' ', i.sought, i.notes, c.name)"
	},
	{
		...{ kind: 'place', from: 'places i', id: 'i.id', name: 'i.name', about: 'i.town', order: 'i.name', where: '1' },
		said: "CONCAT_WS(' ', i.name, i.town, i.address, i.entry)"
	},
	{
		...{ kind: 'contact', id: 'i.id', name: 'i.name', order: 'i.name', where: '1' },
		from: 'contacts i LEFT JOIN places p ON p.id = i.place_id',
		about: "CONCAT_WS(', ', NULLIF(i.role, ''), p.name, NULLIF(i.phone, ''))",
		said: "CONCAT_WS(' ', i.name, i.role, i.phone, i.email, i.note, p.name)"
	},
	{
		...{ kind: 'booking', id: "DATE_FORMAT(i.starts_at, '%Y-%m-%d')", order: 'i.starts_at DESC', where: '1' },
		from: 'bookings i LEFT JOIN places p ON p.id = i.place_id',
		name: "COALESCE(NULLIF(i.purpose, ''), p.name, 'Booked')",
		about: "CONCAT_WS(', ', p.name, NULLIF(i.promised, ''))",
		said: "CONCAT_WS(' ', i.purpose, i.promised, p.name)"
	},
	{
		...{ kind: 'visit', id: 'v.id', name: 'n.name', order: 'a.placed_at DESC' },
		from: 'acts a JOIN visits v ON v.id = a.visit_id JOIN instruments n ON n.id = v.instrument_id',
		...{ about: ACT_TEXT, said: ACT_TEXT },
		where: 'a.kind IN (:written) AND v.deleted_at IS NULL'
	},
	{
		...{ kind: 'temperament', from: 'temperaments i', id: 'i.slug', name: 'i.name', about: "''", order: 'i.name' },
		...{ said: 'i.name', where: '1' }
	},
	{
		...{ kind: 'ensemble', from: 'ensembles i', id: 'i.id', name: 'i.name', about: "''", order: 'i.name' },
		...{ said: 'i.name', where: '1' }
	}
];

/** Everything of a workshop in which all of some words stand, capitals and accents as one likes. */
export async function searchAll(workshopId: string, words: string): Promise<readonly Found[]> {
	const patterns = soughtBy(words);
	if (patterns.length === 0) return [];
	const replacements = {
		...{ workshopId, written: WRITTEN, most: MOST },
		...Object.fromEntries(patterns.map((pattern, i) => [`pattern${i}`, pattern]))
	};
	const found = await Promise.all(
		SOURCES.map(({ kind, from, id, name, about, said, where, order }) => {
			const first = from.split(' ')[1];
			const owned =
				kind === 'temperament'
					? `(${first}.workshop_id = :workshopId OR ${first}.workshop_id IS NULL)`
					: `${first}.workshop_id = :workshopId`;
			const all = patterns.map((_, i) => `AND (${said}) COLLATE utf8mb4_unicode_ci LIKE :pattern${i}`).join(' ');
			return database().sequelize.query<Omit<Found, 'kind'>>(
				`SELECT ${id} AS id, ${name} AS name, ${about} AS about FROM ${from} WHERE ${owned} AND ${where} ${all} ORDER BY ${order} LIMIT :most`,
				{ type: QueryTypes.SELECT, replacements }
			);
		})
	);
	return found.flatMap((rows, i) => rows.map((row) => ({ ...row, about: row.about ?? '', kind: SOURCES[i].kind })));
}
