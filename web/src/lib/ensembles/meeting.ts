import {
	agreements,
	clashes,
	hz,
	offsetsFromEqual,
	sharedCandidates,
	transposed,
	type Clash,
	type Member
} from '@fendrel/core';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import type { EnsembleMember } from './ensemble';

/** Members as the computation knows them. @throws nothing: a temperament that is gone counts as equal */
export function membersOf(
	members: readonly EnsembleMember[],
	temperaments: readonly StoredTemperament[]
): readonly Member[] {
	const equal = temperaments.find(({ slug }) => slug === 'equal')!;
	return members.map(({ id, name, a4, moves, lowest, highest, root, temperamentId }) => {
		const temperament = temperaments.find((each) => each.id === temperamentId) ?? equal;
		return { id, name, a4: hz(a4), moves, lowest, highest, offsets: offsetsFromEqual(transposed(temperament, root)) };
	});
}

/** Clashes that hurt most, of unisons and of other intervals: those of each pair only once, and only where the two meet. */
export function worstOf(
	members: readonly Member[],
	most = 4
): { readonly unisons: readonly Clash[]; readonly others: readonly Clash[] } {
	const all = clashes(members).filter(({ beats }) => beats !== undefined);
	const worst = (some: readonly Clash[]) => [...some].sort((a, b) => Math.abs(b.off) - Math.abs(a.off)).slice(0, most);
	return {
		unisons: worst(all.filter(({ interval, off }) => interval.semitones === 0 && Math.abs(off) > 0.5)),
		others: worst(all.filter(({ interval }) => interval.semitones === 3 || interval.semitones === 4))
	};
}

/** What they might agree on, the best first. */
export const meetingsOf = (members: readonly Member[], temperaments: readonly StoredTemperament[]) =>
	agreements(members, sharedCandidates(temperaments), 4);
