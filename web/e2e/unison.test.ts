import { expect, test } from '@playwright/test';
import { addInstrument, signIn, startSetting } from './parts';

test('several strings open: the spread of the unison, where it beats, and clean once it stands', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Unison upright');
	await startSetting(page);
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	// One string alone has nothing to say of a unison.
	await page.keyboard.press('Space');
	await page.waitForTimeout(3000);
	await expect(page.getByRole('region', { name: 'The last blow, closer' })).toHaveCount(0);

	// All three, one of them brought well away: told apart, with a figure.
	await page.keyboard.press('0');
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
	await page.keyboard.press('Space');
	const closer = page.getByRole('region', { name: 'The last blow, closer' });
	await expect(closer).toContainText('A4, 3 strings', { timeout: 8000 });
	await expect(closer).toContainText(/\d\.\d\s+cents from end to end/);
	const spread = async () => Number.parseFloat(await closer.locator('.spread b').innerText());
	const wide = await spread();
	expect(wide).toBeGreaterThan(3);
	// Back by as much: the spread follows.
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown');
	await page.keyboard.press('Space');
	await expect.poll(spread, { timeout: 8000 }).toBeLessThan(wide - 2);
});
