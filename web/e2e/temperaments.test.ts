import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { signIn, startVisit } from './parts';

const ring = (page: Page) => page.getByRole('group', { name: /^Ring of fifths/ });
const shownRing = (page: Page) => page.getByRole('img', { name: /^Ring of fifths/ }).getAttribute('aria-label');

/** What a link gives to take away, as text. */
async function takeAway(page: Page, name: string): Promise<string> {
	const [file] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name, exact: true }).click()
	]);
	return readFile(await file.path(), 'utf8');
}

test('design one, keep it, reload, compare it, export it, and bring it in again the same', async ({ page }) => {
	await signIn(page);
	await page.getByRole('link', { name: 'Temperaments' }).click();
	await expect(page.getByRole('heading', { name: /^\d+ temperaments/ })).toBeVisible();
	await page.getByLabel('Character').selectOption('well');
	await page.getByLabel('Find').fill('vallotti');
	await page.getByRole('link', { name: 'Vallotti', exact: true }).click();
	await page.getByRole('link', { name: 'Design from it' }).click();

	// E-B from 1/6 P to pure: the rest, on G sharp, takes what was there. Undo and redo know it.
	await ring(page)
		.getByRole('button', { name: /^Fifth E-B, 1\/6 P/ })
		.click();
	await page.getByRole('button', { name: 'pure', exact: true }).click();
	await expect(page.getByText('The rest lies on G♯-E♭: 1/6 P.')).toBeVisible();
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByText('The rest lies on G♯-E♭: pure.')).toBeVisible();
	await page.keyboard.press('Control+y');
	await expect(page.getByText('The rest lies on G♯-E♭: 1/6 P.')).toBeVisible();
	// Move a little on by keyboard alone, and refuse what is not a tempering.
	await ring(page)
		.getByRole('button', { name: /^Fifth C-G/ })
		.focus();
	await page.keyboard.press('Enter');
	await page.getByRole('button', { name: 'Move 1/24 P to G-D' }).click();
	await expect(ring(page).getByRole('button', { name: 'Fifth G-D, 5/24 P' })).toBeVisible();
	const field = page.getByLabel('Tempering of G-D in parts of a comma');
	await field.fill('a bit');
	await field.press('Tab');
	await expect(page.getByText(/“a bit” is not a tempering/)).toBeVisible();
	await expect(ring(page).getByRole('button', { name: 'Fifth G-D, 5/24 P' })).toBeVisible();

	// A name that is taken is refused and nothing is lost; then it is kept.
	await page.getByLabel('Name').fill('Vallotti');
	await page.getByRole('button', { name: 'Keep it in the workshop' }).click();
	await expect(page.getByText(/There is a temperament called “Vallotti” already/)).toBeVisible();
	await page.getByLabel('Name').fill('Curlew');
	await page.getByLabel('In words').fill('A journey’s own.');
	await page.getByRole('button', { name: 'Keep it in the workshop' }).click();
	await expect(page.getByRole('heading', { name: 'Curlew' })).toBeVisible();
	const kept = await shownRing(page);
	expect(kept).toContain('E-B pure');
	expect(kept).toContain('G-D 5/24 P');
	await page.reload();
	expect(await shownRing(page)).toBe(kept);

	await page.getByRole('link', { name: 'Compare' }).click();
	await page.getByLabel('Temperament 1').selectOption('Vallotti');
	await expect(page.getByRole('heading', { name: 'Vallotti, Curlew' })).toBeVisible();
	await expect(page.getByText(/^Vallotti with Curlew: Furthest apart on/)).toBeVisible();
	// Heard side by side; switching over while it sounds.
	await page.getByRole('button', { name: 'Cadence' }).click();
	await expect(page.getByText(/You hear Vallotti\./)).toBeVisible({ timeout: 20_000 });
	await page.getByRole('group', { name: 'Which tuning is heard' }).getByRole('button', { name: 'Curlew' }).click();
	await expect(page.getByText(/You hear Curlew\./)).toBeVisible();

	await page.getByRole('figure').getByRole('link', { name: 'Curlew' }).click();
	const json = await takeAway(page, 'JSON');
	const csv = await takeAway(page, 'CSV');
	expect(csv).toMatch(/^name,C,C#,D,Eb/);
	await page.getByRole('button', { name: 'Delete' }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByRole('heading', { name: /^\d+ temperaments/ })).toBeVisible();
	await expect(page.getByRole('link', { name: 'Curlew' })).toHaveCount(0);

	await page.getByRole('link', { name: 'Import' }).click();
	await page
		.getByLabel('A CSV or JSON file')
		.setInputFiles({ name: 'curlew.json', mimeType: 'application/json', buffer: Buffer.from(json) });
	await page.getByRole('button', { name: 'Import curlew.json' }).click();
	await expect(page.getByRole('heading', { name: 'Curlew' })).toBeVisible();
	expect(await shownRing(page)).toBe(kept);
	expect(await takeAway(page, 'JSON')).toBe(json);
	expect(await takeAway(page, 'CSV')).toBe(csv);
});

test('files that are wrong name line and reason, and nothing is kept half', async ({ page }) => {
	await signIn(page);
	await page.goto('/temperaments/import');
	const text = page.getByLabel('or its text');
	const head = 'name,C,C#,D,Eb,E,F,F#,G,G#,A,Bb,B\n';
	const zeros = ',0,0,0,0,0,0,0,0,0,0,0,0\n';
	const bringIn = async (content: string) => {
		await text.fill(content);
		await page.getByRole('button', { name: 'Import the text' }).click();
	};
	await bringIn(`${head}Dunlin${zeros}Sanderling,0,oops,0,0,0,0,0,0,0,0,0,0\n`);
	await expect(page.getByText('Line 3, Sanderling: the offset of C# is "oops", not a number of cents.')).toBeVisible();
	await bringIn(`${head}Equal${zeros}`);
	await expect(page.getByText(/Line 2: There is a temperament called “Equal” already/)).toBeVisible();
	await bringIn('{ "format": ');
	await expect(page.getByText('Line 1: this is not well-formed JSON.')).toBeVisible();
	await page.goto('/temperaments');
	await expect(page.getByRole('link', { name: 'Dunlin' })).toHaveCount(0);

	// Huge offsets are asked about first.
	await page.goto('/temperaments/import');
	await bringIn(`${head}Godwit,140,0,0,0,0,0,0,0,0,0,0,0\n`);
	await expect(
		page.getByText(/Godwit: C lies 140\.0 cents from equal, more than a semitone\. Is that intended\?/)
	).toBeVisible();
	await page.getByRole('button', { name: 'Yes, import them' }).click();
	await expect(page.getByRole('heading', { name: 'Godwit' })).toBeVisible();
	await page.getByRole('button', { name: 'Delete' }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByRole('heading', { name: /^\d+ temperaments/ })).toBeVisible();
});

test('a designed temperament is there for a visit, and stays as long as the visit rests on it', async ({ page }) => {
	await signIn(page);
	await page.goto('/temperaments/design?from=young-1');
	await page.getByLabel('Name').fill('Redshank');
	await page.getByRole('button', { name: 'Keep it in the workshop' }).click();
	await expect(page.getByRole('heading', { name: 'Redshank' })).toBeVisible();
	const address = page.url();
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill('Redshank upright');
	await page.getByRole('button', { name: 'Add it' }).click();
	await startVisit(page);
	await page.getByLabel('Temperament').selectOption('Redshank');
	await expect(page.getByText('Redshank at 440.0 Hz.')).toBeVisible();
	await page.getByLabel('Stretch').selectOption('none');
	// Young I has C 6.11 cents above equal when A stands still: 440 * 2^(-9/12) * 2^(6.1/1200).
	await expect(page.getByRole('row', { name: /^C4 262\.5/ })).toBeVisible();
	await expect
		.poll(async () => {
			await page.reload();
			return page.getByText('Redshank at 440.0 Hz.').isVisible();
		})
		.toBe(true);
	await page.goto(address);
	await page.getByRole('button', { name: 'Delete' }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByText(/It is part of 1 record .*so it stays/)).toBeVisible();
});
