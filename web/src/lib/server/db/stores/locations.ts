import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { chosenPlace } from '$lib/instruments/placeChoice';
import { database } from '../connection';
import type { LocationRow } from '../rows';
import { reshelve } from './shelf';

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
	await locations.bulkCreate([{ id: uuid(), workshopId, name, town }], { ignoreDuplicates: true, transaction });
	const made = await locations.findOne({
		where: { workshopId, name, town },
		transaction,
		lock: transaction.LOCK.UPDATE
	});
	return made!.get();
}
