import { A4_RANGE, MOVES } from '@fendrel/core';
import { z } from 'zod';

/** Members that an ensemble may have. */
export const MOST_MEMBERS = 12;
const name = z.string().trim().min(1, 'Give it a name.').max(120, 'At most 120 characters.');
const note = z.number().int().min(12).max(120);

export const A4_OUTSIDE = `A4 lies between ${A4_RANGE.lowest} and ${A4_RANGE.highest} Hz.`;
export const memberSchema = z.object({
	id: z.uuid(),
	name,
	/** In the register; null: nobody's here. */
	instrumentId: z.uuid().nullable(),
	temperamentId: z.uuid(),
	/** Note class that its C has become. */
	root: z.number().int().min(0).max(11),
	a4: z.number().min(A4_RANGE.lowest, A4_OUTSIDE).max(A4_RANGE.highest, A4_OUTSIDE),
	moves: z.enum(MOVES),
	lowest: note,
	highest: note
});
export const ensembleSchema = z.object({
	name,
	members: z
		.array(memberSchema)
		.min(1, 'An ensemble has a member at least.')
		.max(MOST_MEMBERS, `At most ${MOST_MEMBERS} members.`),
	/** Which version it was made from. */
	version: z.number().int().min(0)
});
export type EnsembleMember = z.infer<typeof memberSchema>;
export type EnsembleDraft = z.infer<typeof ensembleSchema>;
/** An instrument of the register as it would join: as it was left last. */
export type MayJoin = Omit<EnsembleMember, 'instrumentId' | 'root'>;
/** An ensemble as it is kept. */
export interface Ensemble extends EnsembleDraft {
	readonly id: string;
}
