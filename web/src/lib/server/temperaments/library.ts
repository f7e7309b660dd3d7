import { TEMPERAMENT_FAMILIES, USES } from '@fendrel/core';
import { z } from 'zod';
import { grouped, type StoredTemperament } from '$lib/tuning/storedTemperament';
import { listTemperaments } from '../db/stores/temperaments';

/** Temperaments to a page of the library. */
const PAGE = 60;

/** What a page of the library is asked for by its address; what makes no sense counts as not said. */
export const libraryAsked = z.object({
	find: z.string().max(120).catch(''),
	character: z.enum(TEMPERAMENT_FAMILIES).or(z.literal('')).catch(''),
	use: z.enum(USES).or(z.literal('')).catch(''),
	/** So many of those that match come before this page. */
	after: z.coerce.number().int().min(0).catch(0)
});
export type LibraryAsked = z.infer<typeof libraryAsked>;

function matches(each: StoredTemperament, { find, character, use }: LibraryAsked): boolean {
	const said =
		`${each.name} ${each.family} ${each.period} ${each.character} ${each.goodFor} ${each.source}`.toLowerCase();
	return (
		(character === '' || each.family === character) &&
		(use === '' || each.uses.includes(use)) &&
		find
			.toLowerCase()
			.split(/\s+/)
			.every((word) => said.includes(word))
	);
}

/** A page of the library and the workshop's own, own ones first, then by character. */
export async function libraryPage(workshopId: string, asked: LibraryAsked) {
	const all = await listTemperaments(workshopId);
	const found = grouped(all.filter((each) => matches(each, asked))).flatMap(({ members }) => members);
	const { after } = asked;
	return {
		asked,
		temperaments: found.slice(after, after + PAGE).map(({ slug, name, own, family, period, character, tuning }) => ({
			...{ slug, name, own, family, period, character, tuning }
		})),
		next: found.length > after + PAGE ? after + PAGE : undefined,
		inAll: all.length,
		own: all.filter((each) => each.own).length
	};
}
