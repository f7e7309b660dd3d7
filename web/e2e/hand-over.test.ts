import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { addInstrument, listen, signIn, startSetting, strikeAndRead } from './parts';

test('what the server refuses is set aside, mentioned on every page, read, saved, sent again', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Refused upright', { lowest: 'C3', highest: 'C5' });
	await startSetting(page);
	await listen(page);
	// On its way the reading is spoilt: a pitch that no string has.
	await page.route('**/api/record', async (route) => {
		const batch = route.request().postDataJSON() as { items: { kind: string; reading?: { pitch: number } }[] };
		for (const { reading } of batch.items) if (reading) reading.pitch = 1e-320;
		await route.continue({ postData: JSON.stringify(batch) });
	});
	await strikeAndRead(page);
	await page.keyboard.press('Shift+Enter');
	const notice = page.getByRole('complementary', { name: 'Not handed over' });
	await expect(notice).toContainText('The server refused 1 entry; nothing else is held up.');
	// What came after it has arrived.
	await expect(page.getByTestId('saved')).toHaveText('everything saved');
	for (const elsewhere of ['/instruments', '/temperaments', '/visits']) {
		await page.goto(elsewhere);
		await expect(notice).toContainText('The server refused 1 entry');
	}
	await notice.getByRole('button', { name: 'Look at it' }).click();
	const dialog = page.getByRole('dialog', { name: 'What the server refused' });
	await expect(dialog).toContainText(/Reading of A4 middle, 4\d\d\.\d\d Hz/);
	await expect(dialog).toContainText('It cannot be right: its pitch is out of range.');
	const saving = page.waitForEvent('download');
	await dialog.getByRole('button', { name: 'Save to a file' }).click();
	const file = JSON.parse(readFileSync(await (await saving).path(), 'utf8'));
	expect(file).toMatchObject({ format: 'fendrel-refused', refused: [{ item: { kind: 'reading' } }] });
	await page.unroute('**/api/record');
	await dialog.getByRole('button', { name: 'Send again' }).click();
	await expect(dialog).toContainText('Nothing is waiting here.');
	await dialog.getByRole('button', { name: 'Close' }).click();
	await expect(notice).toHaveCount(0);
});

test('readings of a visit that was finished on another device arrive, and are mentioned until then', async ({
	page,
	browser
}) => {
	await signIn(page);
	await addInstrument(page, 'Finished elsewhere', { lowest: 'C3', highest: 'C5' });
	const instrument = page.url();
	await startSetting(page);
	const close = page.url().replace('/set', '/close');
	await listen(page);
	await page.route('**/api/record', (route) => route.abort());
	await strikeAndRead(page);
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByTestId('saved')).toHaveText(/^2 entries waiting on this device/);

	const elsewhere = await (await browser.newContext({ baseURL: new URL(instrument).origin })).newPage();
	await signIn(elsewhere);
	await elsewhere.goto(close);
	await elsewhere.getByLabel('Note for the record').fill('Finished on the other device.');
	await elsewhere.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(elsewhere.getByText(/Finished on the other device/)).toBeVisible();

	await page.goto('/temperaments');
	const notice = page.getByRole('complementary', { name: 'Not handed over' });
	await expect(notice).toContainText(/2 entries wait on this device, since \d\d:\d\d\. The server does not/);
	await page.unroute('**/api/record');
	await expect(notice).toHaveCount(0, { timeout: 30_000 });
	await page.goto(instrument);
	await expect(page.getByText(/Left at A4 = 4\d\d\.\d Hz/)).toBeVisible();
	await page.goto(close);
	await expect(page.getByText('1 note set, 24 left out.')).toBeVisible();
});

test('a device that keeps nothing says so at once, and what is measured arrives all the same', async ({ page }) => {
	await page.addInitScript(() => {
		IDBObjectStore.prototype.add = () => {
			throw new DOMException('full', 'QuotaExceededError');
		};
	});
	await signIn(page);
	await addInstrument(page, 'Full device', { lowest: 'C3', highest: 'C5' });
	await startSetting(page);
	await page.route('**/api/record', (route) => route.abort());
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByTestId('saved')).toHaveText(/^1 entry waiting on this device/);
	await page.unroute('**/api/record');
	await expect(page.getByTestId('saved')).toHaveText('everything saved', { timeout: 30_000 });
	await page.reload();
	await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible();
});
