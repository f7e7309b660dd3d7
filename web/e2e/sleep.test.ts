import { expect, test } from '@playwright/test';
import {
	addInstrument,
	kept,
	listen,
	readLive,
	row,
	setDueNote,
	signIn,
	signInUnhurried,
	startSetting,
	strike
} from './parts';

test('the device sleeps and wakes: said, nothing of what was read is lost, and it listens again', async ({ page }) => {
	test.setTimeout(240_000);
	await page.addInitScript(() => {
		const Real = window.AudioContext;
		const all: AudioContext[] = [];
		Object.assign(window, {
			AudioContext: class extends Real {
				constructor(options?: AudioContextOptions) {
					super(options);
					all.push(this);
				}
			},
			// What a device does with sound while it sleeps.
			sleep: () => all.at(-1)!.suspend()
		});
	});
	// The sound card's own clock runs in real time.
	await signInUnhurried(page);
	await addInstrument(page, 'Lock keeper’s upright');
	await startSetting(page);
	await listen(page);
	await strike(page);
	const before = await readLive(page);
	expect(before.cents).toBeDefined();
	await page.keyboard.press('Space');
	await page.evaluate(() => (window as unknown as { sleep: () => Promise<void> }).sleep());
	await expect(page.getByText(/^The device slept: what sounded meanwhile was not heard/)).toBeVisible();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	await strike(page);
	await expect(page.getByText(/^The device slept/)).toHaveCount(0);
	const after = await readLive(page);
	expect(after.note).toBe(before.note);
	expect(after.cents).toBeDefined();
});

test('the page is closed in the middle of a blow: what was read before is there, and nothing half', async ({
	context,
	page
}) => {
	test.setTimeout(240_000);
	await signIn(page);
	await addInstrument(page, 'Toll bar upright');
	await startSetting(page);
	await kept(page);
	await listen(page);
	const first = await setDueNote(page);
	const due = (await readLive(page)).note;
	const visit = page.url();
	const readings = async () =>
		(
			(await (
				await page.request.get(`${visit.replace('/visits/', '/api/visits/').replace(/\/set$/, '')}/bundle`)
			).json()) as {
				visit: { events: { way?: string }[] };
			}
		).visit.events.filter((event) => 'way' in event).length;
	await expect(page.getByTestId('saved')).toHaveText('everything saved');
	const before = await readings();
	await page.keyboard.press('Space');
	await expect.poll(() => page.locator('.set').getAttribute('data-sounding')).toBe('true');
	await page.close({ runBeforeUnload: false });
	const again = await context.newPage();
	await again.goto(visit);
	await expect.poll(async () => again.locator('p.note').getAttribute('aria-label')).toBe(`Due: ${due}`);
	await expect(row(again, first)).toContainText(/[+−]?\d\.\d/);
	await expect(again.getByTestId('saved')).toHaveText('everything saved');
	expect(await readings()).toBeLessThanOrEqual(before + 1);
});
