import { expect, test, type Page } from '@playwright/test';
import { addInstrument, readLive, row, signIn, startVisit, strikeAndLook, strikeAndRead } from './parts';

async function atThePins(page: Page, name: string): Promise<void> {
	await signIn(page);
	await addInstrument(page, name, { lowest: 'C3', highest: 'C5' });
	await startVisit(page);
	await page.getByLabel('Stretch').selectOption('Octave-led');
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
}
const due = async (page: Page) => (await readLive(page)).note;
/** Goes to a note by typing its name. */
async function find(page: Page, name: string): Promise<void> {
	await page.keyboard.press('n');
	await page.getByLabel('Name of the note to go to').fill(name);
	await page.keyboard.press('Enter');
}

test('hands-free: a note by its name, large figures, undo back to the beginning and up again', async ({ page }) => {
	await atThePins(page, 'Sluice upright');
	await find(page, 'H4');
	await expect(page.getByText('A name like C♯4.')).toBeVisible();
	await page.keyboard.press('Escape');
	await find(page, 'c#4');
	await expect.poll(() => due(page)).toBe('C♯4');
	await page.keyboard.press('f');
	await expect(page.getByLabel('Order of work')).toBeHidden();
	await page.keyboard.press('Shift+Enter');
	await page.keyboard.press('f');
	await expect(page.getByLabel('Order of work')).toBeVisible();
	const keptRow = row(page, 'C♯4');
	await expect(keptRow).toContainText('ear');

	await page.keyboard.press('Control+z');
	await expect(page.getByText('Taken back: C♯4 set')).toBeAttached();
	await expect.poll(() => due(page)).toBe('C♯4');
	await expect(keptRow).not.toContainText('ear');
	await page.reload();
	await expect(keptRow).not.toContainText('ear');
	await page.getByRole('button', { name: 'Redo' }).click();
	await expect(keptRow).toContainText('ear');
	await page.getByRole('button', { name: 'Undo' }).click();
	// What is left is the plan; the first of it stays.
	for (let i = 0; i < 9 && (await page.getByRole('button', { name: 'Undo' }).isEnabled()); i++)
		await page.keyboard.press('Control+z');
	await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
	await expect(page.getByText(/equal, A4 = 440\.0/)).toBeVisible();
});

test('a fault in two touches with the sound of the last blow; a string that breaks, and the new one', async ({
	page
}) => {
	await atThePins(page, 'Capstan upright');
	await strikeAndLook(page);
	await page.keyboard.press('x');
	await page.getByRole('button', { name: 'Buzzing string' }).click();
	await expect(page.getByText('A string of A4 buzzes: work found, with the sound of the last blow.')).toBeAttached();

	await page.keyboard.press('x');
	await page.getByRole('button', { name: 'The string broke' }).click();
	const panel = page.getByRole('region', { name: 'A new string' });
	await expect(panel).toContainText('Measure the broken one with a gauge');
	await panel.getByRole('button', { name: 'A new one is on' }).click();
	const { cents } = await strikeAndRead(page);
	expect(cents).toBeLessThan(-25);
	await expect(panel).toContainText(/Leave it about \d+ cents sharp, wedged off/);
	await panel.getByRole('button', { name: /^Book / }).click();
	await expect(panel.getByRole('button', { name: 'Booked' })).toBeDisabled();

	await page.getByRole('link', { name: 'Arrive', exact: true }).click();
	const found = page.getByRole('region', { name: 'Work found' });
	await expect(found).toContainText('A string of A4 buzzes');
	await expect(found).toContainText('String of A4 replaced');
	await page.getByRole('link', { name: 'Close', exact: true }).click();
	await expect(page.getByText('middle string of A4')).toBeVisible();
	await expect(page.getByRole('region', { name: 'The next visit' })).toContainText('New string of A4');
});

test('a note kept by ear off the plan: by how much, and the notes that are not set follow it', async ({ page }) => {
	await atThePins(page, 'Lantern upright');
	await find(page, 'E3');
	await expect.poll(() => due(page)).toBe('E3');
	// Wherever it stands, the ear is content.
	const { cents } = await strikeAndRead(page);
	expect(Math.abs(cents!)).toBeGreaterThan(1);
	await page.keyboard.press('Shift+Enter');
	const ear = page.getByRole('region', { name: 'Ear against meter' });
	await expect(ear).toContainText(/E3 [+−]\d+\.\d/);
	await find(page, 'F3');
	const before = await strikeAndRead(page);
	await ear.getByRole('button', { name: 'Let notes not set yet follow' }).click();
	await expect(page.getByText('Notes that are not set yet follow your ear.')).toBeAttached();
	await expect(ear).toHaveCount(0);
	const after = await strikeAndRead(page);
	// F3 is a semitone from it: it follows by more than half.
	const followed = (before.cents! - after.cents!) / cents!;
	expect(followed).toBeGreaterThan(0.5);
	expect(followed).toBeLessThan(1.1);
	await page.keyboard.press('Control+z');
	await expect(ear).toContainText('E3');
});
