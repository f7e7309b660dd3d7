import { expect, test } from '@playwright/test';
import { signIn } from './parts';

test('follow a bearing plan from the fork to the last note, by pedal', async ({ page }) => {
	await signIn(page);
	await page.goto('/temperaments/vallotti');
	await page.getByRole('link', { name: 'Bearing plan' }).click();
	await expect(page.getByText('Set A4 from your fork')).toBeVisible();
	await page.getByLabel('School').selectOption('Circle of fifths');
	await expect(page.getByText(/^Circle of fifths\. Fifths and fourths all the way round/)).toBeVisible();

	// The order of the school; every step with its rate, its count and where to listen.
	await page.getByRole('heading', { name: /^Bearing plan/ }).click();
	const now = page.getByRole('region', { name: 'The step to do now' });
	const order = ['A3', 'D4', 'G3', 'C4', 'F3', 'B♭3', 'E♭4', 'G♯3', 'C♯4', 'F♯3', 'B3', 'E4', 'F4'];
	for (const [i, note] of order.entries()) {
		await page.keyboard.press('PageDown');
		await expect(now.getByText(`Step ${i + 2} of 14`)).toBeVisible();
		await expect(now.getByText(new RegExp(`^Set ${note} (up|down)`))).toBeVisible();
		await expect(now.getByText(/in 5 s\. Listen at/)).toBeVisible();
	}
	await page.keyboard.press('PageUp');
	await expect(now.getByText(/^Set E4/)).toBeVisible();
	// The fifth that closes the circle is the proof, and says what a failure means.
	await expect(now.getByText('E4-A4')).toBeVisible();
	await expect(now.getByText(/E4 is the likeliest\. Too wide, raise it/)).toBeVisible();
	await now.getByRole('button', { name: 'Hear the beat' }).click();
	await expect(now.getByRole('button', { name: 'Stop the beat' })).toBeVisible();
	await now.getByRole('button', { name: 'Stop the beat' }).click();
	await now.getByRole('button', { name: 'Hear the interval' }).click();

	// Expected errors by simulation, and the ranking; the computed plan is the surest.
	await expect(page.getByTestId('expected')).toHaveText(/leaves 1\.\d\d cents on a note, and 1\.\d\d on E4-A4/, {
		timeout: 20_000
	});
	const ranking = page.getByRole('table').last().getByRole('row');
	await expect(ranking.nth(1)).toHaveText(/^Computed: least error/, { timeout: 20_000 });
	await ranking.nth(1).getByRole('button').click();
	await expect(page.getByTestId('expected')).toHaveText(/leaves 0\.\d\d cents/, { timeout: 20_000 });

	// From another fork, in another octave, on a real instrument: a new plan, kept in the address.
	await page.getByLabel('Start').selectOption('from C5');
	await page.getByLabel('Temperament octave').selectOption('C4 to C5');
	await page.getByLabel('Instrument').selectOption('Chapel concert grand');
	await expect(page.getByText('Set C5 from your fork')).toBeVisible();
	await expect(page.getByText('523.25 Hz. Everything else follows')).toBeVisible();
	await page.reload();
	await expect(page.getByText('Set C5 from your fork')).toBeVisible();

	// On paper: the list with its checks, without the controls.
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
	await expect(page.getByRole('columnheader', { name: 'check' })).toBeVisible();
});
