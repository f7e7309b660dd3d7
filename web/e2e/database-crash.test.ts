import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { serve } from '../../scripts/lib/application.mjs';
import { startDatabase } from '../../scripts/lib/database.mjs';
import { freePort } from '../../scripts/lib/ports.mjs';
import { DATA } from '../../scripts/lib/system.mjs';
import { listen, signIn, strikeAndRead } from './parts';

test('MariaDB is killed and comes back: said clearly, no crash, nothing lost', async ({ browser }) => {
	test.setTimeout(180_000);
	const dir = join(DATA, 'test-crash');
	const database = await startDatabase({ dir, fresh: true });
	const application = await serve({
		databaseUrl: await database.open('crash'),
		port: await freePort(),
		demo: true,
		quiet: true
	});
	try {
		const page = await (await browser.newContext({ baseURL: application.address })).newPage();
		await signIn(page);
		await page
			.getByRole('row', { name: /Practice room 7 / })
			.getByRole('link', { name: 'half done, go on' })
			.click();
		await listen(page);

		const order = page.getByRole('heading', { name: /: \d+ of \d+$/ });
		const done = async () => Number((await order.innerText()).match(/(\d+) of/)?.[1]);
		const before = await done();

		await database.kill();
		await strikeAndRead(page);
		await page.keyboard.press('Shift+Enter');
		await expect(
			page.getByText('The database does not answer. Go on tuning: readings wait on this device.')
		).toBeVisible();
		await expect(page.getByTestId('saved')).toHaveText(/^2 entries waiting on this device/);
		const other = await page.context().newPage();
		const answer = await other.goto('/instruments');
		expect(answer?.status()).toBe(503);
		await expect(other.getByRole('heading')).toHaveText('The database does not answer.');

		await database.revive();
		await expect(page.getByTestId('saved')).toHaveText('everything saved', { timeout: 40_000 });
		await expect(other.getByRole('heading', { name: /instruments in your care/ })).toBeVisible({ timeout: 20_000 });
		await page.reload();
		await expect.poll(done).toBe(before + 1);
	} finally {
		await application.stop();
		await database.stop();
	}
});
