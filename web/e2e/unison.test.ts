import { expect, test } from '@playwright/test';
import { addInstrument, signIn, startSetting, strike, strikeAndLook } from './parts';

test('several strings open: the spread of the unison, where it beats, and clean once it stands', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Unison upright');
	await startSetting(page);
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	// One string alone has nothing to say of a unison.
	await strikeAndLook(page);
	await expect(page.getByRole('region', { name: 'The last strike, closer' })).toHaveCount(0);

	// All three, one of them brought well away: told apart, with a figure.
	await page.keyboard.press('0');
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
	await strikeAndLook(page);
	const closer = page.getByRole('region', { name: 'The last strike, closer' });
	await expect(closer).toContainText('A4, 3 strings');
	await expect(closer).toContainText(/\d\.\d\s+cents from end to end/);
	const spread = async () => Number.parseFloat(await closer.locator('.spread b').innerText());
	const wide = await spread();
	expect(wide).toBeGreaterThan(3);
	// Back by as much: the spread follows.
	for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown');
	await strikeAndLook(page);
	await expect.poll(spread).toBeLessThan(wide - 2);
});

test('by the pair method, without a figure in cents: cleaned, judged, one moved by its beat, the other matched', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Pair upright', { lowest: 'A3', highest: 'A4' });
	await startSetting(page);
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
	await page.keyboard.press('p');
	const panel = page.getByRole('region', { name: 'Pair method' });
	const word = page.locator('.figure .word');
	const told = () => page.getByTestId('deviation').innerText();
	await expect(word).toHaveText('Clean the pair');

	/** Nothing but beats is read: which string, which way, how fast it shall beat and how fast it does. */
	const looked = () => page.locator('.set').getAttribute('data-looks');
	let step = 1;
	let last = Infinity;
	for (let round = 0; round < 45 && (await word.innerText()) !== 'It stands'; round++) {
		const looks = await looked();
		await strike(page);
		// A strike that cannot be told is said so, and struck again.
		await expect.poll(async () => (await looked()) !== looks || (await page.locator('.notice').count()) > 0).toBe(true);
		const phase = await word.innerText();
		if (phase === 'It stands') break;
		const [, heard, asked] = /^\s*([\d.]+)\s*(?:of ([\d.]+))?/.exec(await told()) ?? [];
		const off = Math.abs(Number(heard) - Number(asked ?? 0));
		const way = phase.endsWith('up') ? 1 : phase.endsWith('down') ? -1 : 0;
		// Where no way is said, who hears that it grows worse turns the other way.
		if (way) step = way;
		else if (off > last + 0.05) step = -step;
		last = way ? Infinity : off;
		const cents = Math.max(0.2, Math.min(4, 1.3 * off));
		for (let i = 0; i < Math.round(cents / 0.2); i++)
			await page.keyboard.press(step > 0 ? 'Shift+ArrowUp' : 'Shift+ArrowDown');
		await expect(panel).toContainText(/Lever on (left|middle)/);
	}
	await expect(word).toHaveText('It stands');
	// It is kept with its reading, and the next note comes.
	await expect(
		page
			.getByLabel('Order of work')
			.getByText(/^[+−]?0\.\d$/)
			.first()
	).toBeVisible();
	await expect(word).not.toHaveText('It stands');
});
