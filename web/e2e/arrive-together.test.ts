import { expect, test } from '@playwright/test';
import { Gate } from './gate';
import { addInstrument, signIn } from './parts';
import { typeLevels } from './typedSurvey';

test('two devices before the first pin: each sees what the other found; without the server nothing is lost', async ({
	browser,
	baseURL
}) => {
	test.setTimeout(180_000);
	const open = async () => {
		const way = await Gate.before(baseURL!);
		const page = await (await browser.newContext({ baseURL: way.address })).newPage();
		await signIn(page);
		return { way, page };
	};
	const [one, two] = [await open(), await open()];
	await addInstrument(one.page, 'Looked at by two');
	await one.page.getByRole('button', { name: 'Start a visit' }).click();
	await expect(one.page.getByTestId('saved')).toHaveText('everything saved');
	const arrive = new URL(one.page.url()).pathname;
	await two.page.goto(arrive);

	// One looks at the pins while the other writes down what it is for.
	await one.page.getByRole('button', { name: /^Pins and block/ }).click();
	await one.page.keyboard.press('d');
	await two.page.getByRole('combobox', { name: /^For/ }).selectOption('Stage');
	await two.page.getByLabel('Humidity in %').fill('61');
	await two.page.getByLabel('Humidity in %').press('Enter');
	await expect(two.page.getByRole('button', { name: /^Pins and block: Loose/ })).toBeVisible();
	await expect(one.page.getByRole('combobox', { name: /^For/ })).toHaveValue('stage');
	await expect(one.page.getByLabel('Humidity in %')).toHaveValue('61');

	// Two writes to one field, apart: the later one stands, the other stays in the record.
	one.way.cut();
	await one.page.getByLabel('Wishes').fill('as soft as can be');
	await one.page.getByLabel('Wishes').press('Enter');
	await typeLevels(one.page, () => -4);
	await expect(one.page.getByTestId('saved')).toHaveText(/\d+ entries waiting on this device/);
	await two.page.getByRole('link', { name: 'Plan', exact: true }).click();
	await expect(two.page.getByText('Nothing has been read yet.')).toBeVisible();
	// The page dies with the server away, and goes on from the device.
	await one.page.reload().catch(() => {});
	one.way.state = 'open';
	await one.page.goto(arrive.replace(/arrive$/, 'plan'));
	await expect(one.page.getByTestId('verdict')).toBeVisible();
	await expect(one.page.getByTestId('saved')).toHaveText('everything saved', { timeout: 40_000 });
	const verdict = await one.page.getByTestId('verdict').textContent();
	// On a stage every string counts, and the block is loose.
	await expect(two.page.getByTestId('verdict')).toHaveText(verdict!);
	await two.page.getByRole('link', { name: 'Arrive', exact: true }).click();
	await expect(two.page.getByLabel('Wishes')).toHaveValue('as soft as can be');
	for (const { page, way } of [one, two]) {
		await page.context().close();
		await way.close();
	}
});
