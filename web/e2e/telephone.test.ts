import { expect, test } from '@playwright/test';
import { addInstrument, quicken, signIn } from './parts';

test('an owner plays ten notes into a telephone: level, work, time and price are agreed before anybody drives', async ({
	page,
	browser
}) => {
	await signIn(page);
	await addInstrument(page, 'Played from afar');
	const instrument = page.url();
	const before = page.getByRole('region', { name: 'Before the visit' });
	await before.getByRole('button', { name: 'Let the owner play ten notes' }).click();
	const link = await before.getByTestId('owners-link').innerText();
	expect(link).toMatch(/\/look\/[\w-]{32}$/);
	await page.reload();
	await expect(before.getByText('not played yet')).toBeVisible();
	await expect(before.getByTestId('owners-link')).toHaveCount(0);

	// Somebody without an account, on a telephone.
	const owner = await (await browser.newContext({ viewport: { width: 412, height: 860 } })).newPage();
	await quicken(owner);
	await owner.goto(link);
	await expect(owner.getByRole('heading', { name: 'Your instrument, before the visit' })).toBeVisible();
	await expect(owner.getByText('Played from afar')).toHaveCount(0);
	await owner.getByRole('button', { name: 'Try it with a simulated instrument' }).click();
	await expect(owner.getByTestId('due')).toContainText('C4 middle C');
	for (let heard = 1; heard <= 10; heard++) {
		await expect(owner.getByText(`${heard - 1} of 10 heard`)).toBeVisible();
		await owner.getByRole('button', { name: 'Press the key' }).click();
		if (heard < 10) await expect(owner.getByText(`${heard} of 10 heard`)).toBeVisible({ timeout: 40_000 });
	}
	await expect(owner.getByRole('heading', { name: '10 notes heard' })).toBeVisible({ timeout: 40_000 });
	await owner.getByRole('button', { name: 'See what they tell' }).click();
	await expect(owner.getByTestId('owners-verdict')).toBeVisible();
	await expect(owner.getByText(/cents (flat|sharp), as a telephone hears it/)).toBeVisible();
	await expect(owner.getByText(/\d+ (min|h).*€ \d+/)).toBeVisible();
	await owner.getByRole('button', { name: 'Agree to this' }).click();
	await expect(owner.getByRole('alert')).toHaveText('Write your name, so that the workshop knows who agreed.');
	await owner.getByLabel('Your name').fill('Mrs Hale');
	await owner.getByRole('button', { name: 'Agree to this' }).click();
	await expect(owner.getByText('Agreed by Mrs Hale.')).toBeVisible();
	await owner.reload();
	await expect(owner.getByText('Agreed by Mrs Hale.')).toBeVisible();
	// What was agreed is not played over.
	const body = { notes: [60, 62, 64, 65].map((note) => ({ note, pitch: 260, error: 0.1, spread: null })) };
	const over = await owner.request.put(`${link}/heard`, { data: body, headers: { origin: new URL(link).origin } });
	expect([over.status(), (await over.json()).message]).toEqual([
		409,
		'This was agreed already. Ask your technician for a new link.'
	]);
	const bad = await owner.request.put(`${link}/heard`, {
		data: { notes: [] },
		headers: { origin: new URL(link).origin }
	});
	expect(bad.status()).toBe(400);

	await page.reload();
	await expect(before).toContainText(/By telephone, .*cents (flat|sharp).*agreed by Mrs Hale/s);
	await before.getByRole('button', { name: 'Withdraw the link' }).click();
	await expect(before.getByRole('button', { name: 'Withdraw the link' })).toHaveCount(0);
	await expect(before.getByText(/agreed by Mrs Hale/)).toBeVisible();
	await owner.goto(link);
	await expect(owner.getByText('This link does not work any more.')).toBeVisible();
	await page.goto(instrument);
	await expect(before.getByText(/agreed by Mrs Hale/)).toBeVisible();
});
