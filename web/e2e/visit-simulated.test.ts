import { expect, test } from '@playwright/test';
import {
	addInstrument,
	listen,
	pace,
	readLive,
	setDueNote,
	signIn,
	startSetting,
	startVisit,
	strike,
	strikeAndRead
} from './parts';

test('a visit on the simulated instrument, from sign-in to the record', async ({ page, browser }) => {
	await signIn(page);
	await addInstrument(page, 'Journey square', { lowest: 'E3', highest: 'B4' });

	await startVisit(page);
	await page.getByRole('button', { name: '442', exact: true }).click();
	await page.getByLabel('Temperament').selectOption('Vallotti');
	await expect(page.getByText('Vallotti at 442.0 Hz.')).toBeVisible();
	await page.getByLabel('Stretch').selectOption('none');
	// C4 in Vallotti lies 5.87 cents above equal: 442 * 2^(-9/12) * 2^(5.865/1200) = 263.71 Hz.
	const row = page.getByRole('row', { name: /^C4 / });
	await expect(row).toContainText('263.71');
	await expect(row).toContainText('+5.87');
	await page.reload();
	await expect(page.getByText('Vallotti at 442.0 Hz.')).toBeVisible();

	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await listen(page);
	expect((await readLive(page)).note).toBe('A4');

	// The lever moves the string, and the sound with it.
	const found = (await strikeAndRead(page)).cents!;
	for (let i = 0; i < 6; i++) await page.keyboard.press('Control+ArrowUp');
	const raised = (await strikeAndRead(page)).cents!;
	expect(raised - found).toBeGreaterThan(25);
	for (let i = 0; i < 6; i++) await page.keyboard.press('Control+ArrowDown');
	await strikeAndRead(page);

	const first = [await setDueNote(page), await setDueNote(page)];
	expect(first).toEqual(['A4', 'A3']);
	expect((await readLive(page)).note).toBe('D4');
	await expect(page.getByTestId('saved')).toHaveText('everything saved');

	// Reload: the work goes on where it was, with the strings where the lever left them.
	await page.reload();
	expect((await readLive(page)).note).toBe('D4');
	await expect(page.getByText('Temperament octave: 2 of 14')).toBeVisible();
	await page.getByRole('button', { name: 'Listen' }).click();
	await page.getByRole('slider', { name: /Keyboard/ }).focus();
	await page.getByRole('button', { name: /^A4/ }).click();
	const again = await strikeAndRead(page);
	expect(Math.abs(again.cents!)).toBeLessThan(1.2);

	// Elsewhere, at the same time: the same place.
	const elsewhere = await browser.newContext();
	const other = await elsewhere.newPage();
	await signIn(other, new URL(page.url()).origin);
	await other.goto(`${new URL(page.url()).origin}/visits`);
	await other.getByRole('link', { name: 'Journey square' }).click();
	await expect(other.getByText('Temperament octave: 2 of 14')).toBeVisible();
	await elsewhere.close();

	// The pedal turns pages: over D4 without setting it, back, and keep it by ear.
	await page.keyboard.press('PageDown');
	expect((await readLive(page)).note).toBe('A3');
	await page.keyboard.press('PageDown');
	await page.keyboard.press('PageDown');
	expect((await readLive(page)).note).toBe('G3');
	await page.keyboard.press('PageUp');
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByText('Temperament octave: 3 of 14')).toBeVisible();
	await expect(page.getByTestId('saved')).toHaveText('everything saved');

	await page.getByRole('link', { name: 'Close' }).click();
	await expect(page.getByText('3 notes set, 17 left out.')).toBeVisible();
	await expect(page.getByText(/44[12]\.\d\d Hz/)).toBeVisible();
	await page.getByLabel('Note for the record').fill('Square piano, small but sound.');
	await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
	await page.reload();
	await expect(page.getByLabel('Note for the record')).toHaveValue('Square piano, small but sound.');
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByRole('heading', { name: 'Journey square' })).toBeVisible();
	await expect(page.getByText(/Left at A4 = 44[12]\.\d Hz, Vallotti/)).toBeVisible();
	await expect(page.getByRole('row', { name: /Vallotti.*Square piano, small but sound\./ })).toBeVisible();

	// A finished visit is a record: its stages lead to Close only.
	await page
		.getByRole('row', { name: /Square piano/ })
		.getByRole('link')
		.first()
		.click();
	// The note stands in the instrument's table too: wait for the visit's own page.
	await expect(page).toHaveURL(/\/close$/);
	await expect(page.getByText('Square piano, small but sound.')).toBeVisible();
	await page.goto(page.url().replace('/close', '/set'));
	await expect(page).toHaveURL(/\/close$/);
});

test('a wrong key is named and can be taken instead', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Wrong key upright', { lowest: 'C3', highest: 'C5' });
	await startSetting(page);
	await listen(page);
	// The strike sounds on while the due note moves on: A4 is heard where A3 is expected. Slowly, so that it is not read before.
	await pace(page, 0.05);
	await page.keyboard.press('Space');
	await expect(page.locator('.set')).toHaveAttribute('data-sounding', 'true');
	await page.keyboard.press('PageDown');
	await pace(page, 10);
	await expect(page.getByText('That was A4; A3 is due.')).toBeVisible();
	await page.keyboard.press('g');
	expect((await readLive(page)).note).toBe('A4');
});

test('a strike that may have been of two keys is asked about, and kept once that is said', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Quarter-tone upright');
	await startSetting(page);
	await page.getByRole('button', { name: 'Listen' }).click();
	await strike(page);
	const { note } = await readLive(page);
	expect(note).toBe('A4');
	// Half way to the key below.
	for (let i = 0; i < 10; i++) await page.getByRole('button', { name: 'Lower the pin by 5 cents' }).click();
	await strike(page);
	await expect(
		page.getByText(/^Which key was it\? A4 would be \d\d\.\d cents flat, G♯4 \d\d\.\d cents sharp\./)
	).toBeVisible();
	await expect(page.getByText('Which key?', { exact: true })).toBeVisible();
	await page.getByRole('button', { name: 'A4', exact: true }).click();
	await expect(page.getByText(/^Which key was it/)).toHaveCount(0);
	const live = await readLive(page);
	expect(live.word).toBe('Raise');
	expect(live.cents).toBeLessThan(-40);
	await page.getByRole('button', { name: 'Keep as it stands' }).click();
	await expect.poll(async () => (await readLive(page)).note).toBe('A3');
	// It was kept as A4: the order of work shows its figure, also after a reload.
	await page.reload();
	await expect(page.getByLabel('Order of work')).toContainText(/A4.*−\d\d\.\d/);
});

test('what is heard besides the instrument is said to be no string; without dampers the string is heard again', async ({
	page
}) => {
	await signIn(page);
	await addInstrument(page, 'Journey in company', { lowest: 'E3', highest: 'B4' });
	await startSetting(page);
	await listen(page);
	const around = page.getByLabel('About the instrument');
	await around.selectOption('someone sings');
	await expect(page.getByText(/as a voice does|A steady tone, no string|No single string stood out/)).toBeAttached();
	expect((await readLive(page)).cents).toBeUndefined();
	await around.selectOption('dampers lifted');
	const first = (await strikeAndRead(page)).cents!;
	const second = (await strikeAndRead(page)).cents!;
	expect(Math.abs(second - first)).toBeLessThan(2);
	await around.selectOption('sound drops out');
	await strike(page);
	await expect(page.getByText('The sound broke off for a moment. Strike again.')).toBeAttached();
	await around.selectOption('played too loud');
	await strike(page);
	await expect(page.getByText(/The sound is clipping/)).toBeAttached();
});

test('every control in Set is reached by keyboard and ? lists the keys', async ({ page }) => {
	await signIn(page);
	await page
		.getByRole('row', { name: /Practice room 7 / })
		.getByRole('link', { name: 'half done, go on' })
		.click();
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
	await page.keyboard.press('?');
	const dialog = page.getByRole('dialog', { name: 'Keys on this page' });
	await expect(dialog).toContainText('keep the note as it stands');
	await page.keyboard.press('Escape');
	await expect(dialog).toBeHidden();
	await page.getByRole('slider', { name: /Keyboard/ }).focus();
	const before = (await readLive(page)).note;
	await page.keyboard.press('ArrowRight');
	expect((await readLive(page)).note).not.toBe(before);
	await page.keyboard.press('2');
	await expect(page.getByRole('button', { name: 'Left', exact: true })).toHaveAttribute('aria-pressed', 'true');
});
