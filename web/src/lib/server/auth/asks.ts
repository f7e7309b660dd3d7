import type { Right } from '$lib/workshop/roles';

/*
 * What each address asks of who is signed in. What is not listed cannot be written to by anybody but an owner, and cannot be seen
 * by a guest: so that an address that is new is closed until somebody has decided.
 */

/** What is there for somebody who is not signed in: whoever has its address, or wants to come in. */
export const OPEN_ROUTES: ReadonlySet<string | null> = new Set([
	...['/signin', '/welcome', '/join/[token]', '/calendar/[token]', '/health', '/shell'],
	...['/look/[token]', '/look/[token]/heard']
]);

type Verb = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
/** By verb; a form's action by its name. */
type Asks = Partial<Record<Verb | `POST ?/${string}`, Right>>;

export const ASKS: Readonly<Record<string, Asks>> = {
	'/': { GET: 'look' },
	'/(site)/account': { GET: 'look', 'POST ?/password': 'look', 'POST ?/end': 'look' },
	'/(site)/instruments': { GET: 'look', 'POST ?/bringBack': 'decide' },
	'/(site)/instruments/new': { POST: 'work' },
	'/(site)/instruments/[id]': { GET: 'look', 'POST ?/delete': 'decide', 'POST ?/deleteVisit': 'decide' },
	'/(site)/instruments/[id]/compare': { GET: 'look' },
	'/(site)/instruments/[id]/edit': { POST: 'work' },
	'/(site)/instruments/[id]/readings': { 'POST ?/discard': 'decide', 'POST ?/bringBack': 'decide' },
	'/(site)/workshop/people': {
		...{ GET: 'govern', 'POST ?/invite': 'govern', 'POST ?/withdraw': 'govern', 'POST ?/change': 'govern' },
		...{ 'POST ?/reset': 'govern', 'POST ?/delete': 'govern' }
	},
	'/(site)/workshop/changes': { GET: 'govern' },
	'/(site)/workshop/deleted': { GET: 'decide', 'POST ?/bringBack': 'decide', 'POST ?/erase': 'govern' },
	'/api/workshop/export': { GET: 'govern' },
	'/api/workshop/import/[id=uuid]': { GET: 'govern', PUT: 'govern', POST: 'govern' },
	'/api/me': { GET: 'look' },
	'/api/counts': { POST: 'work' },
	'/api/listening': { PUT: 'decide' },
	'/api/settings': { PUT: 'decide' },
	'/api/record': { POST: 'work' },
	'/api/instruments/import': { POST: 'work', DELETE: 'decide' },
	'/api/instruments/[id]/whereabouts': { PUT: 'work' },
	'/api/instruments/[id]/telephone': { POST: 'work', DELETE: 'work' },
	'/api/instruments/[id]/stringing': { PUT: 'work' },
	'/api/instruments/[id]/strings': { POST: 'work' },
	'/api/ensembles/[id=uuid]': { PUT: 'work', DELETE: 'decide' },
	'/api/places/[id=uuid]': { PUT: 'work', DELETE: 'decide' },
	'/api/places/[id=uuid]/merge': { POST: 'decide' },
	'/api/places/[id=uuid]/climate': { PUT: 'work', DELETE: 'work' },
	'/api/places/[id=uuid]/way': { PUT: 'work' },
	'/api/contacts': { POST: 'work', DELETE: 'work' },
	'/api/contacts/[id=uuid]': { PUT: 'work', DELETE: 'work' },
	'/api/contacts/[id=uuid]/merge': { POST: 'decide' },
	'/api/calendar': { POST: 'work' },
	'/api/calendar/[address]': { DELETE: 'work' },
	'/api/bookings': { POST: 'work' },
	'/api/bookings/[id=uuid]': { PUT: 'work', DELETE: 'work' },
	'/api/temperaments': { POST: 'work' },
	'/api/temperaments/import': { POST: 'work' },
	'/api/temperaments/[slug]': { PUT: 'work', DELETE: 'decide' },
	'/api/visits/[id]/progress': { POST: 'work' },
	'/api/visits/[id]/attachments/[attachment]': { GET: 'look', PUT: 'work' },
	'/api/visits/[id]/papers/[file=paper]': { GET: 'look' },
	'/api/visits/[id]/plan-pdf': { POST: 'work' },
	'/api/practice/sittings/[id]': { PUT: 'work' },
	'/(site)/practice': {
		'POST ?/remove': 'work',
		'POST ?/ear': 'work',
		'POST ?/show': 'work',
		'POST ?/unison': 'decide'
	},
	'/signout': { POST: 'look' }
};

/** @param route as in the tree of routes @param search of the address: a form's action stands there */
export function rightAsked(route: string, verb: string, search: string): Right {
	const asks: Asks | undefined = ASKS[route];
	if (verb === 'GET' || verb === 'HEAD' || verb === 'OPTIONS') return asks?.GET ?? 'work';
	const [, action] = /^\?\/(\w+)/.exec(search) ?? [];
	return asks?.[action ? (`POST ?/${action}` as const) : (verb as Verb)] ?? 'govern';
}
