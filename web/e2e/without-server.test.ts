import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test';
import { launchOptions } from '../../scripts/lib/browser.mjs';
import { Gate } from './gate';
import { addInstrument, kept, listen, quicken, readLive, signIn, startVisit, strikeAndRead } from './parts';

let gate: Gate;
test.beforeEach(async ({ baseURL }) => {
	gate = await Gate.before(baseURL!);
});
test.afterEach(() => gate.close());

const saved = (page: Page) => page.getByTestId('saved');

test('a visit goes through every stage without the server: reload, browser closed and opened, curve, end', async ({
	browser,
	baseURL
}) => {
	test.setTimeout(240_000);
	const dir = mkdtempSync(join(tmpdir(), 'fendrel-device-'));
	const device = async (): Promise<BrowserContext> => {
		const context = await chromium.launchPersistentContext(dir, {
			...launchOptions(),
			baseURL: gate.address,
			viewport: { width: 1280, height: 800 }
		});
		await quicken(context);
		return context;
	};
	let context = await device();
	try {
		let page = await context.newPage();
		await signIn(page);
		await addInstrument(page, 'Cellar upright', { lowest: 'C3', highest: 'C5' });
		await startVisit(page);
		await expect(page.getByText('Equal at 440.0 Hz.')).toBeVisible();
		await expect(saved(page)).toHaveText('everything saved');
		await kept(page);

		gate.cut();
		await page.reload();
		await expect(page.getByText('Equal at 440.0 Hz.')).toBeVisible();
		await page.getByRole('button', { name: '442', exact: true }).click();
		await expect(page.getByText('Equal at 442.0 Hz.')).toBeVisible();
		const notice = page.getByRole('complementary', { name: 'Not handed over' });
		await expect(notice).toContainText('The server does not answer. Go on tuning');
		await expect(saved(page)).toHaveText(/^1 entry waiting on this device since \d\d:\d\d$/);

		await page.getByRole('link', { name: 'Shape it on the curve sheet' }).click();
		await page.getByLabel('What leads').selectOption('Twelfth-led');
		await page.getByRole('button', { name: 'Take this curve' }).click();
		await expect(page.getByLabel('Stretch').locator('option:checked')).toHaveText('Twelfth-led');

		await page.getByRole('link', { name: 'Sound', exact: true }).click();
		await page.getByRole('button', { name: 'Listen' }).click();
		await page.getByRole('button', { name: /^Strike/ }).click();
		await expect(page.getByText(/^1 of \d+ notes read/)).toBeVisible();

		await page.getByRole('link', { name: 'Set', exact: true }).click();
		await listen(page);
		await strikeAndRead(page);
		await page.keyboard.press('Shift+Enter');
		await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible();
		const { note } = await readLive(page);
		const visit = page.url().replace(/\/set$/, '');

		await context.close();
		context = await device();
		page = await context.newPage();
		// Whatever address is asked for, the device says what it holds.
		await page.goto('/instruments');
		await expect(page.getByRole('heading', { name: 'On this device' })).toBeVisible();
		await expect(page.getByText('The server does not answer, and /instruments needs it.')).toBeVisible();
		await page.getByRole('listitem').filter({ hasText: 'Cellar upright' }).getByRole('link', { name: 'Go on' }).click();
		await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible();
		expect((await readLive(page)).note).toBe(note);
		await page.getByRole('link', { name: 'Close', exact: true }).click();
		await expect(page.getByText('1 note set, 24 left out.')).toBeVisible();
		await page.getByLabel('Note for the record').fill('No signal down here.');
		await page.getByRole('button', { name: 'Finish the visit' }).click();
		await expect(page.getByText(/Finished on .* of it wait on this device/)).toBeVisible();
		await page.reload();
		await expect(page.getByText('No signal down here.')).toBeVisible();

		gate.state = 'open';
		await expect(saved(page)).toHaveText('everything saved', { timeout: 30_000 });
		const elsewhere = await (await browser.newContext({ baseURL })).newPage();
		await signIn(elsewhere);
		await elsewhere.goto(`${new URL(visit).pathname}/close`);
		await expect(elsewhere.getByText('1 note set, 24 left out.')).toBeVisible();
		await expect(elsewhere.getByText('No signal down here.')).toBeVisible();
		await expect(elsewhere.getByText(/A4 = 442\.0/).first()).toBeVisible();
		await elsewhere.context().close();
	} finally {
		await context.close();
		rmSync(dir, { recursive: true, force: true });
	}
});

test('a visit begins without the server, on an instrument that two devices hold: one visit, and both are in it', async ({
	browser
}) => {
	test.setTimeout(180_000);
	const devices = await Promise.all(
		[0, 1].map(async () => {
			const way = await Gate.before(gate.address);
			const page = await (await browser.newContext({ baseURL: way.address })).newPage();
			await signIn(page);
			return { way, page };
		})
	);
	const [one, two] = devices;
	await addInstrument(one.page, 'Tower harpsichord', { lowest: 'C3', highest: 'C5' });
	const { pathname } = new URL(one.page.url());
	await two.page.goto(pathname);
	await expect(two.page.getByRole('heading', { name: 'Tower harpsichord' })).toBeVisible();
	for (const { page, way } of devices) {
		await page.goto('/device');
		const line = page.getByRole('listitem').filter({ hasText: 'Tower harpsichord' });
		await expect(line).toBeVisible();
		await kept(page);
		way.cut();
		await page.reload();
		await startVisit(page, line);
		await expect(page.getByText('Equal at 440.0 Hz.')).toBeVisible({ timeout: 30_000 });
		await page.getByRole('button', { name: 'Take this plan and set' }).click();
		await expect(page.getByRole('button', { name: 'Listen' })).toBeVisible();
	}
	await one.page.keyboard.press('Shift+Enter');
	await two.page.getByRole('button', { name: 'Next' }).click();
	await two.page.keyboard.press('Shift+Enter');
	const addresses = devices.map(({ page }) => new URL(page.url()).pathname);
	expect(addresses[0]).not.toBe(addresses[1]);
	one.way.state = 'open';
	await expect(saved(one.page)).toHaveText('everything saved', { timeout: 30_000 });
	two.way.state = 'open';
	// The second goes on in the first one's visit.
	await expect.poll(() => new URL(two.page.url()).pathname, { timeout: 30_000 }).toBe(addresses[0]);
	for (const { page } of devices) {
		await page.getByRole('link', { name: 'Close', exact: true }).click();
		await expect(page.getByText('2 notes set, 23 left out.')).toBeVisible({ timeout: 20_000 });
	}
	for (const { page, way } of devices) {
		await page.context().close();
		await way.close();
	}
});

test('a server that hangs is given up after ten seconds, said, and asked again', async ({ browser }) => {
	test.setTimeout(180_000);
	const page = await (await browser.newContext({ baseURL: gate.address })).newPage();
	await signIn(page);
	await addInstrument(page, 'Frozen upright', { lowest: 'C3', highest: 'C5' });
	await startVisit(page);
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(saved(page)).toHaveText('everything saved');
	await kept(page);
	gate.state = 'frozen';
	await page.keyboard.press('Shift+Enter');
	const notice = page.getByRole('complementary', { name: 'Not handed over' });
	await expect(notice).toContainText('The server is slow to answer.');
	await expect(notice).toContainText('The server does not answer. Go on tuning', { timeout: 30_000 });
	// A reload does not wait for it either.
	await page.reload();
	await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible({ timeout: 30_000 });
	gate.state = 'open';
	await expect(saved(page)).toHaveText('everything saved', { timeout: 60_000 });
	await expect(notice).toHaveCount(0, { timeout: 30_000 });
	await page.context().close();
});

test('a session that ended meanwhile: said, and what waits is sent when its owner signs in again', async ({
	browser
}) => {
	const context = await browser.newContext({ baseURL: gate.address });
	const page = await context.newPage();
	await signIn(page);
	await addInstrument(page, 'Signed out upright', { lowest: 'C3', highest: 'C5' });
	await startVisit(page);
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(saved(page)).toHaveText('everything saved');
	await kept(page);
	gate.cut();
	await page.keyboard.press('Shift+Enter');
	await expect(saved(page)).toHaveText(/^1 entry waiting/);
	await context.clearCookies();
	gate.state = 'open';
	const notice = page.getByRole('complementary', { name: 'Not handed over' });
	await expect(notice).toContainText('You are signed out. Sign in again', { timeout: 30_000 });
	await page.goto('/instruments');
	await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
	await expect(notice).toContainText('1 entry waits on this device');
	await page.getByRole('button', { name: /^Look around as/ }).click();
	await expect(page.getByRole('heading', { name: /instruments in your care/ })).toBeVisible();
	await expect(notice).toHaveCount(0, { timeout: 30_000 });
	await page.goto('/visits');
	await expect(page.getByRole('paragraph').filter({ hasText: 'Signed out upright' })).toContainText('1 note set');
	// Signing out leaves nothing of the workshop's on the device.
	await page.getByRole('button', { name: 'Sign out' }).click();
	await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
	gate.cut();
	await page.goto('/device');
	await expect(page.getByText('Nothing yet.')).toBeVisible();
	await context.close();
});
