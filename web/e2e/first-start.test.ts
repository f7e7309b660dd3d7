import { expect, test } from '@playwright/test';

test.use({ baseURL: process.env.FENDREL_E2E_EMPTY_URL });

test('an empty database asks for the owner once, and knows nothing of other workshops', async ({ page, browser }) => {
	await page.goto('/');
	await expect(page.getByRole('heading', { name: 'Set up your workshop' })).toBeVisible();
	await page.getByLabel('Workshop').fill('Reed & Wire');
	await page.getByLabel('Your name').fill('Isolde Marrack');
	await page.getByLabel('E-mail').fill('owner@reedwire.example');
	await page.getByLabel(/^Password/).fill('short');
	await page.getByRole('button', { name: 'Begin' }).click();
	await expect(page.getByText('Use at least 10 characters.')).toBeVisible();
	await page.getByLabel(/^Password/).fill('long enough for us');
	await page.getByRole('button', { name: 'Begin' }).click();
	await expect(page.getByRole('heading', { name: '0 instruments in your care' })).toBeVisible();

	await page.getByRole('button', { name: 'Sign out' }).click();
	await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
	await expect(page.getByRole('button', { name: /Look around/ })).toHaveCount(0);
	await page.goto('/welcome');
	await expect(page).toHaveURL(/\/signin$/);
	await page.getByLabel('E-mail').fill('owner@reedwire.example');
	await page.getByLabel('Password').fill('long enough for us');
	await page.getByRole('button', { name: 'Sign in', exact: true }).click();
	await expect(page.getByRole('heading', { name: '0 instruments in your care' })).toBeVisible();

	// Signed in on another device: seen here, and ended from here.
	const base = process.env.FENDREL_E2E_EMPTY_URL!;
	const signInAs = async (password: string) => {
		const other = await (await browser.newContext({ baseURL: base })).newPage();
		await other.goto('/signin');
		await other.getByLabel('E-mail').fill('owner@reedwire.example');
		await other.getByLabel('Password').fill(password);
		await other.getByRole('button', { name: 'Sign in', exact: true }).click();
		return other;
	};
	const other = await signInAs('long enough for us');
	await expect(other.getByRole('heading', { name: '0 instruments in your care' })).toBeVisible();
	await page.getByRole('link', { name: 'Reed & Wire' }).click();
	const open = page.getByRole('region', { name: 'Where you are signed in' });
	await expect(open.getByText('here, now')).toBeVisible();
	await open.getByRole('button', { name: /^End Chrome on/ }).click();
	await expect(open.getByText(/^Ended\./)).toBeVisible();
	await expect(open.getByRole('button', { name: /^End/ })).toHaveCount(0);
	await other.goto('/instruments');
	await expect(other).toHaveURL(/\/signin\?next=/);

	const password = page.getByRole('region', { name: 'Password' });
	const change = async (now: string, next: string) => {
		await password.getByLabel('Password that you have now').fill(now);
		await password.getByLabel(/^New password/).fill(next);
		await password.getByRole('button', { name: 'Change it' }).click();
	};
	await change('long enough for us', 'short');
	await expect(password.getByText('Use at least 10 characters.')).toBeVisible();
	await change('not this one', 'longer than before');
	await expect(password.getByText('That is not the password that you have now.')).toBeVisible();
	await change('long enough for us', 'longer than before');
	await expect(password.getByText(/^Your password is changed\./)).toBeVisible();
	await page.reload();
	await expect(open.getByText('here, now')).toBeVisible();
	await expect((await signInAs('long enough for us')).getByText(/^E-mail or password is wrong/)).toBeVisible();
	await expect((await signInAs('longer than before')).getByRole('heading', { name: /instruments in/ })).toBeVisible();

	// Too many wrong passwords lock that account's door for a while, from this address.
	const stranger = await (await browser.newContext({ baseURL: process.env.FENDREL_E2E_EMPTY_URL })).newPage();
	await stranger.goto('/signin');
	for (let i = 0; i < 6; i++) {
		await stranger.getByRole('textbox', { name: 'E-mail', exact: true }).fill('owner@reedwire.example');
		await stranger.getByRole('textbox', { name: /^Password/ }).fill(`guess ${i}`);
		const answered = stranger.waitForResponse((answer) => answer.request().method() === 'POST');
		await stranger.getByRole('button', { name: 'Sign in', exact: true }).click();
		await answered;
		await expect(stranger.getByRole('alert')).toBeVisible();
	}
	await expect(stranger.getByText(/Too many wrong passwords\. Wait \d+ min/)).toBeVisible();
});
