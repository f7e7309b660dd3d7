import { expect, test, type Page } from '@playwright/test';
import { addInstrument, listen, readLive, row, signIn, startVisit, strikeAndLook, strikeAndRead } from './parts';

async function atThePins(page: Page, name: string): Promise<void> {
	await signIn(page);
	await addInstrument(page, name, { lowest: 'C3', highest: 'C5' });
	await startVisit(page);
	await page.getByLabel('Stretch').selectOption('Octave-led');
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await listen(page);
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
	// What was taken back before is not said again.
	await expect(page.getByText('Taken back: C♯4 set')).toHaveCount(0);
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

	await page.getByRole('link', { name: 'Prove', exact: true }).click();
	await page.getByRole('link', { name: 'As an examiner would go through it' }).click();
	await expect(page.getByRole('row', { name: /^Bass, up to E3/ })).toContainText(/E3 [+−]\d+\.\d \([123]\)/);
	await expect(page.getByRole('row', { name: /^Top/ })).toContainText('not examined');
	await expect(page.getByText(/By what was read: 2 of 25 notes\..*Examinations ask for/)).toBeVisible();
});

test('the clock: what brings most in the time that is left, weighed by what is played', async ({ page }) => {
	await atThePins(page, 'Millrace upright');
	await page.keyboard.press('t');
	const dialog = page.getByRole('dialog', { name: 'The time that is left' });
	await dialog.getByRole('textbox', { name: 'Keys' }).fill('C, H moll');
	await dialog.getByRole('button', { name: 'Take these keys' }).click();
	await expect(dialog.getByRole('alert')).toContainText('“H moll” is no key');
	await dialog.getByLabel('MIDI files').setInputFiles({
		...{ name: 'song.mid', mimeType: 'audio/midi', buffer: Buffer.from('no music at all') }
	});
	await expect(dialog.getByRole('alert')).toContainText('song.mid is no MIDI file, or it is damaged.');
	// A piece of one note: E4, two crotchets long.
	const piece = Buffer.from('4d546864000000060000000101e04d54726b0000000d009040648740804000' + '00ff2f00', 'hex');
	await dialog.getByLabel('MIDI files').setInputFiles({ name: 'Song.mid', mimeType: 'audio/midi', buffer: piece });
	await expect(dialog).toContainText('Notes count by: Song.');
	const at = new Date(Date.now() + 5 * 60_000);
	const clock = `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
	await dialog.getByLabel('Done by').fill(clock);
	await dialog.getByLabel('Done by').press('Tab');
	await expect(dialog.getByRole('status')).toContainText(/enough for \d of 25 notes/);
	await dialog.getByRole('button', { name: 'Set only these' }).click();
	const order = page.getByLabel('Order of work');
	await expect(order.getByRole('heading')).toContainText(/To touch: 0 of \d$/);
	await expect(row(page, 'E4')).toBeVisible();
	await page.reload();
	await expect(order.getByRole('heading')).toContainText(/To touch: 0 of \d$/);
	await expect(page.getByTitle('The time that is left, and what is played (T)')).toContainText(/\d min/);
});
