import { writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { Gate } from './gate';
import { addInstrument, signIn } from './parts';

/** A picture as a telephone takes it, drawn by the browser itself: large, and not easily made small. */
const picture = (page: Page, width: number, height: number) =>
	page.evaluate(
		async ([width, height]) => {
			const canvas = new OffscreenCanvas(width, height);
			const paper = canvas.getContext('2d')!;
			const noise = paper.createImageData(width, height);
			let seed = 1;
			for (let i = 0; i < noise.data.length; i++) {
				seed = (seed * 1103515245 + 12345) & 0x7fffffff;
				noise.data[i] = i % 4 === 3 ? 255 : 128 + ((seed >> 16) % 60) - 30 + 40 * Math.sin(i / 9000);
			}
			paper.putImageData(noise, 0, 0);
			const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
			let text = '';
			for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
			return btoa(text);
		},
		[width, height] as const
	);

test('photos go with a part, small and without the server; what is no photo is refused', async ({
	browser,
	baseURL
}, testInfo) => {
	test.setTimeout(180_000);
	const gate = await Gate.before(baseURL!);
	const page = await (await browser.newContext({ baseURL: gate.address })).newPage();
	await signIn(page);
	await addInstrument(page, 'Photographed upright');
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('button', { name: /^Bridges/ }).click();
	await page.getByRole('button', { name: 'Cracked' }).click();
	const photo = page.getByLabel('Photo of Bridges', { exact: true });
	const image = page.getByRole('img', { name: 'Photo of Bridges' });

	await photo.setInputFiles({ name: 'bridge.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a photo at all') });
	await expect(page.getByRole('alert').filter({ hasText: 'cannot be read as a photo' })).toBeVisible();
	await photo.setInputFiles({
		name: 'broken.png',
		mimeType: 'image/png',
		buffer: Buffer.from(await picture(page, 64, 64), 'base64').subarray(0, 40)
	});
	await expect(page.getByRole('alert').filter({ hasText: 'cannot be read as a photo' })).toBeVisible();
	await expect(image).toHaveCount(0);

	// Larger than what a telephone takes: more than 20 MB as it comes, a quarter of one as it is kept.
	const large = Buffer.from(await picture(page, 3200, 2400), 'base64');
	expect(large.length).toBeGreaterThan(15e6);
	// From the disk: so large a file takes long through the browser's own wire.
	const file = testInfo.outputPath('bridge.png');
	await writeFile(file, large);
	gate.cut();
	await photo.setInputFiles(file);
	await expect(image).toBeVisible({ timeout: 60_000 });
	await expect(page.getByText('waits for the server')).toBeVisible();
	gate.state = 'open';
	await expect(page.getByText('waits for the server')).toHaveCount(0, { timeout: 60_000 });
	await expect(page.getByTestId('saved')).toHaveText('everything saved', { timeout: 40_000 });

	// Another device sees it, and takes it away again.
	const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
	await signIn(other);
	await other.goto(new URL(page.url()).pathname);
	await other.getByRole('button', { name: /^Bridges/ }).click();
	const theirs = other.getByRole('img', { name: 'Photo of Bridges' });
	await expect(theirs).toBeVisible();
	await expect.poll(() => theirs.evaluate((each: HTMLImageElement) => each.naturalWidth)).toBeGreaterThan(500);
	const address = await other.evaluate(async () => {
		const asked = performance.getEntriesByType('resource').map(({ name }) => name);
		const found = asked.find((name) => name.includes('/attachments/'))!;
		const answer = await fetch(found);
		return { size: (await answer.blob()).size, type: answer.headers.get('content-type') };
	});
	expect(address.type).toBe('image/jpeg');
	expect(address.size).toBeLessThanOrEqual(256 * 1024);
	await other.getByRole('button', { name: 'Take photo of bridges away' }).click();
	await expect(theirs).toHaveCount(0);
	await expect(image).toHaveCount(0);
	await other.context().close();
	await page.context().close();
	await gate.close();
});
