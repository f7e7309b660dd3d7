import { expect, test, type Page } from '@playwright/test';
import { leaveField, signIn } from './parts';
import { due, says, setString, sound } from './strings';

const advice = (page: Page) => page.getByTestId('fret-advice');

/** Three strings and four frets; what cannot be is refused with the reason, and what was typed stays. */
async function addViol(page: Page, name: string): Promise<void> {
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill(name);
	await page.getByLabel('Kind').selectOption('frets');
	await page.getByLabel('Neck').selectOption('own');
	const strings = page.getByLabel(/^Open strings/);
	const scale = page.getByLabel(/^Scale/);
	const alert = page.getByRole('alert');
	const add = () => page.getByRole('button', { name: 'Add it' }).click();
	await strings.fill('C3 A3 D4');
	await page.getByLabel('Frets', { exact: true }).fill('4');
	await scale.fill('27');
	await add();
	await expect(alert).toHaveText('27 what? Write mm, cm or in behind it, as in 27 in.');
	await scale.fill('27.2 in');
	await add();
	await expect(alert).toHaveText('These go from the lowest up. Write the highest string first.');
	await strings.fill('D4 A3 C3');
	await page.getByLabel(/^Where frets lie/).fill('1 39\n2 38.5');
	await add();
	await expect(alert).toContainText('Fret 2 does not lie beyond the one before it.');
	await page.getByLabel(/^Where frets lie/).fill('');
	await page.getByLabel('Usual A4').fill('415');
	await add();
	await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
	await expect(page.getByText('690.9 mm')).toBeVisible();
}

test('a viol from the door to its card: strings by a drone, frets surveyed and moved, a wolf written down', async ({
	page
}) => {
	test.setTimeout(240_000);
	await signIn(page);
	await addViol(page, 'Viol of the sail loft');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await expect(page.getByTestId('arrival')).toBeVisible();
	await page.getByRole('button', { name: /^Pegs/ }).click();
	await page.keyboard.press('a');
	await page.getByRole('link', { name: 'Go on to Sound' }).click();

	// An uneven bow is refused with the reason; then string by string, open and at the frets where trouble is looked for first.
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('group', { name: 'Simulated strings' })).toBeVisible();
	await page.keyboard.press('2');
	await expect(page.getByText(/It wandered too much/)).toBeVisible();
	for (let i = 0; i < 12; i++) await sound(page);
	await expect(page.getByTestId('found')).toContainText('3 strings read');
	await expect(page.getByRole('table', { name: 'Cents now' }).getByRole('cell')).toHaveCount(12);
	await page.getByRole('link', { name: 'Go on to Plan' }).click();

	// In quarter-comma meantone one fret cannot be both E♭ and C♯: said, and spelled otherwise. Vallotti has none of that.
	await page.getByLabel('Temperament', { exact: true }).selectOption({ label: 'Quarter-comma meantone' });
	const both = page.getByRole('heading', { name: 'One fret cannot be both' });
	await expect(both).toBeVisible();
	await page.getByRole('button', { name: 'D♭ on C3' }).click();
	await expect(both).toHaveCount(0);
	await page.getByRole('button', { name: 'As the temperament has them' }).click();
	await expect(both).toBeVisible();
	await page.getByLabel('Temperament', { exact: true }).selectOption({ label: 'Vallotti' });
	await expect(both).toHaveCount(0);
	await page.getByLabel('Keys that are played').fill('D minor, H');
	await leaveField(page);
	await expect(page.getByRole('alert')).toContainText('“H” is no key');
	await page.getByLabel('Keys that are played').fill('D minor, G');
	await leaveField(page);
	await expect(page.getByRole('alert')).toHaveCount(0);
	await page.getByRole('link', { name: 'Set', exact: true }).last().click();

	// Strings: the first beside a drone of its target.
	await expect(due(page)).toContainText('First string, D4');
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('group', { name: 'Simulated strings' })).toBeVisible();
	await page.keyboard.press('d');
	await expect(says(page)).toContainText('listening to the drone alone');
	await expect(says(page)).not.toContainText('listening to the drone alone');
	await setString(page, 'First string, D4');
	await page.keyboard.press('d');
	await setString(page, 'Second string, A3');
	await setString(page, 'Third string, C3');

	// The first fret is due: moved as it is said, each string sounded again, until it may stay.
	await expect(advice(page)).toContainText(/end|Leave it/);
	for (let moves = 0; moves < 4; moves++) {
		await expect(advice(page)).not.toContainText('to sound');
		if ((await advice(page).textContent())!.includes('Leave it')) break;
		await page.keyboard.press('PageDown');
		await expect(advice(page)).toContainText(/to sound at fret 1/);
		await expect(page.getByText(/^Sound again:/)).toBeVisible();
		while ((await advice(page).textContent())!.includes('to sound')) await sound(page);
	}
	await expect(advice(page)).toContainText('Leave it where it is.');
	await page.reload();
	await expect(advice(page)).toContainText('Leave it where it is.');

	// A fret that was moved otherwise: its strings are told by the move until they are sounded.
	await page.getByRole('button', { name: /^Fret 4/ }).click();
	await expect(page.getByRole('table', { name: 'String by string at fret 4' })).toBeVisible();
	await page.getByRole('textbox', { name: 'lowest end' }).fill('70');
	await page.getByRole('button', { name: 'Moved so' }).click();
	await expect(page.getByRole('alert')).toContainText('Write how far each end was moved in mm');
	await page.getByRole('textbox', { name: 'lowest end' }).fill('1.5');
	await page.getByRole('button', { name: 'Moved so' }).click();
	await expect(advice(page)).toContainText('2 strings to sound at fret 4.');

	// Prove and close.
	await page.getByRole('link', { name: 'Go on to Prove' }).click();
	await expect(page.getByTestId('proof')).toBeVisible();
	const wolf = page.getByRole('form', { name: 'Wolf note' });
	await wolf.getByLabel('Note').fill('x');
	await wolf.getByRole('button', { name: 'Write it down' }).click();
	await expect(page.getByRole('alert')).toContainText('“x” is no note');
	await wolf.getByLabel('Note').fill('F3');
	await wolf.getByLabel('Tried').fill('a mass on the bridge');
	await wolf.getByLabel('What it did').fill('quieter');
	await wolf.getByRole('button', { name: 'Write it down' }).click();
	await expect(page.getByText('F3: a mass on the bridge; quieter')).toBeVisible();
	await page.getByRole('link', { name: 'Go on to Close' }).click();
	await expect(page.getByText('F3; a mass on the bridge; quieter')).toBeVisible();
	await page.getByRole('link', { name: 'Card and report, to print' }).click();
	await expect(page).toHaveURL(/\/close\/card/);
	await expect(page.getByText(/^1: .*mm to the/)).toBeVisible();
	await page.goBack();
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByRole('heading', { name: 'Viol of the sail loft', exact: true })).toBeVisible();
});

test('a lute: plucked strings are read, a course by both its strings; another string is named', async ({ page }) => {
	test.setTimeout(180_000);
	await signIn(page);
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill('Lute of the sail loft');
	await page.getByLabel('Kind').selectOption('frets');
	await page.getByLabel('Neck').selectOption('luteSix');
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByRole('heading', { name: 'Lute of the sail loft', exact: true })).toBeVisible();
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('link', { name: 'Go on to Sound' }).click();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByRole('button', { name: 'Soft pluck' })).toBeVisible();
	await expect(due(page)).toContainText('First string, G4');
	await sound(page);
	await expect(due(page)).toContainText('First string, fret 1');
	await sound(page, '2');
	await expect(page.getByTestId('found')).toContainText('1 string read');
	// On to the second course: its two strings one after the other.
	for (let i = 0; i < 2; i++) await page.keyboard.press('PageDown');
	await expect(due(page)).toContainText('Second string, D4');
	await sound(page);
	await expect(due(page)).toContainText('Other string of the second course, D4');
	await sound(page);
	await expect(due(page)).toContainText('Second string, fret 1');
	await expect(page.getByTestId('found')).toContainText('2 strings read');
});
