import ICAL from 'ical.js';
import { contactSchema, type ContactDraft } from './place';

/** A contact read from a file, or why it is left out. */
export interface ReadContact {
	readonly name: string;
	readonly contact?: Omit<ContactDraft, 'locationId' | 'version'>;
	/** Where it says the person is to be found: street, town. */
	readonly address: string;
	readonly problem?: string;
}

/** So many cards are read at most. */
export const MOST_CARDS = 500;

/**
 * Contacts from a vCard file, version 3 or 4 (RFC 2426, RFC 6350).
 * @returns undefined where it is no such file
 */
export function readCards(text: string): readonly ReadContact[] | undefined {
	if (!/^\s*BEGIN:VCARD/im.test(text)) return undefined;
	// Cards one by one: what is wrong with one leaves the others.
	const cards = text.match(/^BEGIN:VCARD[\s\S]*?^END:VCARD/gim)?.slice(0, MOST_CARDS) ?? [];
	if (cards.length === 0) return undefined;
	return cards.map(readCard);
}

function readCard(text: string): ReadContact {
	let card: ICAL.Component;
	try {
		card = new ICAL.Component(ICAL.parse(text.replace(/\r?\n/g, '\r\n')) as never);
	} catch {
		return { name: /^FN[^:]*:(.*)$/im.exec(text)?.[1].trim() ?? '', address: '', problem: 'This card cannot be read.' };
	}
	const first = (property: string) => plain(card.getFirstPropertyValue(property));
	const parts = (property: string) => {
		const value: unknown = card.getFirstPropertyValue(property);
		return Array.isArray(value) ? value.map(plain) : [plain(value)];
	};
	const [family = '', given = ''] = parts('n');
	const name = first('fn') || [given, family].filter(Boolean).join(' ') || parts('org')[0];
	const [, , street = '', town = '', , code = ''] = parts('adr');
	const draft = {
		name,
		role: first('role') || first('title') || (name === parts('org')[0] ? '' : parts('org')[0]),
		phone: first('tel').replace(/^tel:/i, ''),
		email: first('email').replace(/^mailto:/i, ''),
		note: first('note')
	};
	const checked = contactSchema.omit({ locationId: true, version: true }).safeParse(draft);
	const address = [street, [code, town].filter(Boolean).join(' ')].filter(Boolean).join(', ');
	if (checked.success) return { name, address, contact: checked.data };
	const [{ path, message }] = checked.error.issues;
	return { name, address, problem: `${String(path[0])}: ${message}` };
}

const plain = (value: unknown): string =>
	value === null || value === undefined
		? ''
		: (Array.isArray(value) ? value.map(plain).join(' ') : String(value)).trim();

/** Contacts as a vCard file, version 4. */
export function writeCards(
	contacts: readonly {
		readonly id: string;
		readonly name: string;
		readonly role: string;
		readonly phone: string;
		readonly email: string;
		readonly note: string;
		readonly place: string;
		readonly town: string;
		readonly address: string;
	}[]
): string {
	return contacts
		.map(({ id, name, role, phone, email, note, place, town, address }) => {
			const card = new ICAL.Component(['vcard', [], []] as never);
			const add = (property: string, value: string) => value && card.addPropertyWithValue(property, value);
			add('version', '4.0');
			add('uid', `urn:uuid:${id}`);
			add('fn', name);
			add('role', role);
			add('tel', phone);
			add('email', email);
			add('org', place);
			if (address || town) {
				const at = new ICAL.Property('adr', card);
				at.setValue(['', '', address, town, '', '', ''] as never);
				card.addProperty(at);
			}
			add('note', note);
			return card.toString();
		})
		.join('\r\n');
}
