import { expect, test } from '@playwright/test';
import { addInstrument, signIn } from './parts';
import { typeLevels } from './typedSurvey';
import { USUAL_SETTINGS } from '../src/lib/settings/settings';

/** Other journeys count on what is usual. */
test.afterEach(async ({ page }) => {
	const price = { visit: 20, note: 3, tuning: 95, pass: 40 };
	expect((await page.request.put('/api/settings', { data: { ...USUAL_SETTINGS, price } })).status()).toBe(200);
});

test('a workshop decides when a pass goes first, and what work costs', async ({ page }) => {
	await signIn(page);
	await page.getByRole('link', { name: 'Settings' }).click();
	await expect(page.getByRole('heading', { name: 'What the workshop decides' })).toBeVisible();
	const pass = page.getByLabel('Each pass before it: price');
	const keep = page.getByRole('button', { name: /^(Keep|Kept)$/ });
	await expect(keep).toBeDisabled();
	await pass.fill('forty');
	await keep.click();
	await expect(page.getByRole('alert')).toHaveText('Price, each pass before it: enter a number.');
	await pass.fill('55');
	await page.getByLabel('Lessons: tune once up to, cents').fill('1');
	await keep.click();
	await expect(page.getByRole('alert')).toContainText('Lessons: work grows with what is off');
	await page.getByRole('button', { name: 'One tuning up to 10 cents' }).click();
	await expect(page.getByRole('img', { name: /Lessons: touch up to 2 cents, one tuning to 10/ })).toBeVisible();
	await keep.click();
	await expect(keep).toHaveText('Kept');
	await page.reload();
	await expect(pass).toHaveValue('55');
	await expect(page.getByLabel('Home: tune once up to, cents')).toHaveValue('10');

	// A visit goes by it.
	await addInstrument(page, 'Decided upright');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await typeLevels(page, () => -7);
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(page.getByTestId('verdict')).toHaveText('Tune it once.');
	await expect(page.getByText('€ 115')).toBeVisible();
});
