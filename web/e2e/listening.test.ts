import { expect, test } from '@playwright/test';
import { addInstrument, readLive, signIn, startSetting, strikeAndLook } from './parts';

test('how a strike is read: listening partial and moment by register, kept for the workshop', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Read otherwise');
	await startSetting(page);
	await expect(page.getByText('read here, partial 2')).toBeVisible();
	await page.getByRole('button', { name: 'How a strike is read' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByLabel('Middle: listens to').selectOption('partial 1');
	await dialog.getByLabel('Middle: read after, seconds').fill('5');
	await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(dialog.getByRole('alert')).toContainText('Middle: enter a time from 0.15 to 2 seconds.');
	await dialog.getByLabel('Middle: read after, seconds').fill('0,3');
	await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(dialog).toHaveCount(0);
	await expect(page.getByText('read here, partial 1')).toBeVisible();
	// What the server knew before is still on its way when it is chosen otherwise.
	let handOut = () => {};
	const kept = new Promise<void>((resolve) => (handOut = resolve));
	let asked = 0;
	await page.route('**/bundle', async (route) => {
		const answer = await route.fetch();
		if (++asked === 1) await kept;
		await route.fulfill({ response: answer });
	});
	await page.reload();
	await expect(page.getByText('read here, partial 1')).toBeVisible();

	// Back as it was: other journeys share the workshop.
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
	await page.getByRole('button', { name: 'How a strike is read' }).click();
	await dialog.getByRole('button', { name: 'As usual' }).click();
	await expect.poll(() => asked).toBe(1);
	await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText('read here, partial 2')).toBeVisible();
	handOut();
	await expect.poll(() => asked).toBe(2);
	await expect(page.getByText('read here, partial 2')).toBeVisible();
});

test('how a workshop listens is refused when it makes no sense, and to whoever is not signed in', async ({ page }) => {
	await page.goto('/signin');
	const put = (data: unknown) => page.request.put('/api/listening', { data });
	expect((await put(null)).status()).toBe(401);
	await signIn(page);
	for (const wrong of [{}, [], 'partial 2', [{ to: 39, partial: 6, moment: 0.8 }]]) {
		const answer = await put(wrong);
		expect(answer.status()).toBe(400);
	}
	expect((await put(null)).status()).toBe(200);
});

test('the partials of a strike, each to be heard by itself, all by keys', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Heard apart');
	await startSetting(page);
	await page.keyboard.press('l');
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	await strikeAndLook(page);
	expect((await readLive(page)).cents).toBeDefined();
	await page.keyboard.press('ArrowRight');
	const panel = page.getByRole('region', { name: 'Partials of the last strike' });
	await expect(panel).toContainText('Partials of A4');
	await expect(panel).toContainText('Partial 3, heard at E6');
	await expect(panel).toContainText(/\d\.\d cents sharp of 3 times the pitch/);
	await page.keyboard.press('h');
	await expect(panel.getByRole('button', { name: 'Stop' })).toBeVisible();
	await page.keyboard.press('h');
	await expect(panel.getByRole('button', { name: 'Hear it' })).toBeVisible();
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		panel.getByRole('button', { name: 'Keep as WAV' }).click()
	]);
	expect(file.suggestedFilename()).toBe('strike-A4.wav');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.press('ArrowLeft');
	await expect(panel).toContainText('Partial 1, heard at A4');
	await expect(panel).toContainText('the pitch itself');
	await page.keyboard.press('v');
	await expect(page.getByRole('button', { name: 'By ear' })).toHaveAttribute('aria-pressed', 'true');
});
