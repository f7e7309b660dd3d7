import { expect, test } from '@playwright/test';
import { leaveField, signIn } from './parts';

test('an ensemble agrees: who can move what, what it costs each, where they clash; kept, changed by two, deleted', async ({
	page
}) => {
	await signIn(page);
	await page.goto('/temperaments');
	await page.getByRole('link', { name: 'Playing together' }).click();
	await page.getByRole('link', { name: 'A new ensemble' }).click();
	await expect(page.getByText('Add whoever plays together.')).toBeVisible();
	await page.getByLabel('Ensemble', { exact: true }).fill('Festival in the chapel');
	const add = page.getByLabel('Add a member');
	await add.selectOption({ label: 'Festival harpsichord' });
	await add.selectOption({ label: 'Tide mill consort, bass viol' });
	await add.selectOption({ label: 'Tide mill consort, tenor viol' });
	const verdict = page.getByTestId('agreement');
	// The harpsichord stays; the viols, tuned anyhow, come to it.
	await expect(page.getByLabel('Festival harpsichord can move')).toHaveValue('nothing');
	await expect(verdict).toContainText(/^All can meet in .* at A4 = 415\.0 Hz\.$/);
	await expect(page.getByRole('listitem').filter({ hasText: 'Festival harpsichord stays as it is' })).toBeVisible();
	await expect(page.getByRole('listitem').filter({ hasText: /^Tide mill consort, tenor viol moves/ })).toBeVisible();
	const clash = page
		.getByRole('listitem')
		.filter({ hasText: /cents apart, .* beats a second/ })
		.first();
	await clash.getByRole('button', { name: 'Hear it' }).click();
	await expect(clash.getByRole('button', { name: 'Stop' })).toBeVisible();
	await clash.getByRole('button', { name: 'Stop' }).click();

	// An A4 that no instrument has, and one that no other can follow.
	await add.selectOption('own');
	const a4 = page.getByLabel('A4 of Player 4');
	for (const wrong of ['500', 'x', '']) {
		await a4.fill(wrong);
		await leaveField(page);
		await expect(page.getByRole('alert')).toHaveText('A4 lies between 380 and 480 Hz.');
		await expect(a4).toHaveValue('440.0');
	}
	// Two of one name are two.
	await page.getByLabel('Name of member 4').fill('Tide mill consort, tenor viol');
	await expect(page.getByRole('table', { name: 'Note against note, now' }).getByRole('row')).toHaveCount(7);
	await page.getByLabel('Name of member 4').fill('Player 4');
	await page.getByLabel('Player 4 can move').selectOption('nothing');
	await page.getByLabel('Name of member 4').fill('Chapel organ');
	await expect(verdict).toContainText('Festival harpsichord and Chapel organ stay');
	await page.getByRole('button', { name: 'Keep' }).click();
	await expect(page.getByRole('button', { name: 'Keep' })).toBeDisabled();
	await expect(page).toHaveURL(/ensembles\/[0-9a-f-]{36}$/);
	await page.reload();
	await expect(page.getByLabel('Name of member 4')).toHaveValue('Chapel organ');
	await expect(verdict).toContainText('Chapel organ stay');

	// Two windows: the second is told, and loses nothing.
	const other = await page.context().newPage();
	await other.goto(page.url());
	await other.getByLabel('Ensemble', { exact: true }).fill('Festival on the quay');
	await other.getByRole('button', { name: 'Keep' }).click();
	await expect(other.getByRole('button', { name: 'Keep' })).toBeDisabled();
	await page.getByRole('button', { name: 'Leave out Chapel organ' }).click();
	await expect(verdict).toContainText('All can meet');
	await page.getByRole('button', { name: 'Keep' }).click();
	await expect(page.getByRole('alert')).toContainText('Somebody else has changed it meanwhile');
	await expect(page.getByLabel('Name of member 3')).toHaveValue('Tide mill consort, tenor viol');
	await page.reload();
	await expect(page.getByRole('heading', { name: 'Festival on the quay' })).toBeVisible();
	await page.getByRole('button', { name: 'Delete this ensemble' }).click();
	await expect(page.getByRole('heading', { name: 'Playing together' })).toBeVisible();
	await expect(page.getByRole('link', { name: 'Festival on the quay' })).toHaveCount(0);
});
