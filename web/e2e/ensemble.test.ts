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

test('two in one room: a grand beside an organ that warms up, then beside another grand; what cannot be is said', async ({
	page
}) => {
	await signIn(page);
	await page.goto('/ensembles');
	await page.getByRole('link', { name: /^Two in one room/ }).click();
	await expect(page.getByText('Choose two:')).toBeVisible();
	const first = page.getByLabel('The first', { exact: true });
	const second = page.getByLabel('The second', { exact: true });
	await first.selectOption({ label: 'Chapel concert grand' });
	await expect(page).toHaveURL(/first=/);
	await second.selectOption('organ');
	const told = page.getByTestId('beside');
	await expect(told).toContainText('cents apart on the average');
	const cold = await told.textContent();
	// Five degrees are fifteen cents to the pipes, and the strings are asked to follow.
	await page.getByLabel('played at °C').fill('23');
	await leaveField(page);
	await expect(told).not.toHaveText(cold!);
	await expect(page.getByText(/Chapel concert grand: 1\d\.\d cents up on the average/)).toBeVisible();
	await page.getByLabel('played at °C').fill('90');
	await leaveField(page);
	await expect(page.getByRole('alert')).toHaveText('Temperatures lie between -10 and 45 °C.');
	await expect(page.getByLabel('played at °C')).toHaveValue('90');
	await page.getByLabel('played at °C').fill('18');
	await leaveField(page);
	await expect(told).toBeVisible();
	await second.selectOption({ label: 'Chapel concert grand' });
	await expect(page.getByRole('alert')).toHaveText(
		'These are the same instrument: choose another one for one of the two.'
	);
	await second.selectOption({ label: 'Teaching studio grand' });
	await page.getByLabel('The second gives way').selectOption('readily');
	await expect(told).toContainText('Afterwards');
	await expect(page.getByRole('table', { name: 'What each moves by, in cents' }).getByRole('row')).not.toHaveCount(1);
	// One that nobody has, or no number at all, is no way in.
	await page.goto('/ensembles/beside?first=00000000-0000-7000-8000-000000000000&second=organ');
	await expect(page.getByRole('alert')).toContainText('not in your register');
});
