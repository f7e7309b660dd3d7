import { expect, test } from '@playwright/test';
import { addInstrument, listen, raiseDueNote, signIn, strike, strikeUntil } from './parts';

test('a raise in two passes: set past the target, read again, what is left by section, once more, then the tuning', async ({
	page
}) => {
	test.setTimeout(420_000);
	await signIn(page);
	await addInstrument(page, 'Slipway upright', { lowest: 'C4', highest: 'C5' });
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await page.getByLabel('Survey of').selectOption('walk: all strings open');
	await listen(page);
	await strikeUntil(page, page.getByText(/^All 13 notes of the survey are read/), 40);
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	const a4 = page.getByLabel(/^A4 in hertz/);
	await a4.fill('444');
	await a4.press('Enter');
	await page.getByRole('region', { name: 'First pass' }).getByRole('combobox').first().selectOption('Half the drop');
	await expect(page.getByTestId('verdict')).toHaveText(/^Raise it in two passes, then tune/);
	const consent = page.getByRole('region', { name: 'Consent', exact: true });
	await consent.getByLabel('Explained by').fill('Wren');
	await consent.getByLabel('to', { exact: true }).fill('the boatwright');
	await consent.getByRole('button', { name: 'They agree' }).click();
	await page.getByRole('button', { name: 'Take this plan and raise' }).click();

	const pass = page.getByRole('region', { name: 'The pass' });
	await expect(pass).toContainText('Pass 1: 0 of 13');
	await expect(pass).toContainText(/bring it to \+\d+\.\d cents of its target/);
	await listen(page);
	for (let i = 0; i < 13; i++) await raiseDueNote(page, i === 12);
	await expect(pass).toContainText('Pass 1: 13 of 13');
	// One of the first, once more: it has sunk since, and nothing else comes due of it.
	await page.getByLabel('Order of work').getByRole('button').first().click();
	await strike(page);
	await expect(pass.getByRole('row')).toHaveCount(2);
	await expect(pass).toContainText('The pass is done. Another one is due.');
	await pass.getByRole('button', { name: 'Begin pass 2' }).click();
	await expect(pass).toContainText('Pass 2: 0 of 13');
	await listen(page);
	for (let i = 0; i < 13; i++) await raiseDueNote(page, i === 12);
	await expect(pass).toContainText('Pass 2: 13 of 13');
	await page.reload();
	await expect(pass).toContainText('The pass is done. What is left is a matter of tuning.');
	await pass.getByRole('button', { name: 'Go on to the tuning' }).click();
	await expect(page.getByRole('heading', { name: /^(Temperament octave|Upwards|Downwards): 0 of/ })).toBeVisible();
	await expect(pass).toHaveCount(0);
});
