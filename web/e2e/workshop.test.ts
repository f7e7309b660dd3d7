import { text } from 'node:stream/consumers';
import { expect, test } from '@playwright/test';
import { addInstrument, joined, signIn } from './parts';

test('a workshop’s people: a guest looks, an apprentice works, an owner decides, and what was deleted comes back', async ({
	page,
	browser
}) => {
	test.setTimeout(180_000);
	await signIn(page);
	await addInstrument(page, 'Roles upright', { place: 'Roles hall' });
	const instrument = new URL(page.url()).pathname;

	const guest = await joined(browser, page, 'Bursar Quill', 'Guest', 'Roles hall');
	await expect(guest.getByRole('heading', { name: '1 instrument in your care' })).toBeVisible();
	await guest.getByRole('link', { name: 'Roles upright' }).click();
	await expect(guest.getByRole('heading', { name: 'Roles upright' })).toBeVisible();
	for (const name of ['Start a visit', 'Delete this instrument', 'Mend one note'])
		await expect(guest.getByRole('button', { name })).toHaveCount(0);
	await expect(guest.getByRole('link', { name: 'Settings' })).toHaveCount(0);
	await guest.goto('/settings');
	await expect(guest.getByText('As a guest you may look')).toBeVisible();

	const apprentice = await joined(browser, page, 'Learner Fenwick', 'Apprentice');
	await apprentice.goto(instrument);
	await expect(apprentice.getByRole('button', { name: 'Start a visit' })).toBeEnabled();
	await expect(apprentice.getByRole('button', { name: 'Delete this instrument' })).toHaveCount(0);
	await apprentice.goto('/settings');
	await expect(apprentice.getByText('An apprentice may not do this.')).toBeVisible();
	await expect(apprentice.getByRole('button', { name: 'All as usual' })).toBeDisabled();

	await page.goto(instrument);
	await page.getByRole('button', { name: 'Delete this instrument' }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByText('“Roles upright” is deleted.')).toBeVisible();
	await guest.goto('/instruments');
	await expect(guest.getByText('There are no instruments that you may see.')).toBeVisible();
	await apprentice.goto(instrument);
	await expect(apprentice.getByText('There is no such instrument in your workshop.')).toBeVisible();
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(page.getByRole('link', { name: 'Roles upright' })).toBeVisible();
	await guest.reload();
	await expect(guest.getByRole('link', { name: 'Roles upright' })).toBeVisible();

	// Another role at once; then the account goes, and its sessions with it.
	await page.goto('/workshop/people');
	await page.getByRole('button', { name: 'Change the role of Bursar Quill' }).click();
	await page.getByRole('dialog').locator('select[name=role]').selectOption({ label: 'Technician' });
	await page.getByRole('dialog').getByRole('button', { name: 'Change it' }).click();
	await expect(page.getByText('Changed.')).toBeVisible();
	await guest.goto('/settings');
	await expect(guest.getByRole('heading', { name: 'What the workshop decides' })).toBeVisible();
	await page.getByRole('button', { name: 'Delete Bursar Quill' }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Delete the account' }).click();
	await expect(page.getByText('Bursar Quill is signed out everywhere')).toBeVisible();
	await guest.goto('/instruments');
	await expect(guest).toHaveURL(/\/signin/);
	await page.getByRole('link', { name: 'Deleted', exact: true }).click();
	await page.getByRole('button', { name: 'Bring back The account of Bursar Quill' }).click();
	await expect(page.getByText('It is back, as it was.')).toBeVisible();

	// A new password by link.
	await page.getByRole('link', { name: 'People' }).click();
	await page.getByRole('button', { name: 'New password for Bursar Quill' }).click();
	await guest.goto((await page.getByTestId('link').innerText()).trim());
	await guest.getByLabel(/^Password/).fill('one that they know');
	await guest.getByRole('button', { name: 'Choose it' }).click();
	await expect(guest.getByRole('button', { name: 'Sign out' })).toBeVisible();

	await page.getByRole('link', { name: 'What was changed' }).click();
	for (const said of [
		'let a new password be chosen by Bursar Quill',
		'brought back the account of Bursar Quill',
		'deleted the instrument Roles upright',
		'joined as guest'
	])
		await expect(page.getByText(said).first()).toBeVisible();
	await page.getByRole('link', { name: 'What is stored' }).click();
	const [out] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Download all of it' }).click()
	]);
	const lines = (await out.createReadStream().then(text)).trim().split('\n');
	expect(lines.length).toBeGreaterThan(1000);
	expect(lines.map((line) => JSON.parse(line) as { table?: string; name?: string })).toContainEqual(
		expect.objectContaining({ table: 'instruments', name: 'Roles upright' })
	);
	expect(lines.join()).not.toMatch(/password_hash|token_hash/);
});

test('a visit deleted from its instrument, and a reading that is not to count', async ({ page }) => {
	await signIn(page);
	await page.getByRole('link', { name: 'Assembly room fortepiano' }).click();
	const rows = page.getByRole('region', { name: 'Visits' }).getByRole('row');
	await expect(rows.nth(1)).toBeVisible();
	const before = await rows.count();
	await rows
		.nth(1)
		.getByRole('link', { name: /^readings/ })
		.click();
	const first = page.getByRole('row').nth(1);
	await first.getByRole('button', { name: /^Discard/ }).click();
	await expect(page.getByText('It does not count any more.')).toBeVisible();
	await first.getByRole('button', { name: /^Bring back/ }).click();
	await expect(page.getByText('It counts again.')).toBeVisible();
	await page.getByLabel('Note').fill('H9');
	await page.getByRole('button', { name: 'Find' }).click();
	await expect(page.getByText('No reading of “H9” in this visit.')).toBeVisible();

	await page.getByRole('button', { name: 'Delete this visit' }).click();
	await page.getByRole('dialog').getByRole('button', { name: 'Delete the visit' }).click();
	await expect(page.getByText('The visit is deleted.')).toBeVisible();
	await expect(rows).toHaveCount(before - 1);
	await page.goto('/workshop/deleted');
	await page.getByRole('button', { name: /^Bring back Assembly room fortepiano, visit of/ }).click();
	await expect(page.getByText('It is back, as it was.')).toBeVisible();
});

test('times on a page are the device’s own, wherever the server stands', async ({ browser }) => {
	const timeZone = 'Asia/Kathmandu';
	const page = await (await browser.newContext({ timezoneId: timeZone })).newPage();
	await signIn(page);
	const clock = new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' });
	const before = new Date();
	await addInstrument(page, 'Clockmaker’s upright');
	const after = new Date();
	await page.goto('/workshop/changes');
	const row = page.getByRole('row').filter({ hasText: 'Clockmaker’s upright' });
	await expect(row).toContainText(new RegExp(`^\\s*(${clock.format(before)}|${clock.format(after)})`));
});
