import { expect, test } from '@playwright/test';
import { addInstrument, signIn, startVisit } from './parts';

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

test('how it is strung is said by sections, followed by the visit, and taken back', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Strung otherwise', { lowest: 'A0', highest: 'C6' });
	const instrument = page.url();
	await page.getByRole('link', { name: 'Scale' }).click();
	const strung = page.getByRole('region', { name: 'Stringing' });
	await expect(strung).toContainText('Usual for this kind');
	await expect(strung.getByRole('img')).toHaveAttribute('aria-label', /A0 to F♯1: 1 wound/);
	await strung.getByRole('button', { name: 'Change it' }).click();
	await strung.getByLabel('Section 1 ends at').fill('H9');
	await expect(strung.getByRole('alert')).toContainText('is not a note');
	// The break lies higher than usual, and above it there are two strings to a note.
	await strung.getByLabel('Section 1 ends at').fill('C1');
	await strung.getByLabel('Section 2 ends at').fill('C4');
	await strung.getByLabel('Strings in section 3').selectOption('2 strings');
	await expect(strung.getByRole('img')).toHaveAttribute('aria-label', /C♯4 to C6: 2 plain/);
	await strung.getByRole('button', { name: 'Keep this stringing' }).click();
	await expect(strung).toContainText('As you entered it');

	await page.goto(instrument);
	await startVisit(page);
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	const strings = page.getByRole('group', { name: 'Strings left unmuted' });
	await expect(strings.getByRole('button')).toHaveText(['Left', 'Right', 'Both']);

	await page.goto(`${instrument}/scale`);
	await strung.getByRole('button', { name: 'Change it' }).click();
	await strung.getByLabel('Registers').selectOption('two: lower and upper 8′');
	await strung.getByRole('button', { name: 'Keep this stringing' }).click();
	await expect(strung.getByRole('button', { name: 'This stringing is kept' })).toBeVisible();
	await strung.getByRole('button', { name: 'Usual for this kind' }).click();
	await expect(strung).toContainText(/Usual for this kind\./);
});

test('a stringing that does not fit its keyboard is refused', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Strung wrongly');
	const id = page.url().split('/').at(-1);
	const choirs = [{ id: 'strings', name: 'Strings' }];
	const put = (stringing: object, of = id) =>
		page.request.put(`/api/instruments/${of}/stringing`, { data: { stringing } });
	const sections = [{ to: 108, strings: 3, wound: false }];
	expect((await put({ lowest: 21, sections, choirs })).status()).toBe(200);
	for (const [stringing, said] of [
		[{ lowest: 22, sections, choirs }, 'begins at A0'],
		[{ lowest: 21, sections: [{ ...sections[0], to: 100 }], choirs }, 'ends at E7'],
		[{ lowest: 21, sections: [{ ...sections[0], strings: 9 }], choirs }, 'strings'],
		[{ lowest: 21, sections, choirs: [] }, 'choirs']
	] as const) {
		const answer = await put(stringing);
		expect(answer.status()).toBe(400);
		expect((await answer.json()).message).toContain(said);
	}
	expect((await put({ lowest: 21, sections, choirs }, '01a20724-b3f2-7056-bbd9-dd8fdf185feb')).status()).toBe(404);
});
