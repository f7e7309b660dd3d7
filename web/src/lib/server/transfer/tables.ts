/*
 * What of a workshop's goes out with it, and comes back. Passwords, sessions and links do not; what is kept only to be quick is made
 * anew.
 */

export interface OutTable {
	readonly table: string;
	/** All of them unless given. */
	readonly columns?: string;
	/** By which condition rows belong to the workshop; by `workshop_id` unless given. */
	readonly of?: string;
	/** What rows are told apart by, where it is not their id: the next page begins behind the last of these. */
	readonly keys?: readonly string[];
}

const OF_PEOPLE = 'user_id IN (SELECT id FROM users WHERE workshop_id = :workshopId)';
const OF_VISITS = 'visit_id IN (SELECT id FROM visits WHERE workshop_id = :workshopId)';

export const OUT: readonly OutTable[] = [
	{ table: 'workshops', of: 'id = :workshopId' },
	{ table: 'users', columns: 'id, email, name, role, created_at, deleted_at, deleted_by, ear, shows_practice' },
	{ table: 'sittings', of: OF_PEOPLE },
	{ table: 'places' },
	{ table: 'guest_places', of: OF_PEOPLE, keys: ['user_id', 'place_id'] },
	{ table: 'ways', keys: ['from_id', 'to_id'] },
	{
		...{ table: 'place_climate', keys: ['place_id', 'day'] },
		columns: "workshop_id, place_id, DATE_FORMAT(day, '%Y-%m-%d') AS day, temperature, humidity"
	},
	{ table: 'contacts' },
	{ table: 'instruments' },
	{ table: 'string_tables' },
	{ table: 'tuning_curves' },
	{ table: 'temperaments' },
	{ table: 'counted_octaves' },
	{ table: 'ensembles' },
	{ table: 'bookings' },
	{
		table: 'telephone_looks',
		columns: 'id, workshop_id, instrument_id, user_id, made_at, ends_at, heard_at, heard, told, agreed_at, agreed_by'
	},
	{ table: 'visits' },
	{ table: 'visit_aliases', of: OF_VISITS },
	{ table: 'plan_versions' },
	{ table: 'readings', keys: ['visit_id', 'id'] },
	{ table: 'reading_partials', of: OF_VISITS, keys: ['visit_id', 'reading_id'] },
	{ table: 'acts', keys: ['visit_id', 'id'] },
	{ table: 'simulated_pins', of: OF_VISITS, keys: ['visit_id'] },
	{
		...{ table: 'attachments', keys: ['visit_id', 'id'] },
		columns: 'workshop_id, visit_id, id, type, hash, added_at, TO_BASE64(bytes) AS bytes'
	},
	{ table: 'changes' }
];

/** Rises when a file says something that an earlier version could not read. */
export const FORMAT = 3;
/** The oldest that is still read: the tables that came since are empty in it. */
export const OLDEST_FORMAT = 2;
