import { z } from 'zod';

/** The plan as its owner reads it: on a page, or on paper. All of it is words and figures that are ready. */
const text = z.string().max(600);
export const ownersPageSchema = z.object({
	instrument: text,
	where: text,
	day: text,
	headline: text,
	/** Why, with the figure that says it. */
	reasons: z.array(z.object({ text, figure: text })).max(40),
	/** What is meant to be done, in order. */
	steps: z.array(text).max(12),
	/** Cents from target by section: found, and after each pass. */
	table: z.object({ head: z.array(text).max(8), rows: z.array(z.array(text).max(8)).max(8) }),
	/** What may happen, and what was agreed to. */
	risks: z.array(text).max(20)
});
export type OwnersPage = z.infer<typeof ownersPageSchema>;
