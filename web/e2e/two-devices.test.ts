import { expect, test, type Browser, type Page } from '@playwright/test';
import { Gate } from './gate';
import { addInstrument, kept, signIn, startVisit } from './parts';

const differ = (page: Page) => page.getByRole('complementary', { name: 'Written differently on two devices' });
const choices = (page: Page) => page.getByRole('dialog', { name: 'Written on two devices' });

/** Two devices, each with a way of its own to the server, in one visit. */
async function twoDevices(browser: Browser, address: string, name: string) {
	const open = async () => {
		const way = await Gate.before(address);
		const page = await (await browser.newContext({ baseURL: way.address })).newPage();
		await signIn(page);
		return { way, page };
	};
	const [one, two] = [await open(), await open()];
	await addInstrument(one.page, name, { lowest: 'C3', highest: 'C5' });
	await startVisit(one.page);
	await expect(one.page.getByText('Equal at 440.0 Hz.')).toBeVisible();
	await expect(one.page.getByTestId('saved')).toHaveText('everything saved');
	const visit = new URL(one.page.url()).pathname.replace(/\/plan$/, '');
	await two.page.goto(`${visit}/plan`);
	await expect(two.page.getByText('Equal at 440.0 Hz.')).toBeVisible();
	for (const { page } of [one, two]) await kept(page);
	const close = async () => {
		for (const { page, way } of [one, two]) {
			await page.context().close();
			await way.close();
		}
	};
	return { one, two, visit, close };
}

test('what one device does the other shows within seconds', async ({ browser, baseURL }) => {
	const { one, two, close } = await twoDevices(browser, baseURL!, 'Seen twice');
	await one.page.getByRole('button', { name: '442', exact: true }).click();
	await expect(two.page.getByText('Equal at 442.0 Hz.')).toBeVisible();
	await two.page.getByRole('link', { name: 'Set', exact: true }).click();
	await expect(two.page.getByRole('button', { name: 'Listen' })).toBeEnabled();
	await two.page.keyboard.press('Shift+Enter');
	await one.page.getByRole('link', { name: 'Close', exact: true }).click();
	await expect(one.page.getByText('1 note set, 24 left out.')).toBeVisible();
	// The plan changes under the work: Set shows it at once.
	await one.page.getByRole('link', { name: 'Plan', exact: true }).click();
	await one.page.getByRole('button', { name: '415', exact: true }).click();
	await expect(two.page.getByText(/A4 = 415\.0/)).toBeVisible();
	await expect(two.page.getByText('Temperament octave: 1 of 14')).toBeVisible();
	await close();
});

test('two notes for the record, two pitches: both are shown, and one is chosen', async ({ browser, baseURL }) => {
	const { one, two, visit, close } = await twoDevices(browser, baseURL!, 'Written twice');
	one.way.cut();
	two.way.cut();
	await one.page.getByRole('button', { name: '442', exact: true }).click();
	await two.page.getByLabel(/^A4 in hertz/).fill('438');
	await two.page.getByLabel(/^A4 in hertz/).press('Enter');
	// What the other leaves alone is no question.
	await two.page.getByRole('button', { name: '2', exact: true }).click();
	for (const [{ page }, text] of [
		[one, 'The bass bridge is loose.'],
		[two, 'Moth in the felt.']
	] as const) {
		await page.getByRole('link', { name: 'Close', exact: true }).click();
		await page.getByLabel('Note for the record').fill(text);
		await page.getByRole('link', { name: 'Plan', exact: true }).click();
	}
	one.way.state = 'open';
	await expect(one.page.getByTestId('saved')).toHaveText('everything saved', { timeout: 40_000 });
	two.way.state = 'open';
	await expect(two.page.getByTestId('saved')).toHaveText('everything saved', { timeout: 40_000 });
	for (const { page } of [one, two]) {
		await expect(differ(page)).toContainText('A4 and the note for the record were written differently on two devices.');
		await differ(page).getByRole('button', { name: 'Choose' }).click();
		for (const each of ['442.0 Hz', '438.0 Hz', 'The bass bridge is loose.', 'Moth in the felt.'])
			await expect(choices(page)).toContainText(each);
		await expect(choices(page)).not.toContainText('tolerance');
	}
	await choices(one.page).getByRole('listitem').filter({ hasText: '442.0 Hz' }).getByRole('button').click();
	await choices(one.page).getByRole('button', { name: 'Keep both, one after the other' }).click();
	for (const { page } of [one, two]) await expect(differ(page)).toHaveCount(0);
	await expect(two.page.getByText('Equal at 442.0 Hz.')).toBeVisible();
	await expect(two.page.getByRole('button', { name: '2', exact: true })).toHaveAttribute('aria-pressed', 'true');
	await two.page.goto(`${visit}/close`);
	await expect(two.page.getByLabel('Note for the record')).toHaveValue(
		/(bass bridge is loose\.\nMoth in the felt\.|Moth in the felt\.\nThe bass bridge is loose\.)/
	);
	await close();
});

test('an instrument that two devices save: the second sees both and decides', async ({ browser, baseURL }) => {
	const { one, two, close } = await twoDevices(browser, baseURL!, 'Described twice');
	await one.page.getByRole('link', { name: 'Described twice' }).click();
	await one.page.getByRole('link', { name: 'Edit' }).click();
	await expect(one.page).toHaveURL(/\/edit$/);
	await two.page.goto(new URL(one.page.url()).pathname);
	await one.page.getByLabel('Notes').fill('Key in the vestry.');
	await one.page.getByRole('button', { name: /^Save/ }).click();
	await expect(one.page.getByText('Key in the vestry.')).toBeVisible();
	await two.page.getByLabel('Notes').fill('Key with the verger.');
	await two.page.getByRole('button', { name: /^Save/ }).click();
	await expect(two.page.getByText('Somebody has saved this instrument meanwhile.')).toBeVisible();
	await expect(two.page.getByText('Changed meanwhile on another device, to: “Key in the vestry.”.')).toBeVisible();
	await expect(two.page.getByLabel('Notes')).toHaveValue('Key with the verger.');
	await two.page.getByRole('button', { name: /^Save/ }).click();
	await expect(two.page.getByText('Key with the verger.')).toBeVisible();
	await close();
});
