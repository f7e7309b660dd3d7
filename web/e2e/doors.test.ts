import { expect, test } from '@playwright/test';
import { addInstrument, signIn } from './parts';

test('a form sent after the session ended is kept, and goes out after sign-in', async ({ page, context }) => {
	await signIn(page);
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill('Signalman’s upright');
	await page.getByLabel('Notes').fill('Two flights of stairs.');
	await context.clearCookies({ name: 'fendrel_session' });
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('What you sent is kept in this window.')).toBeVisible();
	await page.getByRole('button', { name: /^Look around as/ }).click();
	await expect(page.getByRole('heading', { name: 'Signalman’s upright', exact: true })).toBeVisible();
	await expect(page.getByText('Two flights of stairs.')).toBeVisible();
});

test('a place that is written like another is asked about, and takes nothing over', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Ropemaker’s upright');
	const stands = (place: string) => page.getByRole('definition').filter({ hasText: place });
	const put = async (name: string, place: string, town: string) => {
		await page.goto('/instruments/new');
		await page.getByLabel('Name').fill(name);
		await page.getByLabel('Place', { exact: true }).fill(place);
		await page.getByLabel('Town').fill(town);
		await page.getByRole('button', { name: 'Add it' }).click();
	};
	await put('First of the reading room', 'Réading room', 'Eelmarsh');
	await expect(stands('Réading room, Eelmarsh')).toBeVisible();
	await put('Second of the reading room', 'Reading Room', 'Tern Ferry');
	await expect(page.getByText('There is a place that is written like this. Say which is meant.')).toBeVisible();
	await page.getByLabel('Réading room, Eelmarsh', { exact: true }).check();
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(stands('Réading room, Eelmarsh')).toBeVisible();
	await put('Third of the reading room', 'Reading Room', 'Tern Ferry');
	await page.getByRole('radio', { name: /Another place/ }).check();
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(stands('Reading Room, Tern Ferry')).toBeVisible();
	await page.goto('/instruments');
	await page.getByRole('link', { name: 'First of the reading room' }).first().click();
	await expect(stands('Réading room, Eelmarsh')).toBeVisible();
});

test('what every answer carries, and what other sites and other addresses get', async ({ page, context, baseURL }) => {
	await signIn(page);
	const { request } = page;
	const answer = await request.get('/instruments');
	expect(answer.headers()).toMatchObject({ 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' });
	const file = /href="(\/_app\/immutable\/[^"]+)"/.exec(await answer.text())![1];
	for (const path of [file, '/mark.svg', '/health', '/nothing-here', '/api/me'])
		expect((await request.get(path)).headers()['x-content-type-options'], path).toBe('nosniff');

	// The machine's other names lead to the one address: a browser keeps things by it.
	const other = baseURL!.replace('localhost', '127.0.0.1');
	const led = await request.get(`${other}/temperaments?x=1`, { maxRedirects: 0 });
	expect([led.status(), led.headers().location]).toEqual([307, `${baseURL}/temperaments?x=1`]);
	const posted = await request.post(`${other}/signout`);
	expect([posted.status(), await posted.text()]).toEqual([421, `Fendrel answers at ${baseURL}.\n`]);

	// Nobody else's page signs anybody out, nor does a link.
	for (const [name, value] of [
		['origin', 'https://elsewhere.example'],
		['origin', 'null'],
		['sec-fetch-site', 'same-site'],
		['sec-fetch-site', 'cross-site']
	])
		expect((await request.post('/signout', { headers: { [name]: value }, maxRedirects: 0 })).status()).toBe(403);
	expect((await request.get('/signout')).status()).toBe(405);
	expect((await request.get('/api/me')).status()).toBe(200);

	// A new sign-in leaves no old session behind.
	const session = async () => (await context.cookies()).find(({ name }) => name === 'fendrel_session')!;
	const old = await session();
	const form = { email: 'demo@saltmarsh.example', password: 'saltmarsh' };
	await request.post('/signin', { form, headers: { origin: baseURL! }, maxRedirects: 0 });
	expect((await session()).value).not.toBe(old.value);
	await context.clearCookies();
	await context.addCookies([old]);
	expect((await request.get('/api/me')).status()).toBe(401);
});
