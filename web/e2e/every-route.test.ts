import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type APIRequestContext } from '@playwright/test';
import { createRandom } from '@fendrel/core';
import { createConnection } from 'mariadb';
import { mayDo, ROLES, type Role } from '../src/lib/workshop/roles';
import { OPEN_ROUTES, rightAsked } from '../src/lib/server/auth/asks';
import { addInstrument, signIn, startVisit } from './parts';

/*
 * Every address that the server answers, found in the tree of routes so that a new one cannot be forgotten, asked by strangers, by
 * another workshop, and with nonsense. `npm run soak` sends thousands of that; the tests some hundreds.
 */
const MALFORMED = Number(process.env.FENDREL_SOAK_MINUTES ? 5000 : 300);
const FILES = Number(process.env.FENDREL_SOAK_MINUTES ? 3000 : 60);

const ROUTES = fileURLToPath(new URL('../src/routes', import.meta.url));
/** For people who are not signed in, and what only leads elsewhere. */
const OPEN = new Set<string | null>([...OPEN_ROUTES, '/', '/signout']);
const VERBS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;

interface Route {
	/** "/(site)/instruments/[id]/edit" */
	readonly route: string;
	/** "/instruments/[id]/edit" */
	readonly path: string;
	readonly verbs: readonly (typeof VERBS)[number][];
	/** A page's forms, as its address has them: "", or "?/delete". */
	readonly actions: readonly string[];
	readonly isApi: boolean;
}

function routes(): readonly Route[] {
	const found = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' }).filter((file) =>
		/\+(server|page\.server)\.ts$/.test(file)
	);
	return found.map((file) => {
		const text = readFileSync(join(ROUTES, file), 'utf8');
		const parts = file.split('/').slice(0, -1);
		const path = `/${parts.filter((part) => !part.startsWith('(')).join('/')}`.replaceAll(/\[(\w+)=\w+\]/g, '[$1]');
		const isPage = file.endsWith('+page.server.ts');
		const [, forms = ''] = /export const actions = \{([\s\S]*)\} satisfies Actions/.exec(text) ?? [];
		const actions = [...forms.matchAll(/^\t(\w+): async/gm)].map(([, name]) => (name === 'default' ? '' : `?/${name}`));
		const verbs = isPage
			? (['GET', ...(actions.length ? (['POST'] as const) : [])] as const)
			: VERBS.filter((verb) => new RegExp(`export (async )?(function|const) ${verb}\\b`).test(text));
		return { route: `/${parts.join('/')}`, path, verbs, actions, isApi: path.startsWith('/api/') };
	});
}

/** What an address can be asked: each verb, and each form of a page. */
const askedOf = ({ verbs, actions }: Pick<Route, 'verbs' | 'actions'>) =>
	verbs.flatMap((verb) =>
		verb === 'POST' && actions.length ? actions.map((search) => ({ verb, search })) : [{ verb, search: '' }]
	);

/** A session of somebody with a role, made in the database: of another workshop, or of the demo's. */
async function sessionAs(role: Role, where: 'elsewhere' | 'here'): Promise<string> {
	const db = await createConnection(process.env.FENDREL_E2E_DATABASE_URL!);
	const user = randomUUID();
	const token = randomBytes(32).toString('base64url');
	const name = `Stranger ${user}`;
	let workshop: string = randomUUID();
	if (where === 'here')
		[{ workshop }] = (await db.query('SELECT id AS workshop FROM workshops WHERE demo = 1')) as [{ workshop: string }];
	else await db.query('INSERT INTO workshops (id, name, demo, created_at) VALUES (?, ?, 0, NOW(3))', [workshop, name]);
	await db.query(
		'INSERT INTO users (id, workshop_id, email, name, role, password_hash, created_at) VALUES (?, ?, ?, ?, ?, ?, NOW(3))',
		[user, workshop, `${user}@example.test`, name, role, 'nobody can sign in with this']
	);
	await db.query(
		'INSERT INTO sessions (token_hash, user_id, created_at, expires_at) VALUES (?, ?, NOW(3), NOW(3) + INTERVAL 1 DAY)',
		[createHash('sha256').update(token).digest('hex'), user]
	);
	await db.end();
	return `fendrel_session=${token}`;
}

const ask = (request: APIRequestContext, verb: string, path: string, body?: string | Buffer, headers = {}) =>
	request.fetch(path, {
		// All of a workshop's data is megabytes: a busy machine takes its time over them.
		timeout: 120_000,
		method: verb,
		maxRedirects: 0,
		...(body !== undefined && { data: body }),
		headers: { 'Content-Type': 'application/json', ...headers }
	});

test('no address is open to strangers or to another workshop, and nonsense is refused in sentences', async ({
	page,
	playwright,
	baseURL
}) => {
	test.setTimeout(300_000 + MALFORMED * 200);
	await signIn(page);
	await addInstrument(page, 'Guarded upright');
	const instrument = new URL(page.url()).pathname.split('/').at(-1)!;
	await startVisit(page);
	await expect(page.getByTestId('saved')).toHaveText('everything saved');
	const [, visit] = /\/visits\/([^/]+)\//.exec(page.url())!;
	const own = { temperament: '', attachment: randomUUID(), ensemble: randomUUID() };
	const held = { place: randomUUID(), contact: randomUUID(), booking: randomUUID() };
	const blank = { address: '', entry: '', latitude: null, longitude: null, fromHome: null, version: 0 };
	const put = (path: string, data: object) => page.request.put(path, { data });
	await put(`/api/places/${held.place}`, { name: 'Guarded upright house', town: '', ...blank });
	await put(`/api/contacts/${held.contact}`, {
		...{ name: 'Guarded upright owner', role: '', phone: '', email: '', note: '', locationId: null, version: 0 }
	});
	const { userId } = (await (await page.request.get('/api/me')).json()) as { userId: string };
	const booked = await page.request.post('/api/bookings', {
		data: {
			bookings: [
				{
					...{ id: held.booking, userId, locationId: held.place, instruments: [], promised: '' },
					...{ startsAt: '2031-01-01T09:00:00.000Z', minutes: 60, purpose: 'Guarded upright' }
				}
			]
		}
	});
	expect(booked.status()).toBe(200);
	const made = await page.request.post('/api/temperaments', {
		data: {
			draft: { name: 'Guarded temperament', tuning: { by: 'cents', offsets: Array(12).fill(0) } },
			confirmed: true
		}
	});
	own.temperament = ((await made.json()) as { slugs: string[] }).slugs[0];
	const { temperaments } = (await (await page.request.get(`/api/instruments/${instrument}/book`)).json()) as {
		temperaments: { id: string }[];
	};
	const member = { id: randomUUID(), name: 'Guarded', instrumentId: instrument, temperamentId: temperaments[0].id };
	const together = await page.request.put(`/api/ensembles/${own.ensemble}`, {
		data: {
			...{ name: 'Guarded ensemble', version: 0 },
			members: [{ ...member, root: 0, a4: 440, moves: 'nothing', lowest: 21, highest: 108 }]
		}
	});
	expect(together.status()).toBe(200);
	const filled = (path: string) =>
		path
			.replace(/\/ensembles\/\[id\]/, `/ensembles/${own.ensemble}`)
			.replace('/places/[id]', `/places/${held.place}`)
			.replace('/contacts/[id]', `/contacts/${held.contact}`)
			.replace('/bookings/[id]', `/bookings/${held.booking}`)
			.replace('[address]', 'nobody-has-this')
			.replace('/import/[id]', `/import/${randomUUID()}`)
			.replace(/^(\/api)?\/visits\/\[id\]/, (start) => start.replace('[id]', visit))
			.replace(/^(\/api)?\/instruments\/\[id\]/, (start) => start.replace('[id]', instrument))
			.replace('[slug]', own.temperament)
			.replace('[attachment]', own.attachment)
			.replace('[token]', 'nobody-has-this')
			.replace('[drill]', 'sizes')
			.replace('[file]', 'report.pdf');
	const all = routes();
	expect(all.length).toBeGreaterThan(30);
	const kept = async () => [
		await (await page.request.get(`/api/visits/${visit}/changes?since=0`)).text(),
		await (await page.request.get(`/api/instruments/${instrument}/book`)).text()
	];
	// The page hands over where the visit stands: what comes after is none of its own.
	await expect.poll(async () => (await kept())[0]).toContain('"stage":"plan"');
	const before = await kept();

	const anonymous = await playwright.request.newContext({ baseURL });
	for (const { path, isApi, ...route } of all)
		for (const { verb, search } of askedOf(route)) {
			if (OPEN.has(path)) continue;
			const answer = await ask(anonymous, verb, filled(path) + search, verb === 'GET' ? undefined : '{}');
			const said = `${verb} ${path}${search} by nobody: ${answer.status()}`;
			if (isApi) expect(answer.status(), said).toBe(401);
			else if (answer.status() === 200)
				// What a page's form is answered with: where to go, as text.
				expect(JSON.parse(await answer.text()), said).toMatchObject({
					...{ type: 'redirect', location: expect.stringMatching(/^\/signin\?next=/) }
				});
			else {
				expect(answer.status(), said).toBe(303);
				expect(answer.headers().location, said).toMatch(/^\/signin\?next=/);
			}
		}

	const cookie = await sessionAs('owner', 'elsewhere');
	const other = await playwright.request.newContext({ baseURL, extraHTTPHeaders: { cookie } });
	expect((await ask(other, 'GET', '/api/me')).status()).toBe(200);
	for (const { path, ...route } of all) {
		// What belongs to somebody: a temperament of the library belongs to all.
		if (!/\[(id|attachment)\]/.test(path) && !path.includes('[slug]')) continue;
		for (const { verb, search } of askedOf(route)) {
			const answer = await ask(other, verb, filled(path) + search, verb === 'GET' ? undefined : '{}');
			const said = `${verb} ${path}${search} by another workshop: ${answer.status()}`;
			expect([400, 404, 405, 409, 410, 413, 415, 422], said).toContain(answer.status());
			if (verb === 'GET') expect(answer.status(), said).not.toBe(405);
			expect(await answer.text(), said).not.toContain('Guarded upright');
		}
	}
	const listed = await (await other.get('/instruments')).text();
	expect(listed).not.toContain('Guarded upright');

	for (const role of ROLES) {
		const one = await playwright.request.newContext({
			...{ baseURL, extraHTTPHeaders: { cookie: await sessionAs(role, 'here') } }
		});
		for (const { route, path, ...rest } of all)
			for (const { verb, search } of askedOf(rest)) {
				if (OPEN.has(path)) continue;
				const may = mayDo(role, rightAsked(route, verb, search));
				// What is allowed and needs no more than its address would be done.
				if (may && verb === 'DELETE') continue;
				const answer = await ask(one, verb, filled(path) + search, verb === 'GET' ? undefined : '{}');
				const said = `${verb} ${path}${search} by ${role}: ${answer.status()}`;
				if (may) expect(answer.status(), said).not.toBe(403);
				else expect(answer.status(), said).toBe(403);
				expect(answer.status(), said).toBeLessThan(500);
				// This guest was given no place.
				if (role === 'guest') expect(await answer.text(), said).not.toContain('Guarded upright');
			}
		await one.dispose();
	}

	const random = createRandom(Number(process.env.FENDREL_SOAK_SEED ?? 1));
	const writing = all.flatMap(({ path, ...route }) =>
		askedOf(route)
			.filter(({ verb }) => verb !== 'GET')
			.map(({ verb, search }) => ({ verb, path: filled(path) + search }))
	);
	// Leaving is no nonsense.
	const targets = writing.filter(({ path }) => path !== '/signout');
	for (let i = 0; i < MALFORMED; i++) {
		const { verb, path } = targets[Math.floor(targets.length * random.uniform())];
		const body = nonsense(random);
		const type = [
			'application/json',
			'text/plain',
			'application/x-www-form-urlencoded',
			'multipart/form-data; boundary=x'
		];
		const headers = { origin: baseURL!, 'Content-Type': type[Math.floor(type.length * random.uniform())] };
		const answer = await ask(page.request, verb, path, body, headers);
		expect(
			answer.status(),
			`${verb} ${path} ${headers['Content-Type']} ${body.toString('latin1').slice(0, 200)}`
		).toBeLessThan(500);
		if (!answer.ok()) expect(await answer.text()).not.toMatch(/\bat .*\.js:\d+|SELECT |INSERT /);
	}

	// Files that are none: what a visit keeps is what it says it is, or nothing.
	for (let i = 0; i < FILES; i++) {
		const id = randomUUID();
		const answer = await page.request.put(`/api/visits/${visit}/attachments/${id}`, {
			data: brokenFile(random),
			headers: { origin: baseURL!, 'Content-Type': 'application/octet-stream' }
		});
		expect(answer.status()).toBeLessThan(500);
		const back = await page.request.get(`/api/visits/${visit}/attachments/${id}`);
		expect(back.status()).toBe(answer.ok() ? 200 : 404);
		if (back.ok()) expect(back.headers()['content-type']).toMatch(/^(image\/(jpeg|png|webp)|audio\/)/);
	}
	const after = await kept();
	expect(after[0]).toBe(before[0]);
});

/** What begins like a photo or a sound and is none, or is something else altogether. */
function brokenFile(random: ReturnType<typeof createRandom>): Buffer {
	const pick = <T>(of: readonly T[]) => of[Math.floor(of.length * random.uniform())];
	const noise = Buffer.from(
		Array.from({ length: Math.floor(2000 * random.uniform()) }, () => Math.floor(256 * random.uniform()))
	);
	const starts = [
		Buffer.from([0xff, 0xd8, 0xff, 0xe0]),
		Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff]),
		Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
		Buffer.from('RIFF\x10\x00\x00\x00WEBP'),
		Buffer.from('RIFF\x10\x00\x00\x00WAVEfmt '),
		Buffer.from('OggS'),
		Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>fetch("/api/me")</script></svg>'),
		Buffer.from('<!doctype html><script>1</script>'),
		Buffer.from('%PDF-1.7'),
		Buffer.from('=HYPERLINK("x"),"\n"'),
		Buffer.alloc(0)
	];
	return Buffer.concat([pick(starts), noise]);
}

/** Bytes that nobody means: broken JSON, deep or huge values, other types, and what is no text at all. */
function nonsense(random: ReturnType<typeof createRandom>): Buffer {
	const pick = <T>(of: readonly T[]) => of[Math.floor(of.length * random.uniform())];
	const value = (depth: number): unknown =>
		depth > 3
			? pick([null, 0, -1, 1e308, '', 'x'.repeat(5000), "'; DROP TABLE visits; --", '<script>', true, '\u0000', '💥'])
			: pick([
					() => value(9),
					() => Array.from({ length: Math.floor(4 * random.uniform()) }, () => value(depth + 1)),
					() =>
						Object.fromEntries(
							[
								'id',
								'items',
								'device',
								'now',
								'name',
								'text',
								'visitId',
								'kind',
								'tuning',
								'counts',
								'__proto__',
								'settings'
							]
								.filter(() => random.uniform() < 0.4)
								.map((key) => [key, value(depth + 1)])
						)
				])();
	const text = JSON.stringify(value(0)) ?? 'null';
	const how = random.uniform();
	if (how < 0.6) return Buffer.from(text);
	if (how < 0.75) return Buffer.from(text.slice(0, Math.floor(text.length * random.uniform())));
	if (how < 0.9) return Buffer.from('['.repeat(2000) + text);
	return Buffer.from(Array.from({ length: 300 }, () => Math.floor(256 * random.uniform())));
}
