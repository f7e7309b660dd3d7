import { expect, test } from '@playwright/test';
import { addInstrument, listen, readLive, setDueNote, signIn, strikeAndRead, strikeUntil } from './parts';
import { typeLevels } from './typedSurvey';

test('an instrument left 9 cents low: what stands out is brought to its neighbours, not to zero', async ({ page }) => {
	test.setTimeout(180_000);
	await signIn(page);
	await addInstrument(page, 'Chapel upright, left low');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await typeLevels(page, (note) => (note === 72 ? -19 : note === 50 ? -1 : -9));
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(page.getByTestId('verdict')).toHaveText('Correct the pitch first, then tune.');
	await expect(page.getByText('Out of their neighbours’ line: D3, C5')).toBeVisible();
	await expect(page.getByText(/^It stands in equal temperament/)).toBeVisible();
	// The price of other pitches, with what the strings are loaded by.
	await expect(page.getByText(/Load \+1\.\d\s%/)).toBeVisible();

	// Left where it stands: two notes, and where they go.
	await page.getByRole('button', { name: 'Leave it at that pitch' }).click();
	await expect(page.getByTestId('verdict')).toHaveText('Touch 2 notes: D3, C5.');
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(page.getByText('To touch: 0 of 2')).toBeVisible();
	expect((await readLive(page)).note).toBe('C5');
	await expect(page.getByTestId('saved')).toHaveAttribute('data-keeping', '0');
	await page.reload();
	await expect(page.getByText('To touch: 0 of 2')).toBeVisible();
	await listen(page);
	await setDueNote(page);
	await expect(page.getByText('To touch: 1 of 2')).toBeVisible();

	// Planned for 440 all the same, and only what stands out touched: its target lies as low as its neighbours.
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await page.getByRole('button', { name: '440', exact: true }).click();
	await page.getByRole('button', { name: 'Bring only D3, C5 to their neighbours' }).click();
	await expect(page.getByText(/^To touch: \d of 2$/)).toBeVisible();
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	// Somebody wants all of it after all.
	await page.getByRole('button', { name: 'Take this plan and raise' }).click();
	await expect(page.getByText('Pass 1: 0 of 88')).toBeVisible();
});

test('a half-yearly tuning: some forty of the strings move, and Set knows which', async ({ page }) => {
	test.setTimeout(180_000);
	await signIn(page);
	await addInstrument(page, 'Half-yearly upright');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await typeLevels(page, (note) => (note > 33 && note % 5 === 0 ? (note % 2 ? 4.6 : -4.6) : 0));
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(page.getByTestId('verdict')).toHaveText(/^Touch up 1\d notes; leave the others alone\.$/);
	const [, moved, all] = (await page.getByText(/^\d+ of \d+; filled: to be moved/).textContent())!.match(
		/(\d+) of (\d+)/
	)!;
	expect(Number(moved)).toBeGreaterThan(30);
	expect(Number(moved)).toBeLessThan(50);
	expect(Number(all)).toBeGreaterThan(220);
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(page.getByText(/^To touch: 0 of 1\d$/)).toBeVisible();
	await listen(page);
	const first = (await strikeAndRead(page)).note;
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByText(/^To touch: 1 of 1\d$/)).toBeVisible();
	expect((await readLive(page)).note).not.toBe(first);
	// Any note may be wanted after all.
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await page.getByRole('button', { name: 'Set every note all the same' }).click();
	await expect(page.getByText(/^Temperament octave: \d of 14$/)).toBeVisible();
});

test('notes of one’s own, left out, and F3 to F4 declined: the verdict says what it rests on', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Few strings');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await expect(page.getByText(/^0 of 30 notes read/)).toBeVisible();
	await page.getByLabel('Survey of').selectOption('about 30, but the top two octaves');
	await expect(page.getByText(/^0 of 2\d notes read/)).toBeVisible();
	await page.getByLabel('Survey of').selectOption('notes of your own');
	const own = page.getByLabel('Notes to read');
	await own.fill('A0 to middle');
	await own.press('Enter');
	await expect(page.getByRole('alert')).toContainText('“A0 to middle” is no run of notes.');
	await own.fill('A2, F3 to G3, A4');
	await own.press('Enter');
	await expect(page.getByText(/^0 of 5 notes read/)).toBeVisible();
	await page.getByRole('button', { name: 'Skip' }).click();
	await expect(page.getByText(/^0 of 4 notes read/)).toBeVisible();
	await listen(page);
	const finished = page.getByText('All 4 notes of the survey are read.');
	await strikeUntil(page, finished, 20);
	await expect(page.getByText(/1 note left out: taken from its neighbours\./)).toBeVisible();
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(page.getByText('F3 to F4 was not read whole: temperament and curve rest on less')).toBeVisible();
});
