import type { Contact, ContactDraft, Place } from './place';

/** "Köln" and "KOLN " are written alike. */
export const plainly = (text: string) =>
	text
		.normalize('NFKD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim();
const digits = (phone: string) => phone.replace(/\D/g, '').slice(-9);

/** Things that seem to be the same one, each pair once. */
function pairsWhere<T>(all: readonly T[], isAlike: (a: T, b: T) => boolean): readonly (readonly [T, T])[] {
	return all.flatMap((a, i) => all.slice(i + 1).flatMap((b) => (isAlike(a, b) ? [[a, b] as const] : [])));
}

/** Contacts of one name, one e-mail address or one telephone. */
export const alikeContacts = (all: readonly Contact[]) =>
	pairsWhere(
		all,
		(a, b) =>
			plainly(a.name) === plainly(b.name) ||
			(a.email !== '' && a.email.toLowerCase() === b.email.toLowerCase()) ||
			(digits(a.phone).length >= 6 && digits(a.phone) === digits(b.phone))
	);

/** Places that are written alike. */
export const alikePlaces = <T extends Pick<Place, 'name'>>(all: readonly T[]) =>
	pairsWhere(all, (a, b) => plainly(a.name) === plainly(b.name));

/** What one contact does not say is taken from the other; two notes stand below each other. */
export function mergedContact(
	kept: Omit<ContactDraft, 'version'>,
	gone: Omit<ContactDraft, 'version'>
): Omit<ContactDraft, 'version'> {
	const notes = [kept.note, gone.note].filter((note, i, all) => note !== '' && all.indexOf(note) === i);
	const { name, role, phone, email, locationId } = kept;
	return {
		...{ name, role: role || gone.role, phone: phone || gone.phone, email: email || gone.email },
		note: notes.join('\n').slice(0, 1000),
		locationId: locationId ?? gone.locationId
	};
}
