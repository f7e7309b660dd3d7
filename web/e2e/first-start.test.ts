import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { signIn } from './parts';

test.use({ baseURL: process.env.FENDREL_E2E_EMPTY_URL });
// What the first sets up the others meet.
test.describe.configure({ mode: 'serial' });

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
	// The round is where one begins, and nothing is there yet.
	await expect(page.getByTestId('round')).toHaveText('Nothing is half done, and nothing falls due within six weeks.');

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
	await expect(other.getByTestId('day')).toBeVisible();
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
	await expect((await signInAs('longer than before')).getByTestId('day')).toBeVisible();
});

/** Everything of a workshop, as its owner downloads it. */
async function downloaded(page: Page, file: string): Promise<string> {
	await page.goto(`${new URL(page.url()).origin}/workshop/data`);
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Download all of it' }).click()
	]);
	await download.saveAs(file);
	return readFileSync(file, 'utf8');
}

/** Lines as they compare: what is this server's own, and when it was written, left out. */
function rowsOf(file: string): string[] {
	const [first, ...lines] = file.trimEnd().split('\n');
	const { library } = JSON.parse(first) as { library: Record<string, string> };
	const slugs = new Map(Object.entries(library).map(([slug, id]) => [id, slug]));
	const workshop = lines
		.map((line) => JSON.parse(line) as { table: string; id: string })
		.find(({ table }) => table === 'workshops')!;
	return lines
		.filter((line) => !/"table":"(users|workshops|changes)"/.test(line))
		.map((line) => line.replaceAll(workshop.id, 'WORKSHOP'))
		.map((line) => line.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, (id) => slugs.get(id) ?? id));
}

test('all of a workshop goes out, and into an empty one on another server: the same, line by line', async ({
	page
}, info) => {
	test.setTimeout(240_000);
	const demo = process.env.FENDREL_E2E_URL!;
	await signIn(page, demo);
	const out = info.outputPath('workshop.jsonl');
	const before = await downloaded(page, out);
	await page.context().clearCookies();

	const base = process.env.FENDREL_E2E_EMPTY_URL!;
	await page.goto(`${base}/signin`);
	await page.getByLabel('E-mail').fill('owner@reedwire.example');
	await page.getByLabel('Password').fill('longer than before');
	await page.getByRole('button', { name: 'Sign in', exact: true }).click();
	await expect(page.getByTestId('day')).toBeVisible();
	await page.goto(`${base}/workshop/data`);
	const file = page.getByLabel('Take a whole workshop into this one, while it is empty');
	const wrong = info.outputPath('wrong.jsonl');
	writeFileSync(wrong, 'name,kind\nx,y');
	await file.setInputFiles(wrong);
	await expect(page.getByRole('alert')).toContainText('This is no file of a workshop.');
	writeFileSync(wrong, before.slice(0, before.length - 40));
	await file.setInputFiles(wrong);
	await expect(page.getByRole('alert')).toContainText('the file is damaged, or not all of it is there');
	await file.setInputFiles(out);
	await expect(page.getByText(/Saltmarsh Workshop, as it stood on .*: \d+ instruments, \d+ visits/)).toBeVisible({
		timeout: 60_000
	});
	await page.getByRole('button', { name: 'Take it in' }).click();
	await expect(page.getByRole('status').filter({ hasText: 'Saltmarsh Workshop is here' })).toBeVisible({
		timeout: 120_000
	});

	const after = await downloaded(page, info.outputPath('again.jsonl'));
	expect(rowsOf(after)).toEqual(rowsOf(before));
	await page.goto(`${base}/instruments`);
	await page.getByRole('link', { name: 'Chapel concert grand' }).click();
	await expect(page.getByRole('heading', { name: '12 visits' })).toBeVisible();
	// It is full now.
	await page.goto(`${base}/workshop/data`);
	await file.setInputFiles(out);
	await page.getByRole('button', { name: 'Take it in' }).click();
	await expect(page.getByRole('alert')).toContainText('This workshop holds something already.', { timeout: 60_000 });
});

test('too many wrong passwords lock an account’s door for a while, from that address', async ({ browser }) => {
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
