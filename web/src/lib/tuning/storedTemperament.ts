import { TEMPERAMENT_FAMILIES, type Temperament } from '@fendrel/core';

/** A temperament of the library or of the workshop, as pages have it; `id` is its row's. */
export interface StoredTemperament extends Temperament {
	/** What its address is made of. */
	readonly slug: string;
	/** Made or brought in by this workshop. */
	readonly own: boolean;
	/** Rises with every change. */
	readonly version: number;
}

/** The workshop's own first, then the library by family, each group under its heading. */
export function grouped<T extends Pick<StoredTemperament, 'own' | 'family' | 'name'>>(
	temperaments: readonly T[]
): readonly { readonly title: string; readonly members: readonly T[] }[] {
	const own = temperaments.filter((each) => each.own).sort((a, b) => a.name.localeCompare(b.name));
	const groups = TEMPERAMENT_FAMILIES.map((family) => ({
		title: family[0].toUpperCase() + family.slice(1),
		members: temperaments.filter((each) => !each.own && each.family === family)
	}));
	return [{ title: 'Workshop’s own', members: own }, ...groups].filter(({ members }) => members.length > 0);
}
