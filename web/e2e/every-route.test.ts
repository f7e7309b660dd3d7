import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test, type APIRequestContext } from '@playwright/test';
import { createRandom } from '@fendrel/core';
import { createConnection } from 'mariadb';
import { addInstrument, signIn, startVisit } from './parts';

/*
 * Every address that the server answers, found in the tree of routes so that a new one cannot be forgotten, asked by strangers, by
 * another workshop, and with nonsense. `npm run soak` sends thousands of that; the tests some hundreds.
 */
const MALFORMED = Number(process.env.FENDREL_SOAK_MINUTES ? 5000 : 300);

const ROUTES = fileURLToPath(new URL('../src/routes', import.meta.url));
/** For people who are not signed in. */
const OPEN = new Set(['/signin', '/welcome', '/health', '/', '/signout']);
const VERBS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;

interface Route {
	/** "/instruments/[id]/edit" */
	readonly path: string;
	readonly verbs: readonly (typeof VERBS)[number][];
	readonly isApi: boolean;
}

function routes(): readonly Route[] {
	const found = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' }).filter((file) =>
		/\+(server|page\.server)\.ts$/.test(file)
	);
	return found.map((file) => {
		const text = readFileSync(join(ROUTES, file), 'utf8');
		const path = `/${file
			.split('/')
			.slice(0, -1)
			.filter((part) => !part.startsWith('('))
			.join('/')}`.replaceAll(/\[(\w+)=\w+\]/g, '[$1]');
		const isPage = file.endsWith('+page.server.ts');
		const verbs = isPage
			? (['GET', ...(/export const actions/.test(text) ? (['POST'] as const) : [])] as const)
			: VERBS.filter((verb) => new RegExp(`export (async )?(function|const) ${verb}\\b`).test(text));
		return { path, verbs, isApi: path.startsWith('/api/') };
	});
}

/** A session of another workshop, made in the database. */
async function stranger(): Promise<string> {
	const db = await createConnection(process.env.FENDREL_E2E_DATABASE_URL!);
	const [workshop, user] = [randomUUID(), randomUUID()];
	const token = randomBytes(32).toString('base64url');
	const name = `Stranger ${workshop}`;
	await db.query('INSERT INTO workshops (id, name, demo, created_at) VALUES (?, ?, 0, NOW(3))', [workshop, name]);
	await db.query(
		'INSERT INTO users (id, workshop_id, email, name, password_hash, created_at) VALUES (?, ?, ?, ?, ?, NOW(3))',
		[user, workshop, `${user}@example.test`, name, 'nobody can sign in with this']
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
	const own = { temperament: '', attachment: randomUUID() };
	const made = await page.request.post('/api/temperaments', {
		data: {
			draft: { name: 'Guarded temperament', tuning: { by: 'cents', offsets: Array(12).fill(0) } },
			confirmed: true
		}
	});
	own.temperament = ((await made.json()) as { slugs: string[] }).slugs[0];
	const filled = (path: string) =>
		path
			.replace(/^(\/api)?\/visits\/\[id\]/, (start) => start.replace('[id]', visit))
			.replace(/^(\/api)?\/instruments\/\[id\]/, (start) => start.replace('[id]', instrument))
			.replace('[slug]', own.temperament)
			.replace('[attachment]', own.attachment)
			.replace('[file]', 'report.pdf');
	const all = routes();
	expect(all.length).toBeGreaterThan(30);
	const kept = async () => [
		await (await page.request.get(`/api/visits/${visit}/changes?since=0`)).text(),
		await (await page.request.get(`/api/instruments/${instrument}/book`)).text()
	];
	const before = await kept();

	const anonymous = await playwright.request.newContext({ baseURL });
	for (const { path, verbs, isApi } of all)
		for (const verb of verbs) {
			if (OPEN.has(path)) continue;
			const answer = await ask(anonymous, verb, filled(path), verb === 'GET' ? undefined : '{}');
			const said = `${verb} ${path} by nobody: ${answer.status()}`;
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

	const cookie = await stranger();
	const other = await playwright.request.newContext({ baseURL, extraHTTPHeaders: { cookie } });
	expect((await ask(other, 'GET', '/api/me')).status()).toBe(200);
	for (const { path, verbs } of all) {
		// What belongs to somebody: a temperament of the library belongs to all.
		if (!/\[(id|attachment)\]/.test(path) && !path.includes('[slug]')) continue;
		for (const verb of verbs) {
			const answer = await ask(other, verb, filled(path), verb === 'GET' ? undefined : '{}');
			const said = `${verb} ${path} by another workshop: ${answer.status()}`;
			expect([400, 404, 405, 409, 410, 413, 415, 422], said).toContain(answer.status());
			if (verb === 'GET') expect(answer.status(), said).not.toBe(405);
			expect(await answer.text(), said).not.toContain('Guarded upright');
		}
	}
	const listed = await (await other.get('/instruments')).text();
	expect(listed).not.toContain('Guarded upright');

	const random = createRandom(Number(process.env.FENDREL_SOAK_SEED ?? 1));
	const writing = all.flatMap(({ path, verbs }) =>
		verbs.filter((verb) => verb !== 'GET').map((verb) => ({ verb, path: filled(path) }))
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
	const after = await kept();
	expect(after[0]).toBe(before[0]);
});

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
