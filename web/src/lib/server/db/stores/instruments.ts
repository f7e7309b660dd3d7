import type { Stringing } from '@fendrel/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { database } from '../connection';
import type { InstrumentRow, PlaceRow, StoredPartial } from '../rows';
import { inTransaction } from '../transaction';

/** An instrument with where it stands. */
export interface Instrument extends InstrumentRow {
	readonly place: Pick<PlaceRow, 'name' | 'town'> | undefined;
}

/** What the register shows of an instrument besides itself. */
export interface LastVisit {
	readonly instrumentId: string;
	readonly finishedAt: Date;
	/** A4 in Hz as it was left; null when it was not measured. */
	readonly a4Left: number | null;
	readonly temperament: string;
}

export type InstrumentDetails = Omit<
	InstrumentRow,
	'id' | 'workshopId' | 'placeId' | 'createdAt' | 'stringing' | 'version'
> & {
	/** Name of the place; an unknown one is made. */
	readonly place: string;
	readonly town: string;
};

export async function listInstruments(workshopId: string): Promise<Instrument[]> {
	const { instruments, places } = database().models;
	const [rows, known] = await Promise.all([
		instruments.findAll({ where: { workshopId }, order: [['name', 'ASC']] }),
		places.findAll({ where: { workshopId } })
	]);
	const byId = new Map(known.map((place) => [place.get().id, place.get()]));
	return rows.map((row) => withPlace(row.get(), byId.get(row.get().placeId ?? '')));
}

export async function getInstrument(
	workshopId: string,
	id: string,
	transaction?: Transaction
): Promise<Instrument | undefined> {
	const { instruments, places } = database().models;
	const row = await instruments.findOne({ where: { workshopId, id }, transaction });
	if (!row) return undefined;
	const { placeId } = row.get();
	const place = placeId ? await places.findOne({ where: { workshopId, id: placeId }, transaction }) : null;
	return withPlace(row.get(), place?.get());
}

/** Holds an instrument of the workshop until the transaction ends. @returns whether there is one */
export async function lockInstrument(workshopId: string, id: string, transaction: Transaction): Promise<boolean> {
	const row = await database().models.instruments.findOne({
		where: { workshopId, id },
		attributes: ['id'],
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return row !== null;
}

function withPlace(row: InstrumentRow, place: PlaceRow | undefined): Instrument {
	return { ...row, place: place && { name: place.name, town: place.town } };
}

export async function listPlaces(workshopId: string): Promise<PlaceRow[]> {
	const rows = await database().models.places.findAll({ where: { workshopId }, order: [['name', 'ASC']] });
	return rows.map((row) => row.get());
}

/** @throws UniqueConstraintError when the workshop has an instrument of that name */
export async function createInstrument(
	workshopId: string,
	{ place, town, ...details }: InstrumentDetails
): Promise<string> {
	const { models } = database();
	return inTransaction(async (transaction) => {
		const id = uuid();
		const placeId = await placeIdFor(workshopId, place, town, transaction);
		await models.instruments.create(
			{ id, workshopId, placeId, createdAt: new Date(), stringing: null, version: 0, ...details },
			{ transaction }
		);
		return id;
	});
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
	{ place, town, ...details }: InstrumentDetails
): Promise<boolean> {
	const { models } = database();
	return inTransaction(async (transaction) => {
		const [changed] = await models.instruments.update(
			{ ...details, version: version + 1 },
			{ where: { workshopId, id, version }, transaction }
		);
		if (changed === 0) return false;
		const placeId = await placeIdFor(workshopId, place, town, transaction);
		await models.instruments.update({ placeId }, { where: { workshopId, id }, transaction });
		return true;
	});
}

/** Keeps how an instrument is strung; null: as its table of strings and its kind say. */
export async function keepStringing(workshopId: string, id: string, stringing: Stringing | null): Promise<void> {
	await database().models.instruments.update({ stringing }, { where: { workshopId, id } });
}

async function placeIdFor(
	workshopId: string,
	name: string,
	town: string,
	transaction: Transaction
): Promise<string | null> {
	if (name === '') return null;
	const { places } = database().models;
	// Several that are saved at once at a new place find it made by one of them.
	await places.bulkCreate([{ id: uuid(), workshopId, name, town }], { ignoreDuplicates: true, transaction });
	const found = (await places.findOne({ where: { workshopId, name }, transaction, lock: transaction.LOCK.UPDATE }))!;
	if (town !== '' && found.get().town !== town) await found.update({ town }, { transaction });
	return found.get().id;
}

/** The last finished visit of every instrument of a workshop. */
export async function lastVisits(workshopId: string): Promise<LastVisit[]> {
	return database().sequelize.query<LastVisit>(
		`SELECT s.instrument_id AS instrumentId, s.finished_at AS finishedAt, s.a4_left AS a4Left, t.name AS temperament
		FROM instrument_summaries s
		JOIN visits v ON v.id = s.visit_id
		JOIN temperaments t ON t.id = v.temperament_id
		WHERE s.workshop_id = :workshopId`,
		{ type: QueryTypes.SELECT, replacements: { workshopId } }
	);
}

/** A string as a reading told it. */
export interface ReadString {
	readonly note: number;
	readonly pitch: number;
	readonly pitchError: number | null;
	readonly inharmonicity: number;
	readonly inharmonicityError: number | null;
	readonly partials: readonly StoredPartial[];
}

/** The newest reading with inharmonicity of every note of an instrument, one string at a time, by note. */
export async function readStrings(workshopId: string, instrumentId: string): Promise<ReadString[]> {
	const rows = await database().sequelize.query<Omit<ReadString, 'partials'> & { partials: string }>(
		`SELECT CAST(SUBSTRING_INDEX(sounder, '/', 1) AS INT) AS note, pitch, pitch_error AS pitchError, inharmonicity,
			inharmonicity_error AS inharmonicityError, COALESCE(p.partials, '[]') AS partials
		FROM (
			SELECT *, ROW_NUMBER() OVER (PARTITION BY SUBSTRING_INDEX(sounder, '/', 1) ORDER BY read_at DESC, sounder) AS place
			FROM instrument_sounders WHERE workshop_id = :workshopId AND instrument_id = :instrumentId
		) newest
		LEFT JOIN reading_partials p ON p.visit_id = newest.visit_id AND p.reading_id = newest.reading_id
		WHERE place = 1 ORDER BY note`,
		{ type: QueryTypes.SELECT, replacements: { workshopId, instrumentId } }
	);
	return rows.map(({ partials, ...row }) => ({ ...row, partials: JSON.parse(partials) as StoredPartial[] }));
}
