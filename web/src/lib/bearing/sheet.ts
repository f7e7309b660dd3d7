import { intervalSizes, OCTAVES, SCHOOLS, COMPUTED, purePairs, INTERVALS, type Temperament } from '@fendrel/core';
import { z } from 'zod';
import { EAR_NAMES, PRACTISED } from '$lib/tuning/ears';

/** Forks in use; any other note of these octaves will do as well. */
export const FORKS = [69, 72, 60] as const;
const LOWEST_START = 53;
const HIGHEST_START = 81;

/** What the address says of the plan; anything else counts as not said. */
export const sheetQuery = z.object({
	school: z.enum([COMPUTED, ...SCHOOLS.map(({ id }) => id)] as [string, ...string[]]).catch(COMPUTED),
	start: z.coerce.number().int().min(LOWEST_START).max(HIGHEST_START).catch(69),
	octave: z.coerce
		.number()
		.int()
		.min(0)
		.max(OCTAVES.length - 1)
		.catch(0),
	root: z.coerce.number().int().min(0).max(11).catch(0),
	ear: z.enum([...EAR_NAMES, PRACTISED]).catch('careful')
});

/** Schools that make sense here: "pure first" needs something pure. */
export function schoolsFor(temperament: Pick<Temperament, 'tuning'>): readonly string[] {
	const isPure = purePairs(temperament);
	const kinds = [INTERVALS.fifth, INTERVALS.majorThird, INTERVALS.minorThird];
	const anyPure = kinds.some((kind) =>
		intervalSizes(temperament, kind.semitones).some((_, from) =>
			isPure({ lower: 60 + from, upper: 60 + from + kind.semitones, kind })
		)
	);
	return [COMPUTED, ...SCHOOLS.map(({ id }) => id)].filter((id) => id !== 'pure-first' || anyPure);
}

/** Every note a fork may give. */
const STARTS = Array.from({ length: HIGHEST_START - LOWEST_START + 1 }, (_, i) => LOWEST_START + i);

/** The octaves that an instrument has whole, with the index by which an address names them. */
export function octavesWithin({ lowest, highest }: { readonly lowest: number; readonly highest: number }) {
	return OCTAVES.flatMap((octave, index) =>
		octave.low >= lowest && octave.high <= highest ? [{ ...octave, index }] : []
	);
}

/** The notes that a fork may give on an instrument: all notes between it and the octave are there too. */
export function startsWithin({
	lowest,
	highest
}: {
	readonly lowest: number;
	readonly highest: number;
}): readonly number[] {
	return STARTS.filter((note) => note >= lowest && note <= highest);
}
