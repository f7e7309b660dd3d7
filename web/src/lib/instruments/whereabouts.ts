import { z } from 'zod';

/** Where an instrument stands, whose it is, and whether it is still looked after. */
export const whereaboutsSchema = z.object({
	locationId: z.uuid().nullable(),
	ownerId: z.uuid().nullable(),
	isArchived: z.boolean()
});
export type Whereabouts = z.infer<typeof whereaboutsSchema>;
