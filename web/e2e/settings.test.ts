import { expect, test } from '@playwright/test';
import { addInstrument, signIn } from './parts';
import { typeLevels } from './typedSurvey';
import { USUAL_SETTINGS } from '../src/lib/settings/settings';

/** Other journeys count on what is usual. */
test.afterEach(async ({ page }) => {
	const price = { visit: 20, note: 3, tuning: 95, pass: 40 };
	expect((await page.request.put('/api/settings', { data: { ...USUAL_SETTINGS, price } })).status()).toBe(200);
});

test('a workshop decides when a pass goes first, and what work costs', async ({ page }) => {
	await signIn(page);
	await page.getByRole('link', { name: 'Settings' }).click();
	await expect(page.getByRole('heading', { name: 'What the workshop decides' })).toBeVisible();
	const pass = page.getByRole('textbox', { name: 'Each pass before it: price' });
	const keep = page.getByRole('button', { name: /^(Keep|Kept)$/ });
	await expect(keep).toBeDisabled();
	await pass.fill('forty');
	await keep.click();
	await expect(page.getByRole('alert')).toHaveText('Price, each pass before it: enter a number.');
	await pass.fill('55');
	await page.getByRole('textbox', { name: 'Lessons: tune once up to, cents' }).fill('1');
	await keep.click();
	await expect(page.getByRole('alert')).toContainText('Lessons: work grows with what is off');
	await page.getByRole('button', { name: 'One tuning up to 10 cents' }).click();
	await expect(page.getByRole('img', { name: /Lessons: touch up to 2 cents, one tuning to 10/ })).toBeVisible();
	await keep.click();
	await expect(keep).toHaveText('Kept');
	await page.reload();
	await expect(pass).toHaveValue('55');
	await expect(page.getByRole('textbox', { name: 'Home: tune once up to, cents' })).toHaveValue('10');

	// A visit goes by it.
	await addInstrument(page, 'Decided upright');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await typeLevels(page, () => -7);
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(page.getByTestId('verdict')).toHaveText('Tune it once.');
	await expect(page.getByText('€ 115')).toBeVisible();
});

test('notes, figures, degrees and weeks as the workshop writes them; found, marked, put back', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Written otherwise');
	const instrument = page.url();
	await page.goto('/settings');
	await page.getByRole('searchbox', { name: 'Which setting?' }).fill('decimal');
	await page.getByRole('list', { name: 'Settings found' }).getByRole('button').first().click();
	await expect(page.getByLabel('Decimal sign')).toBeFocused();
	await page.getByLabel('Decimal sign').selectOption('comma');
	await page.getByLabel('Notes').selectOption('german');
	await page.getByLabel('Temperatures').selectOption('fahrenheit');
	await page.getByLabel('A week begins on').selectOption('sunday');
	const written = page.waitForEvent('load');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await written;
	await expect(page.getByRole('button', { name: 'Kept' })).toBeVisible();
	await expect(page.getByText('4 settings differ from the usual')).toBeVisible();
	// A page that the server makes, an address with a note in it, and what is typed.
	await page.goto('/temperaments/vallotti');
	await expect(page.getByRole('columnheader', { name: 'H', exact: true })).toBeVisible();
	await expect(page.getByText(/\d,\d\d cents/).first()).toBeVisible();
	await page.goto('/intervals');
	await page.getByLabel('Two notes').fill('H3 Dis4');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'H3 with E♭4: major third' })).toBeVisible();
	await page.goto('/round/diary');
	await expect(page.getByRole('columnheader').or(page.locator('.ec-col-head')).first()).toContainText('Sun');
	// A visit, which the device makes.
	await page.goto(instrument);
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByLabel('Temperature in °F').fill('68');
	await page.getByLabel('Temperature in °F').press('Tab');
	await expect(page.getByText(/typed, \d/)).toBeVisible();
	const visit = page.url();
	await page.reload();
	await expect(page.getByLabel('Temperature in °F')).toHaveValue('68,0');
	// A file calls notes one way; what comes into the field is what this reader would have typed.
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await page.getByRole('button', { name: 'Type or paste' }).click();
	const lines = 'note;cents\nB3;-4.2\nBb3;-3.1\nA4;-2';
	await page
		.getByLabel('From a file')
		.setInputFiles({ name: 'pitches.csv', mimeType: 'text/csv', buffer: Buffer.from(lines) });
	await expect(page.getByLabel('Notes and pitches')).toHaveValue('note;cents\nH3;-4.2\nB3;-3.1\nA4;-2');
	await expect(page.getByText('3 notes understood, in cents.')).toBeVisible();
	await page.getByRole('button', { name: 'Keep 3 notes' }).click();
	await expect(page.getByTestId('saved')).toHaveText('everything saved');
	await page.goto('/settings');
	await page.getByText('4 settings differ from the usual').click();
	await page.getByRole('button', { name: 'Put back: How it is written: temperatures' }).click();
	// Every name and figure is written anew: the page comes once more.
	const anew = page.waitForEvent('load');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await anew;
	await expect(page.getByText('3 settings differ from the usual')).toBeVisible();
	await page.goto(visit);
	await expect(page.getByLabel('Temperature in °C')).toHaveValue('20,0');
});
