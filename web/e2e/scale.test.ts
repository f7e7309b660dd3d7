import { expect, test } from '@playwright/test';
import { addInstrument, signIn } from './parts';

test('strings typed, pasted and kept; tension, a raise, and the way back', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Measured upright');
	await page.getByRole('link', { name: 'Scale' }).click();
	await expect(page.getByText('Its strings have not been read yet.')).toBeVisible();
	const put = page.getByRole('button', { name: 'Put in' });
	await expect(put).toBeEnabled();
	const note = page.getByLabel('Note', { exact: true });
	const core = page.getByLabel('Wire or core, mm');
	const length = page.getByLabel('Speaking length, mm');

	// Lengths in another unit are noticed, and change nothing.
	for (const wrong of ['2000', '0.2']) {
		await note.fill('A4');
		await core.fill('1');
		await length.fill(wrong);
		await put.click();
		await expect(page.getByRole('alert')).toContainText('another unit');
	}
	await expect(page.getByRole('row', { name: /^A4/ })).toHaveCount(0);
	await length.fill('400');
	await put.click();
	// By hand: (2 * 0.4 * 440)^2 * 7850 * pi / 4 * 1e-6 = 764 N, 44 % of what 1 mm music wire bears.
	await expect(page.getByRole('row', { name: /^A4/ })).toContainText(/764\s*44/);
	await expect(note).toHaveValue('Bb4');
	await expect(page.getByText(/3 strings known: together 2292 N \(234 kgf\)\. Of 2\d\d more strings/)).toBeVisible();

	await page.getByText('Paste a table, or open a CSV file').click();
	const paste = page.getByLabel('Table of strings as text');
	await paste.fill('note,core,length\nC5,0.95,340\nE9,1,200');
	await page.getByRole('button', { name: 'Read the text' }).click();
	await expect(page.getByRole('alert')).toContainText('Line 3: E9 is not on this keyboard');
	await expect(page.getByRole('row', { name: /^C5/ })).toHaveCount(0);
	await paste.fill('note,core,length\nC5,0.95,340\nE5,1,337');
	await page.getByRole('button', { name: 'Read the text' }).click();
	await expect(page.getByRole('row', { name: /^C5/ })).toBeVisible();

	// What is not kept yet outlives a reload; what is kept is there for good.
	await page.reload();
	await expect(page.getByRole('row', { name: /^E5/ })).toBeVisible();
	const keep = page.getByRole('button', { name: 'Keep this table' });
	await expect(keep).toBeEnabled();
	await keep.click();
	await expect(page.getByRole('button', { name: 'The table is kept' })).toBeVisible();
	await expect(page.getByText('3 notes by the table of strings')).toBeVisible();

	const low = page.getByLabel('Cents below its usual pitch');
	await low.fill('100');
	await low.press('Tab');
	await expect(page.getByText(/A raise of 100 cents adds \d+ N/)).toBeVisible();
	await low.fill('lots');
	await low.press('Tab');
	await expect(page.getByRole('alert')).toContainText('it stays at 100');

	await page.getByRole('button', { name: 'Take out E5' }).click();
	await keep.click();
	await page.getByText('Earlier tables (1)').click();
	await expect(page.getByRole('row', { name: /^E5/ })).toHaveCount(0);
	await page.getByRole('button', { name: 'Open' }).click();
	await expect(page.getByRole('row', { name: /^E5/ })).toBeVisible();
});

test('a string that does not belong is named', async ({ page }) => {
	await signIn(page);
	await page.goto('/instruments');
	await page.getByRole('link', { name: 'Sail loft upright' }).click();
	await page.getByRole('link', { name: 'Scale' }).click();
	await expect(page.getByText('A1, D5 do not go with their neighbours.')).toBeVisible();
	await expect(page.getByText(/^D5 is 1\.\d\d times as stiff/)).toBeVisible();
	await expect(page.getByRole('img', { name: /out of line: A1, D5/ })).toBeVisible();
});
