import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { mayDo, RIGHTS, ROLES } from '$lib/workshop/roles';
import { ASKS, OPEN_ROUTES, rightAsked } from '../auth/asks';
import { isShown } from '../auth/rights';
import { signIn } from '../auth/signIn';
import { saveSession, sessionByToken, userById } from '../db/stores/accounts';
import { changesOf } from '../db/stores/changes';
import { listLocations } from '../db/stores/locations';
import { shelfOf } from '../db/stores/shelf';
import { beginVisit, details, newInstrument, newWorkshop, withDatabase } from '../tests/parts';
import { deleteUser } from './deletion';
import { changePlace, invite, join as joinBy, linkOf, peopleOf, resetPassword, withdraw } from './people';

withDatabase();

const tokenOf = (made: Awaited<ReturnType<typeof invite>>) => {
	if ('problem' in made) throw new Error(made.problem);
	return made.token;
};
const someone = (name: string) => ({
	name,
	email: `${name}-${Math.random()}@example.test`,
	password: 'another password'
});

describe('people', () => {
	it('join by a link that works once, with the role that it gives', async () => {
		const me = await newWorkshop();
		const token = tokenOf(await invite(me, { role: 'apprentice', places: [] }));
		expect(await linkOf(token)).toEqual({ role: 'apprentice', user: undefined });
		const new1 = someone('learner');
		const joined = (await joinBy(token, new1)) as { userId: string };
		expect(await userById(joined.userId)).toMatchObject({ role: 'apprentice', workshopId: me.workshopId });
		expect(await signIn(new1.email, 'another password', { address: '10.8.0.1' })).toMatchObject({ kind: 'welcome' });
		expect(await joinBy(token, someone('late'))).toBe('over');
		expect(await linkOf(token)).toBeUndefined();
		// An e-mail that is taken costs the link nothing.
		const next = tokenOf(await invite(me, { role: 'technician', places: [] }));
		expect(await joinBy(next, new1)).toBe('taken');
		expect(await joinBy(next, someone('in time'))).toHaveProperty('userId');
	});

	it('of a hundred that use one link at once, one joins', async () => {
		const me = await newWorkshop();
		const token = tokenOf(await invite(me, { role: 'technician', places: [] }));
		const all = await Promise.all(Array.from({ length: 12 }, (_, i) => joinBy(token, someone(`runner${i}`))));
		expect(all.filter((one) => typeof one === 'object')).toHaveLength(1);
		expect((await peopleOf(me.workshopId)).people).toHaveLength(2);
	});

	it('a link that is withdrawn is over, and of two for one password the newer works', async () => {
		const me = await newWorkshop();
		const token = tokenOf(await invite(me, { role: 'technician', places: [] }));
		const [{ id }] = (await peopleOf(me.workshopId)).invitations;
		expect(await withdraw(await newWorkshop(), id)).toBeTruthy();
		expect(await withdraw(me, id)).toBeUndefined();
		expect(await joinBy(token, someone('refused'))).toBe('over');
		const first = (await resetPassword(me, me.userId))!.token;
		const second = (await resetPassword(me, me.userId))!.token;
		await saveSession('9'.repeat(64), me.userId, new Date(Date.now() + 60_000));
		expect(await joinBy(first, { password: 'a newer password' })).toBe('over');
		expect(await joinBy(second, { password: 'the newest password' })).toEqual({ userId: me.userId });
		expect(await sessionByToken('9'.repeat(64))).toBeUndefined();
		expect(await signIn(me.email, 'the newest password', { address: '10.8.0.2' })).toMatchObject({ kind: 'welcome' });
		expect(await resetPassword(await newWorkshop(), me.userId)).toBeUndefined();
	});

	it('keep an owner whatever is asked at once', async () => {
		const me = await newWorkshop();
		const other = (await joinBy(tokenOf(await invite(me, { role: 'owner', places: [] })), someone('co'))) as {
			userId: string;
		};
		const down = { role: 'technician', places: [] } as const;
		// Each takes the other's ownership at the same moment.
		await Promise.all([
			changePlace(me, other.userId, down),
			changePlace({ ...me, userId: other.userId }, me.userId, down),
			deleteUser(me, { id: other.userId, name: 'co' })
		]);
		const { people } = await peopleOf(me.workshopId);
		expect(people.filter(({ role }) => role === 'owner').length).toBeGreaterThan(0);
	});

	it('a guest sees the instruments of the places given, and no others', async () => {
		const me = await newWorkshop();
		const seen = await newInstrument(me.workshopId, { ...details('Seen'), location: 'The school' });
		const hidden = await newInstrument(me.workshopId, details('Hidden'));
		const visit = await beginVisit(me, hidden);
		expect(await invite(me, { role: 'guest', places: [] })).toHaveProperty('problem');
		const foreign = (await listLocations((await newWorkshop()).workshopId))[0]?.id ?? me.userId;
		expect(await invite(me, { role: 'guest', places: [foreign] })).toHaveProperty('problem');
		const school = (await listLocations(me.workshopId)).find(({ name }) => name === 'The school')!.id;
		const token = tokenOf(await invite(me, { role: 'guest', places: [school] }));
		const { userId } = (await joinBy(token, someone('bursar'))) as { userId: string };
		await saveSession('8'.repeat(64), userId, new Date(Date.now() + 60_000));
		const { places } = (await sessionByToken('8'.repeat(64)))!;
		expect(places).toEqual([school]);
		const guest = { workshopId: me.workshopId, places };
		expect(await isShown(guest, '/(site)/instruments/[id]', seen)).toBe(true);
		expect(await isShown(guest, '/(site)/instruments/[id]', hidden)).toBe(false);
		expect(await isShown(guest, '/api/visits/[id]/papers/[file=paper]', visit)).toBe(false);
		const shelf = await shelfOf(me.workshopId, { find: '', after: '', most: 9, places });
		expect(shelf.map(({ name }) => name)).toEqual(['Seen']);
	});

	it('what they did stands in the trail, in order', async () => {
		const me = await newWorkshop();
		const { userId } = (await joinBy(tokenOf(await invite(me, { role: 'technician', places: [] })), someone('x'))) as {
			userId: string;
		};
		await changePlace(me, userId, { role: 'apprentice', places: [] });
		const trail = await changesOf(me.workshopId, 9);
		expect(trail.map(({ what }) => what)).toEqual(['user changed', 'user joined', 'user invited']);
		expect(trail[0]).toMatchObject({ userId: me.userId, said: { role: ['technician', 'apprentice'] } });
		// By pages, each once.
		const first = await changesOf(me.workshopId, 2);
		const rest = await changesOf(me.workshopId, 9, first.at(-1)!.id);
		expect([...first, ...rest]).toEqual(trail);
	});
});

describe('rights', () => {
	const ROUTES = fileURLToPath(new URL('../../../routes', import.meta.url));
	/** What the tree of routes can be asked, with its forms' actions. */
	const asked = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' })
		.filter((file) => /\+(server|page\.server)\.ts$/.test(file))
		.flatMap((file) => {
			const text = readFileSync(join(ROUTES, file), 'utf8');
			const route = `/${file.split('/').slice(0, -1).join('/')}`;
			const [, actions] = /export const actions = \{([\s\S]*)\} satisfies Actions/.exec(text) ?? [];
			const names = [...(actions ?? '').matchAll(/^\t(\w+): async/gm)].map(([, name]) => name);
			const verbs = ['POST', 'PUT', 'PATCH', 'DELETE'].filter((verb) =>
				new RegExp(`export (async )?function ${verb}\\b`).test(text)
			);
			return [
				...verbs.map((verb) => ({ route, verb, search: '' })),
				...names.map((name) => ({ route, verb: 'POST', search: name === 'default' ? '' : `?/${name}` }))
			];
		});

	it('somebody has decided for every address that writes', () => {
		expect(asked.length).toBeGreaterThan(25);
		for (const { route, verb, search } of asked)
			if (!OPEN_ROUTES.has(route)) {
				const [, action] = /^\?\/(\w+)/.exec(search) ?? [];
				expect(ASKS[route], `${verb} ${route}`).toHaveProperty([action ? `POST ?/${action}` : verb]);
			}
		// And nothing is decided that is not there.
		const written = new Set(asked.map(({ route, verb, search }) => `${route} ${search ? `POST ${search}` : verb}`));
		for (const [route, asks] of Object.entries(ASKS))
			for (const verb of Object.keys(asks))
				if (verb !== 'GET') expect(written.has(`${route} ${verb}`), `${route} ${verb}`).toBe(true);
	});

	it('an address that nobody has decided on is closed', () => {
		expect(rightAsked('/api/new', 'POST', '')).toBe('govern');
		expect(rightAsked('/(site)/instruments/[id]', 'POST', '?/unheard')).toBe('govern');
		expect(rightAsked('/api/new', 'GET', '')).toBe('work');
		expect(mayDo('guest', rightAsked('/api/visits/[id]/bundle', 'GET', ''))).toBe(false);
	});

	it('each role may what those below it may', () => {
		const counts = ROLES.map((role) => RIGHTS.filter((right) => mayDo(role, right)).length);
		expect(counts).toEqual([4, 3, 2, 1]);
		for (const { route, verb, search } of asked)
			if (verb !== 'GET' && !['/(site)/account', '/signout'].includes(route) && !OPEN_ROUTES.has(route))
				expect(mayDo('guest', rightAsked(route, verb, search)), `${verb} ${route}`).toBe(false);
	});
});
