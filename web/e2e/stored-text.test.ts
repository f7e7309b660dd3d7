import { expect, test, type Page } from '@playwright/test';
import { signIn, startVisit } from './parts';

/** What somebody types to have it run by whoever looks, or by their spreadsheet. */
const SCRIPT = '"><img src=x onerror="window.fired=1"><script>window.fired=1</script>{{fired}}';
const FORMULA = '=HYPERLINK("http://elsewhere.example")';

test('whatever people type is shown as they typed it, on every page, and runs nowhere', async ({ page }) => {
	await signIn(page);
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill(`Script ${SCRIPT}`.slice(0, 120));
	await page.locator('input[name=maker]').fill(SCRIPT.slice(0, 110));
	await page.locator('input[name=location]').fill(`${SCRIPT}`.slice(0, 110));
	await page.locator('input[name=town]').fill(FORMULA);
	await page.getByLabel('Notes').fill(`${SCRIPT}\n${FORMULA}`);
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByRole('heading', { name: /^Script "><img/ })).toBeVisible();
	const instrument = new URL(page.url()).pathname;
	const made = await page.request.post('/api/temperaments', {
		data: {
			draft: {
				...{
					name: '<img src=x onerror="window.fired=1">',
					character: SCRIPT,
					goodFor: SCRIPT,
					source: FORMULA,
					period: SCRIPT
				},
				tuning: { by: 'cents', offsets: Array(12).fill(0) }
			},
			confirmed: true
		}
	});
	const { slugs, problems } = (await made.json()) as { slugs: string[]; problems?: string[] };
	expect(problems).toBeUndefined();
	await page.goto(instrument);
	await startVisit(page);
	const [, visit] = /\/visits\/([^/]+)\//.exec(page.url())!;
	for (const path of [
		'/instruments',
		'/instruments?find=img',
		instrument,
		`${instrument}/edit`,
		`${instrument}/scale`,
		'/visits',
		'/temperaments',
		`/temperaments/${slugs[0]}`,
		`/temperaments/${slugs[0]}/bearing-plan`,
		`/intervals?instrument=${instrument.split('/').at(-1)}`,
		`/intervals/counts?instrument=${instrument.split('/').at(-1)}`,
		'/workshop/changes',
		'/workshop/people',
		'/workshop/deleted',
		`/instruments?find=${encodeURIComponent(SCRIPT)}`,
		`/visits/${visit}/arrive`,
		`/visits/${visit}/plan`,
		`/visits/${visit}/close`
	])
		await expectNothingRan(page, path);
	// Nor in what goes out.
	const out = await (await page.request.get('/temperaments/download?format=csv')).text();
	expect(out).not.toMatch(/(^|,)"?=/m);
	await page.request.delete(`/api/temperaments/${slugs[0]}`);
});

async function expectNothingRan(page: Page, path: string): Promise<void> {
	await page.goto(path);
	await expect(page.getByRole('link').or(page.getByRole('button')).first()).toBeVisible();
	expect(await page.evaluate(() => 'fired' in window), path).toBe(false);
	expect(await page.locator('img[src=x]').count(), path).toBe(0);
}
