import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { leaveField, signIn } from './parts';
import { due, setString, sound } from './strings';

/** Three steel strings; a capo where there is no fret is refused, and what was typed stays. */
async function addGuitar(page: Page, name: string): Promise<void> {
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill(name);
	await page.getByLabel('Kind').selectOption('frets');
	await page.getByLabel('Neck').selectOption('own');
	await page.getByLabel('Family').selectOption('guitar');
	await page.locator('select[name=stuff]').selectOption('steel');
	await page.getByLabel(/^Open strings/).fill('E4 B3 G3');
	await page.getByLabel(/^Scale/).fill('25.4 in');
	await page.getByLabel(/^Capo/).fill('31');
	const add = () => page.getByRole('button', { name: 'Add it' }).click();
	await add();
	await expect(page.getByRole('alert')).toHaveText('There is no fret 31 that a capo could sit at.');
	await page.getByLabel(/^Capo/).fill('2');
	await add();
	await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
	await expect(page.getByText('20, fixed; capo at 2')).toBeVisible();
}

async function addChord(page: Page, name: string, fingering: string, capo = ''): Promise<void> {
	await page.getByLabel('Name of the chord').fill(name);
	await page.getByLabel('Fingering, the lowest string first').fill(fingering);
	await page.getByLabel('Capo at', { exact: true }).fill(capo);
	await page.getByRole('button', { name: 'Add', exact: true }).click();
}

test('a guitar measured, its offsets made for its chords, kept, taken away, tuned to on the full screen, and there again', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addGuitar(page, 'Guitar of the ferry');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await expect(page.getByTestId('arrival')).toBeVisible();
	await page.keyboard.press('a');
	await page.getByRole('link', { name: 'Go on to Sound' }).click();

	// Five ways to each string, and the capo put on once for all three.
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('group', { name: 'Simulated strings' })).toBeVisible();
	await expect(due(page)).toContainText('First string, open, soft');
	for (let plucks = 0; plucks < 18; plucks++) await sound(page);
	await expect(page.getByTestId('found')).toContainText('18 of 18 plucks read.');
	await expect(page.getByRole('table', { name: 'What each string adds, in cents' }).getByText('–')).toHaveCount(0);
	await page.getByRole('link', { name: 'Go on to Plan' }).click();

	// The book: what does not fit the strings is refused with the reason, and stays to be mended.
	await expect(page.getByTestId('verdict')).toContainText('No chord is in the book');
	await addChord(page, 'D', 'x320');
	await expect(page.getByRole('alert')).toContainText('“x320” does not fit 3 strings');
	await addChord(page, 'D', '232', '40');
	await expect(page.getByRole('alert')).toHaveText('There is no fret 40 that a capo could sit at.');
	await addChord(page, 'D', '232', '2');
	await addChord(page, 'Em', '000', '2');
	await expect(page.getByRole('alert')).toHaveCount(0);
	await page.getByLabel('How often Em is played').selectOption('often');
	const beats = page.getByRole('group', { name: 'How each chord beats' });
	await expect(beats.getByRole('img')).toHaveCount(2);
	await expect(page.getByTestId('verdict')).toContainText('With these offsets the roughest chord');

	// Two tables, compared: the second for a harder hand.
	const keepAs = async (name: string) => {
		await page.getByLabel('Keep them as').fill(name);
		await page.getByRole('button', { name: 'Keep', exact: true }).click();
	};
	await keepAs('Evenings');
	await page.getByRole('button', { name: 'Hard', exact: true }).click();
	await page.getByRole('button', { name: 'best', exact: true }).click();
	await keepAs('Evenings');
	await expect(page.getByRole('alert')).toHaveText('There are offsets named “Evenings” already.');
	await keepAs('On deck');
	const table = page.getByRole('table', { name: 'Offsets of the open strings, in cents' });
	await expect(table.getByRole('button')).toHaveText(['best', 'Evenings', 'On deck']);
	const column = async (at: number) => table.locator(`tbody tr td:nth-child(${at})`).allTextContents();
	expect((await column(4)).slice(0, 3)).not.toEqual((await column(5)).slice(0, 3));

	// A table to take away says the same.
	await page.getByRole('link', { name: 'Take them away' }).click();
	await expect(page.getByRole('heading', { name: 'Guitar of the ferry' })).toBeVisible();
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Download as CSV' }).click()
	]);
	const lines = (await readFile(await file.path(), 'utf8')).trim().split('\n');
	expect(lines).toHaveLength(4);
	expect(lines[0]).toBe('string,"open, cents","capo 2 as played, cents",sounds,Hz');
	expect(lines[1]).toMatch(/^E4,-?[\d.]+,-?[\d.]+,F♯4,3[67]\d\.\d/);
	await page.getByRole('link', { name: 'Back to Plan' }).click();
	await page.getByRole('link', { name: 'Set', exact: true }).last().click();

	// Tuned as it is played, capo on; the full screen shows what the page shows.
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('group', { name: 'Simulated strings' })).toBeVisible();
	await page.getByRole('button', { name: /^G3:/ }).first().click();
	await setString(page, 'Third string, G3');
	await sound(page);
	await page.keyboard.press('f');
	const live = page.getByRole('dialog', { name: 'Live view' });
	await expect(live.getByTestId('live-off')).toHaveText(/^[\d.]+$/);
	await expect(live).toContainText('“On deck”, capo at 2, played hard');
	await page.keyboard.press('Escape');
	await expect(live).toHaveCount(0);
	await setString(page, 'Second string, B3');
	await setString(page, 'First string, E4');
	await expect(page.getByText('3 of 3 strings set.')).toBeVisible();
	// One breaks in the midst of it: a new one is sounded and set like any other.
	await page.getByRole('button', { name: /^B3:/ }).first().click();
	await page.getByRole('button', { name: 'It broke' }).click();
	await expect(page.getByText('Second string: broken, and on record.')).toBeVisible();
	await expect(page.getByText('2 of 3 strings set.')).toBeVisible();
	await expect(due(page)).toContainText('Broken. Put a new one on');
	await setString(page, 'Second string, B3');
	await expect(page.getByText('3 of 3 strings set.')).toBeVisible();
	await page.getByRole('link', { name: 'Go on to Prove' }).click();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('group', { name: 'Simulated strings' })).toBeVisible();
	for (let plucks = 0; plucks < 3; plucks++) await sound(page);
	await expect(page.getByTestId('proof')).toHaveText(/All 3 strings stand|off: set/);
	await page.getByRole('link', { name: 'Go on to Close' }).click();
	await expect(page.getByText('the offsets “On deck”, played hard, capo at 2')).toBeVisible();
	await page.getByLabel('Note for the record').fill('New strings next time.');
	await leaveField(page);
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByText('3 strings set, less than a minute ago.')).toBeVisible();

	// The next visit begins with what was kept.
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await expect(page.getByTestId('arrival')).toBeVisible();
	await page.goto(page.url().replace('/arrive', '/plan'));
	await expect(table.getByRole('button')).toHaveText(['best', 'Evenings', 'On deck']);
	await expect(table.getByRole('button', { name: 'On deck' })).toHaveAttribute('aria-pressed', 'true');
	// What its strings did is known from then.
	await expect(page.getByText('No string has been measured yet')).toHaveCount(0);
});
