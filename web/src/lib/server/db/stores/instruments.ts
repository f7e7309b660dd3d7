import { CHOIRS, isKeyboardKind } from '@fendrel/core';
import type { InstrumentTwin, Neck, NeckTwin, ReedSet, ReedTwin, StringKind, Stringing } from '@fendrel/core';
import { mode } from 'd3-array';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { database } from '../connection';
import type { Deletion, InstrumentRow, LocationRow, StoredPartial } from '../rows';
import { shelvedAs } from '../shelf';
import type { Whereabouts } from '$lib/instruments/whereabouts';
import { locationFor, type TypedLocation } from './locations';

type Standing = Omit<InstrumentRow, 'kind' | 'twin' | 'reeds' | 'neck'> & {
	readonly location: Pick<LocationRow, 'name' | 'town'> | undefined;
};
/** A keyboard with where it stands: what has strings for every key. */
export interface StrungInstrument extends Standing {
	readonly kind: StringKind;
	readonly twin: InstrumentTwin;
	readonly reeds: null;
	readonly neck: null;
}
/** A set of free reeds. */
export interface ReedInstrument extends Standing {
	readonly kind: 'reeds';
	readonly twin: ReedTwin;
	readonly reeds: ReedSet;
	readonly neck: null;
}
/** Strings over frets. */
export interface FretInstrument extends Standing {
	readonly kind: 'frets';
	readonly twin: NeckTwin;
	readonly reeds: null;
	readonly neck: Neck;
}
export type Instrument = StrungInstrument | ReedInstrument | FretInstrument;

export const isStrung = (instrument: Instrument): instrument is StrungInstrument => isKeyboardKind(instrument.kind);

export type InstrumentDetails = Omit<
	InstrumentRow,
	| 'id'
	| 'workshopId'
	| 'locationId'
	| 'ownerId'
	| 'archivedAt'
	| 'createdAt'
	| 'stringing'
	| 'version'
	| 'shelf'
	| 'sought'
	| keyof Deletion
> &
	TypedLocation;

export async function listInstruments(workshopId: string): Promise<Instrument[]> {
	const { instruments, locations } = database().models;
	const [rows, known] = await Promise.all([
		instruments.findAll({ where: { workshopId }, order: [['name', 'ASC']] }),
		locations.findAll({ where: { workshopId } })
	]);
	const byId = new Map(known.map((location) => [location.get().id, location.get()]));
	return rows.map((row) => withLocation(row.get(), byId.get(row.get().locationId ?? '')));
}

export async function getInstrument(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<Instrument | undefined> {
	const { instruments, locations } = database().models;
	const row = await instruments.findOne({ where: { workshopId, id }, transaction });
	if (!row) return undefined;
	const { locationId } = row.get();
	const location = locationId ? await locations.findOne({ where: { workshopId, id: locationId }, transaction }) : null;
	return withLocation(row.get(), location?.get());
}

/** The same of an instrument with strings only. */
export async function strungOf(workshopId: string, id: string): Promise<StrungInstrument | undefined> {
	const found = await getInstrument(workshopId, id);
	return found && isStrung(found) ? found : undefined;
}

/** What some instruments are called, by their ids. */
export async function instrumentNames(workshopId: string, ids: readonly string[]): Promise<Map<string, string>> {
	if (ids.length === 0) return new Map();
	const where = { workshopId, id: [...new Set(ids)] };
	const rows = await database().models.instruments.findAll({ where, attributes: ['id', 'name'] });
	return new Map(rows.map((row) => [row.get().id, row.get().name]));
}

/** Where an instrument stands, or the one of a visit: a place's id. */
export async function placeOf(workshopId: string, of: 'instrument' | 'visit', id: string): Promise<string | undefined> {
	const [row] = await database().sequelize.query<{ place: string | null }>(
		of === 'instrument'
			? 'SELECT place_id AS place FROM instruments WHERE workshop_id = :workshopId AND id = :id'
			: `SELECT i.place_id AS place FROM visits v JOIN instruments i ON i.id = v.instrument_id
				WHERE v.workshop_id = :workshopId AND v.id = COALESCE((SELECT visit_id FROM visit_aliases WHERE id = :id), :id)`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, id } }
	);
	return row?.place ?? undefined;
}

/** The pitch that most other instruments at an instrument's location stand at, in Hz; undefined where there are none. */
export async function housePitch(
	workshopId: string,
	{ id, locationId }: Pick<InstrumentRow, 'id' | 'locationId'>
): Promise<number | undefined> {
	if (!locationId) return undefined;
	const others = await database().models.instruments.findAll({
		where: { workshopId, locationId, id: { [Op.ne]: id } },
		attributes: ['usualA4']
	});
	return mode(others, (row) => row.get().usualA4);
}

/** Holds an instrument of the workshop until the transaction ends. */
export async function lockInstrument(
	workshopId: string,
	id: string,
	transaction: Transaction
): Promise<Pick<InstrumentRow, 'id' | 'name'> | undefined> {
	const row = await database().models.instruments.findOne({
		where: { workshopId, id },
		attributes: ['id', 'name'],
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return row?.get();
}

function withLocation(row: InstrumentRow, location: LocationRow | undefined): Instrument {
	return { ...row, location: location && { name: location.name, town: location.town } } as Instrument;
}

/** @throws UniqueConstraintError when the workshop has an instrument of that name */
export async function createInstrument(
	workshopId: string,
	{ location, town, place, ...details }: InstrumentDetails,
	transaction: Transaction
): Promise<string> {
	const id = uuid();
	const at = await locationFor(workshopId, { location, town, place }, transaction);
	const fresh = { createdAt: new Date(), stringing: null, version: 0, deletedAt: null, deletedBy: null };
	await database().models.instruments.create(
		{
			id,
			workshopId,
			locationId: at?.id ?? null,
			ownerId: null,
			archivedAt: null,
			...fresh,
			...details,
			...shelvedAs({ id, ...details }, at)
		},
		{ transaction }
	);
	return id;
}

/**
 * Writes over a version of what is said of an instrument.
 * @returns false when somebody else has written over that version meanwhile; nothing is changed then
 * @throws UniqueConstraintError as createInstrument does
 */
export async function updateInstrument(
	workshopId: string,
	id: string,
	version: number,
	{ location, town, place, ...details }: InstrumentDetails,
	transaction: Transaction
): Promise<boolean> {
	const { instruments } = database().models;
	const [changed] = await instruments.update(
		{ ...details, version: version + 1 },
		{ where: { workshopId, id, version }, transaction }
	);
	if (changed === 0) return false;
	const at = await locationFor(workshopId, { location, town, place }, transaction);
	const shelf = shelvedAs({ id, ...details }, at);
	await instruments.update({ locationId: at?.id ?? null, ...shelf }, { where: { workshopId, id }, transaction });
	return true;
}

/** Where it stands, whose it is, and whether it is laid aside. @param place the row of where it stands */
export async function saveWhereabouts(
	workshopId: string,
	{ id, name, kind, maker, archivedAt }: Instrument,
	{ locationId, ownerId, isArchived }: Whereabouts,
	place: Pick<LocationRow, 'name' | 'town'> | undefined,
	transaction: Transaction
): Promise<void> {
	const { instruments } = database().models;
	await instruments.update(
		{
			...{ locationId, ownerId, archivedAt: isArchived ? (archivedAt ?? new Date()) : null },
			...shelvedAs({ id, name, kind, maker }, place)
		},
		{ where: { workshopId, id }, transaction }
	);
	// What a form was filled with before has another place in it.
	await instruments.increment('version', { where: { workshopId, id }, transaction });
}

/** Keeps how an instrument is strung; null: as its table of strings and its kind say. */
export async function keepStringing(
	workshopId: string,
	id: string,
	stringing: Stringing | null,
	transaction: Transaction
): Promise<void> {
	await database().models.instruments.update({ stringing }, { where: { workshopId, id }, transaction });
}

/** A string as a reading told it. */
export interface ReadString {
	readonly note: number;
	readonly pitch: number;
	readonly pitchError: number | null;
	readonly inharmonicity: number;
	readonly inharmonicityError: number | null;
	/** What the strike before told of the same string. */
	readonly beforeInharmonicity: number | null;
	readonly beforeInharmonicityError: number | null;
	readonly partials: readonly StoredPartial[];
}

/** Sounders of registers of their own octave: their strings say nothing of those at their keys' pitch. */
const OWN_OCTAVE = `/(${CHOIRS.filter((choir) => 'octave' in choir)
	.map(({ id }) => id)
	.join('|')})(-|$)`;

/** The newest reading with inharmonicity of every note of an instrument, one string at a time, by note. */
export async function readStrings(workshopId: string, instrumentId: string): Promise<ReadString[]> {
	const rows = await database().sequelize.query<Omit<ReadString, 'partials'> & { partials: string }>(
		`SELECT CAST(SUBSTRING_INDEX(sounder, '/', 1) AS INT) AS note, pitch, pitch_error AS pitchError, inharmonicity,
			inharmonicity_error AS inharmonicityError, before_inharmonicity AS beforeInharmonicity,
			before_inharmonicity_error AS beforeInharmonicityError, COALESCE(p.partials, '[]') AS partials
		FROM (
			SELECT *, ROW_NUMBER() OVER (PARTITION BY SUBSTRING_INDEX(sounder, '/', 1) ORDER BY read_at DESC, sounder) AS place
			FROM instrument_sounders
			WHERE workshop_id = :workshopId AND instrument_id = :instrumentId AND sounder NOT REGEXP :ownOctave
		) newest
		LEFT JOIN reading_partials p ON p.visit_id = newest.visit_id AND p.reading_id = newest.reading_id
		WHERE place = 1 ORDER BY note`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, instrumentId, ownOctave: OWN_OCTAVE } }
	);
	return rows.map(({ partials, ...row }) => ({ ...row, partials: JSON.parse(partials) as StoredPartial[] }));
}
