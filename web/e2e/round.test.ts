import { expect, test } from '@playwright/test';
import { addInstrument, leaveField, signIn } from './parts';

test('the round: what is half done and falls due, what drifts, where the next hour pays most', async ({ page }) => {
	await signIn(page);
	// An instrument that nobody has visited says nothing of itself.
	await addInstrument(page, 'Never visited upright');
	await page.getByRole('link', { name: 'Round' }).click();
	await expect(page.getByTestId('round')).toContainText('half done');
	await expect(page.getByRole('link', { name: /Never visited upright/ })).toHaveCount(0);
	await expect(page.getByRole('img', { name: /^Cents off in the months to come: / })).toBeVisible();
	// Another day is looked at: by then more is due.
	const today = await page.getByTestId('round').textContent();
	await page.getByLabel('Today, or on').fill('2030-06-01');
	await leaveField(page);
	await expect(page.getByTestId('round')).not.toHaveText(today!);
	await expect(page).toHaveURL(/on=2030-06-01/);
	await page.goto('/round?on=yesterday');
	await expect(page.getByLabel('Today, or on')).toHaveValue('');
	const pays = page.getByRole('link', { name: /about \d+ cents (flat|sharp) by now/ });
	await expect(pays.first()).toContainText(/\d+ min$/);
	await pays.first().click();
	await expect(page.getByRole('button', { name: /Start a visit|Go on with the visit/ })).toBeVisible();
	await page.goBack();
	await page.getByRole('link', { name: /Ferry band, harp 3 in C.*go on/ }).click();
	await expect(page).toHaveURL(/\/visits\/[0-9a-f-]{36}/);
});
