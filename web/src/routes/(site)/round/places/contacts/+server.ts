import { workshopOf } from '$lib/server/auth/guard';
import { listContacts } from '$lib/server/db/stores/contacts';
import { listPlaces } from '$lib/server/db/stores/locations';
import { writeCards } from '$lib/places/vcard';

/** Everybody as vCards. */
export async function GET({ locals }) {
	const workshopId = workshopOf(locals);
	const [contacts, places] = await Promise.all([listContacts(workshopId), listPlaces(workshopId)]);
	const at = new Map(places.map((place) => [place.id, place]));
	const cards = contacts.map((contact) => {
		const { name = '', town = '', address = '' } = at.get(contact.locationId ?? '') ?? {};
		return { ...contact, place: name, town, address };
	});
	return new Response(writeCards(cards), {
		headers: {
			'Content-Type': 'text/vcard; charset=utf-8',
			'Content-Disposition': 'attachment; filename="fendrel-contacts.vcf"'
		}
	});
}
