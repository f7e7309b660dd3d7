import { Op, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { chosenPlace } from '$lib/instruments/placeChoice';
import type { Place, PlaceDraft } from '$lib/places/place';
import { wayKey } from '$lib/places/ways';
import { database } from '../connection';
import type { LocationRow } from '../rows';
import { reshelve } from './shelf';

/** A place of which only its name is known. */
export const BLANK_PLACE = {
	...{ address: '', entry: '', latitude: null, longitude: null, fromHome: null, version: 0 }
} as const;

export async function listLocations(workshopId: string): Promise<LocationRow[]> {
	const rows = await database().models.locations.findAll({ where: { workshopId }, order: [['name', 'ASC']] });
	return rows.map((row) => row.get());
}

/** A place as it was typed, and what was said of it when it looked like another. */
export interface TypedLocation {
	readonly location: string;
	readonly town: string;
	/** See `instruments/placeChoice`; '': nobody was asked. */
	readonly place: string;
}

/** "Koln" and "KÖLN " are written alike. */
const plain = (name: string) => name.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/g, ' ').trim();

/**
 * Which place is meant: one that is written just so, or known by its name alone; else those that it could be.
 * @returns an empty list where there is none like it
 */
export function placesMeant(
	known: readonly LocationRow[],
	{ location, town }: Pick<TypedLocation, 'location' | 'town'>
): { readonly is: LocationRow } | { readonly alike: readonly LocationRow[] } {
	const same = known.filter(({ name }) => name === location);
	const exact = same.find((each) => each.town === town) ?? (town === '' && same.length === 1 ? same[0] : undefined);
	if (exact) return { is: exact };
	return { alike: known.filter(({ name }) => plain(name) === plain(location)) };
}

/** The place that was typed, made where it is another one; undefined: none was typed. */
export async function locationFor(
	workshopId: string,
	{ location: name, town, place }: TypedLocation,
	transaction: Transaction
): Promise<LocationRow | undefined> {
	if (name === '') return undefined;
	const { locations } = database().models;
	const rows = await locations.findAll({ where: { workshopId }, transaction, lock: transaction.LOCK.UPDATE });
	const meant = placesMeant(
		rows.map((row) => row.get()),
		{ location: name, town }
	);
	if ('is' in meant) return meant.is;
	const { id, isAsTyped } = chosenPlace(place);
	const chosen = rows.find((row) => row.get().id === id);
	if (chosen) {
		if (isAsTyped) {
			await chosen.update({ name, town }, { transaction });
			await reshelve(chosen.get(), transaction);
		}
		return chosen.get();
	}
	// Several that are saved at once at a new place find it made by one of them.
	await locations.bulkCreate([{ id: uuid(), workshopId, name, town, ...BLANK_PLACE }], {
		ignoreDuplicates: true,
		transaction
	});
	const made = await locations.findOne({
		where: { workshopId, name, town },
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return made!.get();
}

const told = ({ workshopId: _, ...place }: LocationRow): Place => place;

/** Every place, by name. */
export async function listPlaces(workshopId: string): Promise<Place[]> {
	return (await listLocations(workshopId)).map(told);
}

export async function getPlace(workshopId: string, id: string, transaction?: Transaction): Promise<Place | undefined> {
	const row = await database().models.locations.findOne({ where: { workshopId, id }, transaction });
	return row ? told(row.get()) : undefined;
}

/**
 * A new place, or over the version that it was made from. @returns its version now; undefined when another one stands there
 * @throws UniqueConstraintError when there is another one of that name in that town
 */
export async function savePlace(
	workshopId: string,
	id: string,
	{ version, ...draft }: PlaceDraft,
	transaction: Transaction
): Promise<number | undefined> {
	const { locations } = database().models;
	const next = version + 1;
	const before = await locations.findOne({ where: { id }, transaction, lock: transaction.LOCK.UPDATE });
	if (!before) {
		await locations.create({ id, workshopId, ...draft, version: next }, { transaction });
		return next;
	}
	if (before.get().workshopId !== workshopId || before.get().version !== version) return undefined;
	await before.update({ ...draft, version: next }, { transaction });
	await reshelve({ id, ...draft }, transaction);
	return next;
}

/** What is at a place: how many instruments (those that can be brought back too), contacts and bookings. */
export async function heldAt(workshopId: string, id: string, transaction?: Transaction): Promise<number> {
	const { instruments, contacts, bookings } = database().models;
	const where = { workshopId, locationId: id };
	const counts = await Promise.all([
		instruments.count({ where, paranoid: false, transaction }),
		contacts.count({ where, transaction }),
		bookings.count({ where, transaction })
	]);
	return counts.reduce((sum, each) => sum + each, 0);
}

export async function deletePlace(workshopId: string, id: string, transaction: Transaction): Promise<void> {
	await database().models.locations.destroy({ where: { workshopId, id }, transaction });
}

/** All that is at one place is at another from now on; guests who see the one see the other. The first is gone. */
export async function mergePlaces(
	workshopId: string,
	from: string,
	into: Place,
	transaction: Transaction
): Promise<void> {
	const { instruments, contacts, bookings, guestPlaces, ways } = database().models;
	const there = { where: { workshopId, locationId: from }, transaction };
	await instruments.update({ locationId: into.id }, { ...there, paranoid: false });
	await contacts.update({ locationId: into.id }, there);
	await bookings.update({ locationId: into.id }, there);
	const guests = await guestPlaces.findAll({ where: { placeId: from }, transaction });
	await guestPlaces.bulkCreate(
		guests.map((row) => ({ userId: row.get().userId, placeId: into.id })),
		{ ignoreDuplicates: true, transaction }
	);
	await guestPlaces.destroy({ where: { placeId: from }, transaction });
	await ways.destroy({ where: { workshopId, [Op.or]: [{ fromId: from }, { toId: from }] }, transaction });
	await deletePlace(workshopId, from, transaction);
	await reshelve(into, transaction);
}

/** Ways that somebody has said the minutes of. */
export async function knownWays(workshopId: string): Promise<Map<string, number>> {
	const rows = await database().models.ways.findAll({ where: { workshopId } });
	return new Map(rows.map((row) => [wayKey(row.get().fromId, row.get().toId), row.get().minutes]));
}

/** @param minutes null: estimated again */
export async function saveWay(
	workshopId: string,
	a: string,
	b: string,
	minutes: number | null,
	transaction: Transaction
): Promise<void> {
	const [fromId, toId] = a < b ? [a, b] : [b, a];
	const { ways } = database().models;
	await ways.destroy({ where: { workshopId, fromId, toId }, transaction });
	if (minutes !== null) await ways.create({ workshopId, fromId, toId, minutes }, { transaction });
}
