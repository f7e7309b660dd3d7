import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { signIn } from './parts';

/** Keeps what is given to the loudspeaker: an ear that hears nothing else. */
const overhear = (page: Page) =>
	page.addInitScript(() => {
		const heard: Float32Array[] = [];
		Object.assign(window, { heard });
		const copy = AudioBuffer.prototype.copyToChannel;
		AudioBuffer.prototype.copyToChannel = function (samples, ...where) {
			heard.push(samples.slice(0, 20_000) as Float32Array);
			copy.call(this, samples, ...where);
		};
	});

/** Which of the last three sounds is unlike the two others, and how unlike (0 to 1). */
const oddOne = (page: Page) =>
	page.evaluate(() => {
		const three = (window as unknown as { heard: Float32Array[] }).heard.slice(-3);
		const unlike = (a: Float32Array, b: Float32Array) => {
			let [off, all] = [0, 0];
			for (let i = 0; i < a.length; i++) {
				off += (a[i] - b[i]) ** 2;
				all += a[i] ** 2 + b[i] ** 2;
			}
			return off / all;
		};
		const sums = three.map((one) => three.reduce((sum, other) => sum + unlike(one, other), 0));
		const which = sums.indexOf(Math.max(...sums));
		return { which, unlike: unlike(three[which], three[(which + 1) % 3]) };
	});

/** Plays a trial and waits until it sounds. */
async function play(page: Page, trial: number): Promise<void> {
	await page.keyboard.press('Space');
	await expect(page.getByRole('group', { name: /^Which of/ })).toHaveAttribute('data-asked', 'true');
	await expect(page.getByText('sounds', { exact: true })).toBeVisible();
	await expect
		.poll(() => page.evaluate(() => (window as unknown as { heard: unknown[] }).heard.length))
		.toBe(3 * trial);
}

test('sizes: an ear that hears is measured, by keys and pedal; it stays over a reload, and can be deleted', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.getByRole('link', { name: 'Practice', exact: true }).click();
	await expect(page.getByRole('heading', { name: 'What does your ear tell apart?' })).toBeVisible();
	await page.getByRole('region', { name: 'Sizes' }).getByRole('link', { name: 'Begin' }).nth(2).click();
	await expect(page.getByRole('heading', { name: 'Sizes' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Play' })).toBeEnabled();
	for (let trial = 1; trial <= 30; trial++) {
		await play(page, trial);
		const { which, unlike } = await oddOne(page);
		// What it does not hear it does not know.
		await page.keyboard.press(String(1 + (unlike > 0.01 ? which : trial % 3)));
		if (trial < 30) await expect(page.getByText(/^(Yes, |No: )\d was \d+\.\d+ cents apart\.$/)).toBeVisible();
		if (trial === 7) {
			// Once more, and then something takes the ear away: that one does not count.
			await page.keyboard.press('Space');
			await expect(page.getByText('sounds', { exact: true })).toBeVisible();
			await page.evaluate(() => navigator.mediaDevices.dispatchEvent(new Event('devicechange')));
			await expect(page.getByText('A sound device came or went: that one does not count.')).toBeVisible();
			await expect(page.getByText('7 of 30 answered')).toBeVisible();
			await page.evaluate(() => void (window as unknown as { heard: unknown[] }).heard.splice(0, 3));
		}
	}
	const asks = page.getByRole('region', { name: 'Trial' }).getByText(/^\d+\.\d+ cents$/);
	await expect(asks).toBeVisible();
	const found = Number.parseFloat(await asks.innerText());
	expect(found).toBeGreaterThan(0.1);
	expect(found).toBeLessThan(4);
	await page.getByRole('link', { name: 'All drills' }).click();
	const sizes = page.getByRole('region', { name: 'Sizes' });
	await expect(sizes.getByText(/between .* and .*, nine times of ten; 30 more answers make it firm/)).toBeVisible();
	await expect(sizes.getByRole('img', { name: /^Thresholds from sitting to sitting/ })).toHaveCount(2);
	await page.reload();
	const csv = await (await page.request.get('/practice/download?format=csv')).text();
	expect(csv.split('\n')[0]).toBe('began,drill,register,answer,size,right,guessed');
	expect(csv.split('\n').filter((line) => line.includes(',sizes,treble,'))).toHaveLength(30);
	const json = await (await page.request.get('/practice/download?format=json')).json();
	expect(json).toMatchObject({ format: 'fendrel-practice', version: 1 });
	expect(json.sittings.at(-1).answers).toHaveLength(30);
	expect((await page.request.get('/practice/download?format=xml')).status()).toBe(400);
	await sizes.getByText('1 sitting').click();
	await sizes.getByRole('button', { name: /^Delete the sitting/ }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByText('The sitting is gone.')).toBeVisible();
	await expect(sizes.getByText('Not practised yet.')).toHaveCount(3);
});

test('whoever guesses is told so, and no threshold is made of it; a server that is away loses nothing', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.goto('/practice/sizes?register=top');
	await expect(page.getByRole('button', { name: 'Play' })).toBeEnabled();
	await page.route('**/api/practice/**', (route) => route.abort());
	for (let trial = 1; trial <= 30; trial++) {
		await play(page, trial);
		// The pedal takes what sounds: always the first.
		await page.keyboard.press('PageDown');
		if (trial < 30) await expect(page.getByText(`${trial} of 30 answered`)).toBeVisible();
	}
	await expect(page.getByText('These were guesses: no threshold is kept of them.')).toBeVisible();
	await expect(page.getByText(/30 answers kept on this device/)).toBeVisible();
	await page.unroute('**/api/practice/**');
	await page.goto('/practice');
	const sizes = page.getByRole('region', { name: 'Sizes' });
	await expect(sizes.getByText('1 sitting')).toBeVisible();
	await sizes.getByText('1 sitting').click();
	await expect(sizes.getByText('30 answers, guesses: not counted')).toBeVisible();
	await expect(sizes.getByText('Too few answers yet to say what you hear.')).toBeVisible();
});

test('the ear that practice has measured is the one that a bearing plan reckons with', async ({ page }) => {
	await signIn(page);
	await page.goto('/practice');
	await expect(page.getByText('Once both rates have been practised', { exact: false })).toBeVisible();
	for (const [register, heard] of [
		['quick', 0.12],
		['slow', 0.3]
	] as const) {
		// Heard from there on, guessed below.
		const trials = Array.from({ length: 60 }, (_, i) => {
			const size = heard * 2 ** ((i % 7) / 2 - 1.5);
			return { size, isRight: size >= heard || i % 2 === 0 };
		});
		const kept = await page.request.put(`/api/practice/sittings/${randomUUID()}`, {
			data: { drill: 'rates', register, beganAt: new Date().toISOString(), trials }
		});
		expect(kept.status()).toBe(200);
	}
	await page.reload();
	await page.getByRole('button', { name: 'Use it in bearing plans' }).click();
	await expect(page.getByText('Bearing plans offer it as “as practised”.')).toBeVisible();
	await page.goto('/temperaments/equal/bearing-plan?school=circle');
	const by = page.getByText(/^cents, by an ear that counts to/);
	await expect(by).toContainText('0.1 per second or 6 %');
	await expect(page.getByLabel('Ear')).toBeEnabled();
	await page
		.getByLabel('Ear')
		.selectOption({ label: (await page.getByLabel('Ear').locator('option').last().innerText()).trim() });
	await expect(by).not.toContainText('0.1 per second or 6 %');
	await expect(page).toHaveURL(/ear=mine/);
	await page.goto('/practice');
	await page.getByRole('button', { name: 'Do not use it any more' }).click();
	await page.goto('/temperaments/equal/bearing-plan?school=circle&ear=mine');
	await expect(by).toContainText('0.1 per second or 6 %');
});
