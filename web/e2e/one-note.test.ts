import { expect, test } from '@playwright/test';
import {
	addInstrument,
	holdString,
	leaveField,
	listen,
	openStrings,
	signIn,
	strike,
	strikeAndLook,
	strikeUntil,
	turnPin
} from './parts';

test('one note that stands out is mended at home: among its neighbours, led from its strings to its unison', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Parlour upright');
	// Somebody has turned the wrong pin.
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('link', { name: 'Set', exact: true }).click();
	await listen(page);
	await page.keyboard.press('n');
	await page.getByLabel('Name of the note to go to').fill('C5');
	await page.keyboard.press('Enter');
	for (const string of ['1', '2', '3']) {
		await page.keyboard.press(string);
		await turnPin(page, -14);
		await strike(page);
	}
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await page.getByLabel('Survey of').selectOption('one note and its neighbours');
	const which = page.getByLabel('Which note');
	await which.fill('H2');
	await which.press('Tab');
	await expect(page.getByText('A name like C♯4.')).toBeVisible();
	await which.fill('C5');
	await which.press('Tab');
	await listen(page);
	const found = page.getByTestId('one-note');
	await strikeUntil(page, found, 40);
	await expect(found).toHaveText(/^C5 stands 1\d\.\d cents below its neighbours, and /);
	await page.getByRole('button', { name: 'Mend C5' }).click();

	await expect(page.getByText('To touch: 0 of 2')).toBeVisible();
	const guide = page.getByRole('region', { name: 'One note, step by step' });
	const current = guide.locator('[aria-current=step]');
	await expect(current).toContainText('Press C5 slowly: its hammer shows its strings.');
	await expect(current).toContainText(/Counting (left|right) from .*, C5 is the \d+(st|nd|rd|th) group of three\./);
	await expect(guide.getByRole('img', { name: /The strings of C5 and beside it\. Strip, or wedges/ })).toBeVisible();
	await listen(page);
	await strike(page);
	await expect(current).toContainText('First a hair down, while it sounds: the pitch must fall.');
	// Whoever turns another pin hears that this one does not follow.
	await strike(page);
	await strike(page);
	await expect(guide.getByText('Stop and call a technician: the pitch does not follow the lever.')).toBeVisible();
	expect(await holdString(page)).toBe(true);
	await expect(openStrings(page)).toHaveText('Left');
	await expect(current).toContainText('Then the other two, until nothing moves.');
	expect(await holdString(page)).toBe(true);
	expect(await holdString(page)).toBe(true);
	await expect(openStrings(page)).toHaveText('All three');
	await leaveField(page);
	await strikeAndLook(page);
	await expect(page.locator('.figure .word')).toHaveText(/Together|Bring them together|Let it sound longer/);
});
