import { expect, test } from '@playwright/test';
import { addInstrument, readLive, signIn } from './parts';

test('a stretch chosen in Plan holds after a reload, in Set and in Intervals', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Stretched upright');
	const id = page.url().split('/').at(-1);
	await page.getByRole('button', { name: 'Start a visit' }).click();
	const top = page.getByRole('row', { name: /^C8 / });
	await expect(top).toContainText('4186.01');
	const stretch = page.getByLabel('Stretch');
	await expect(stretch).toBeEnabled();
	await stretch.selectOption('Balanced');
	await expect(page.getByText(/A0 −\d+\.\d, C8 \+\d+\.\d cents\. Most has to give way/)).toBeVisible();
	const hertz = async () => Number((await top.innerText()).split(/\s+/)[1]);
	await expect.poll(hertz).toBeGreaterThan(4220);
	const wide = await hertz();
	await expect
		.poll(async () => {
			await page.reload();
			return hertz();
		})
		.toBe(wide);
	await expect(page.getByLabel('Stretch')).toHaveValue('balanced');
	// A4 itself stays where the fork has it.
	await expect(page.getByRole('row', { name: /^A4 440\.00 0\.00/ })).toBeVisible();
	await page.getByRole('link', { name: 'Take this plan and set' }).click();
	expect((await readLive(page)).note).toBe('A4');

	// The same instrument in Intervals: with the curve its octaves come out wider than without.
	await page.goto(`/intervals?instrument=${id}&notes=C6+C7`);
	await page.getByRole('button', { name: '2:1', exact: true }).click();
	const beat = page.getByTestId('beat');
	await expect(beat).toHaveText(/narrow|still/);
	await page.getByLabel('Stretch').selectOption('Balanced');
	await expect(beat).toHaveText(/wide/);
	await page.reload();
	await expect(page.getByLabel('Stretch')).toHaveValue('balanced');
});
