import { expect, test, type Page } from '@playwright/test';
import { leaveField, signIn } from './parts';

const rows = (page: Page) => page.getByRole('region', { name: 'Tones read' }).getByRole('row');

test('a reed that is blown is read in the second in which it stands still; a swell tells how it falls; an octave is noticed', async ({
	page
}) => {
	await signIn(page);
	await page.goto('/intervals');
	await page.getByRole('link', { name: 'A tone that lasts' }).click();
	await expect(page.getByRole('region', { name: 'The tone that sounds' })).toBeVisible();
	await page.getByRole('button', { name: 'Listen' }).click();
	const reed = page.getByRole('group', { name: 'Simulated reed', exact: true });
	await expect(reed).toBeVisible();
	await reed.getByLabel('Reed', { exact: true }).selectOption('E5');
	await leaveField(page);
	await page.keyboard.press('1');
	// It stands 6.88 cents flat when it is blown softly, and falls by 0.12 cents a decibel.
	await expect(rows(page).nth(1)).toContainText(/^E5\s*656\.\d\d\s*−6\.[789]\d ±0\.\d\d/);
	await page.keyboard.press('4');
	await expect(rows(page)).toHaveCount(3);
	await expect(rows(page).nth(1)).toContainText(/−0\.1\d ±0\.\d\d c\/dB/);
	await reed.getByLabel('with its octave').check();
	await reed.getByLabel('Reed', { exact: true }).selectOption('C4');
	await reed.getByRole('button', { name: 'Playing' }).click();
	await expect(rows(page)).toHaveCount(4);
	await expect(rows(page).nth(1)).toContainText(/^C4.*swelled2\.[789]\d a second wide/);
	// A fork of one's own, with the temperature that it was measured at.
	const fork = page.getByRole('region', { name: 'Your fork' });
	await fork.getByLabel('Temperature in °C').fill('hot');
	await fork.getByRole('button', { name: 'The last tone was my fork' }).click();
	await expect(fork.getByRole('alert')).toContainText('Write the room’s temperature');
	await fork.getByLabel('Temperature in °C').fill('20');
	await fork.getByRole('button', { name: 'The last tone was my fork' }).click();
	await expect(page.getByTestId('fork')).toHaveText(
		/^26\d\.\d\d Hz ±0\.\d\d cents at 20 °C, measured .*; here it gives 26\d\.\d\d Hz\.$/
	);
	// Another A4 is another note to count from; what was read stays what it was.
	await page.getByLabel('A4', { exact: true }).selectOption('442');
	await expect(page).toHaveURL(/a4=442/);
	await expect(rows(page)).toHaveCount(4);
	await leaveField(page);
	await page.keyboard.press('Backspace');
	await expect(page.getByRole('region', { name: 'Tones read' })).toBeHidden();
	await page.reload();
	await expect(page.getByLabel('A4', { exact: true })).toHaveValue('442');
	await expect(page.getByTestId('fork')).toContainText('at 20 °C');
});
