import { expect, test, type Page } from '@playwright/test';
import {
	addInstrument,
	holdString,
	listen,
	openStrings,
	readLive,
	setDueNote,
	signIn,
	startVisit,
	strikeAndLook
} from './parts';

/** From Plan to Set, listening. */
async function set(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await listen(page);
}
test('a temperament is set by the thirds-led plan, with its rates and checks as they become audible', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Net loft upright', { lowest: 'F3', highest: 'A4' });
	await startVisit(page);
	await page.getByLabel('Order of the first octave').selectOption('Thirds first, quiet fifths');
	await set(page);
	const order = page.getByLabel('Order of work');
	await expect(order.getByRole('listitem').nth(1)).toContainText('10th under A4');
	await expect(order.getByRole('listitem').nth(2)).toContainText('3rd over F3');
	const done: string[] = [];
	for (let i = 0; i < 4; i++) done.push(await setDueNote(page));
	// The plan's own rates, on this instrument, and what the new note makes audible.
	await expect(page.getByRole('heading', { name: /^What to listen for: G♯3 with C4/ })).toBeVisible();
	await expect(page.getByRole('region', { name: 'Checks' })).toContainText(/F3-C4 (still|\d\.\d (wide|narrow))/);
	done.push(await setDueNote(page));
	expect(done).toEqual(['A4', 'F3', 'A3', 'G♯3', 'C4']);
	await page.reload();
	await expect(order.getByText('Temperament octave: 5 of 14')).toBeVisible();
});

test('a section with one string a note, its unisons afterwards: string by string, by ear, and later', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Ropewalk upright', { lowest: 'F3', highest: 'F4' });
	await startVisit(page);
	await page.getByLabel('Unisons').selectOption({ label: 'Unisons: afterwards, when all leading strings stand' });
	await page.getByLabel('Eye and ear').selectOption({ label: 'All by ear, the app as witness' });
	await set(page);
	// By ear: no figure stands there.
	await expect(page.getByText('Keep it when it stands')).toBeVisible();
	await expect(page.getByTestId('deviation')).toHaveCount(0);
	await expect(page.getByRole('button', { name: 'Later' })).toHaveCount(0);
	for (let kept = 0; kept < 13; kept++) await page.keyboard.press('Shift+Enter');
	await expect(page.getByText('Unisons: 0 of 13')).toBeVisible();

	const unison = page.getByRole('region', { name: 'Unison of F3' });
	await expect(unison).toBeVisible();
	await expect(openStrings(page)).toHaveText('Left');
	await expect(unison).toContainText('Wedge between middle and right.');
	expect(await holdString(page)).toBe(true);
	await expect(openStrings(page)).toHaveText('Right');
	await expect(unison).toContainText('Wedge between left and middle.');
	await unison.getByRole('row', { name: /Right/ }).getByRole('checkbox').check();
	expect(await holdString(page)).toBe(true);
	await expect(openStrings(page)).toHaveText('All three');
	await strikeAndLook(page);
	await expect(page.locator('.figure .word')).toHaveText(/Together|Bring them together|Let it sound longer/);
	// The middle one was kept by ear where it stood: whoever hears that the three go together keeps them.
	if ((await readLive(page)).note === 'F3') await page.keyboard.press('Shift+Enter');
	await expect(page.getByText('Unisons: 1 of 13')).toBeVisible();

	// A stubborn one waits for the end, and comes back.
	await page.getByRole('button', { name: 'Later' }).click();
	await expect.poll(async () => (await readLive(page)).note).toBe('G3');
	await page.reload();
	await expect(page.getByText('Unisons: 1 of 13')).toBeVisible();
	for (let left = 0; left < 11; left++) {
		await page.keyboard.press('0');
		await page.keyboard.press('Shift+Enter');
	}
	await expect.poll(async () => (await readLive(page)).note).toBe('F♯3');
	await page.keyboard.press('0');
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByText('Unisons: 13 of 13')).toBeVisible();
});
