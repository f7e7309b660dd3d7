import { z } from 'zod';

const text = (most: number) => z.string().trim().max(most, `At most ${most} characters.`);
/** Minutes of a way. */
export const WAY = { least: 0, most: 600 } as const;
const minutes = z
	.number('In minutes, please.')
	.int('In whole minutes, please.')
	.min(WAY.least, 'No way takes less than nothing.')
	.max(WAY.most, 'Ten hours at most.');

/** What people write of a place. */
export const placeSchema = z.object({
	name: text(120).min(1, 'A place needs a name.'),
	town: text(120),
	address: text(300),
	/** How one gets in. */
	entry: text(500),
	/** Degrees north and east, both or neither. */
	latitude: z
		.number('Degrees north, like 51.48')
		.min(-90, 'Degrees north, −90 to 90.')
		.max(90, 'Degrees north, −90 to 90.')
		.nullable(),
	longitude: z
		.number('Degrees east, like 0.95')
		.min(-180, 'Degrees east, −180 to 180.')
		.max(180, 'Degrees east, −180 to 180.')
		.nullable(),
	/** Minutes from where one sets out; null: estimated. */
	fromHome: minutes.nullable(),
	version: z.number().int().min(0)
});
export type PlaceDraft = z.infer<typeof placeSchema>;
export interface Place extends PlaceDraft {
	readonly id: string;
}

export const contactSchema = z.object({
	name: text(120).min(1, 'Whom is it about?'),
	/** "caretaker", "owner" */
	role: text(120),
	phone: text(60),
	email: z.union([z.literal(''), z.email('That is no e-mail address.').max(190)]),
	note: text(1000),
	locationId: z.uuid().nullable(),
	version: z.number().int().min(0)
});
export type ContactDraft = z.infer<typeof contactSchema>;
export interface Contact extends ContactDraft {
	readonly id: string;
}

/** A way between two places, or from where one sets out (null) to one. */
export const waySchema = z.object({ to: z.uuid(), minutes: minutes.nullable() });

/** What is merged goes into this one. */
export const intoSchema = z.object({ into: z.uuid() });
/** So many contacts come from a file at most. */
const MOST_CONTACTS = 500;
export const contactsSchema = z.object({
	contacts: z
		.array(contactSchema.extend({ id: z.uuid() }))
		.min(1)
		.max(MOST_CONTACTS)
});
export const idsSchema = z.object({ ids: z.array(z.uuid()).min(1).max(MOST_CONTACTS) });
