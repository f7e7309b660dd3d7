import { expect, test } from '@playwright/test';
import { addInstrument, listen, signIn, startSetting, strikeAndLook } from './parts';

test('several strings open: the spread of the unison, where it beats, and clean once it stands', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Unison upright');
	await startSetting(page);
	await listen(page);
	// One string alone has nothing to say of a unison.
	await strikeAndLook(page);
	await expect(page.getByRole('region', { name: 'The last strike, closer' })).toHaveCount(0);

	// All three, one of them brought well away: told apart, with a figure.
	await page.keyboard.press('0');
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
	await strikeAndLook(page);
	const closer = page.getByRole('region', { name: 'The last strike, closer' });
	await expect(closer).toContainText('A4, 3 strings');
	await expect(closer).toContainText(/\d\.\d\s+cents from end to end/);
	const spread = async () => Number.parseFloat(await closer.locator('.spread b').innerText());
	const wide = await spread();
	expect(wide).toBeGreaterThan(3);
	// Back by as much: the spread follows.
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown');
	await strikeAndLook(page);
	await expect.poll(spread).toBeLessThan(wide - 2);
});
