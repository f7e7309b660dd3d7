import { mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import wavefile from 'wavefile';
import { launchOptions } from '../../scripts/lib/browser.mjs';
import { addInstrument, signIn, startSetting } from './parts';

/** A tone of 440 Hz as a sound card records it whose clock is 1.5 cents slow. */
const RATE = 48_000;
const HEARD = 440 * 2 ** (1.5 / 1200);
const WAV = join(tmpdir(), 'fendrel-e2e', 'reference.wav');
const wav = new wavefile.WaveFile();
wav.fromScratch(
	1,
	RATE,
	'32f',
	Float32Array.from({ length: 40 * RATE }, (_, i) => 0.3 * Math.sin((2 * Math.PI * HEARD * i) / RATE))
);
mkdirSync(join(tmpdir(), 'fendrel-e2e'), { recursive: true });
writeFileSync(WAV, wav.toBuffer());

test.use({
	launchOptions: launchOptions([
		'--use-fake-ui-for-media-stream',
		'--use-fake-device-for-media-stream',
		`--use-file-for-fake-audio-capture=${WAV}`
	])
});

test('the clock of a microphone is measured against a known tone, kept for it, and forgotten again', async ({
	page
}) => {
	test.slow();
	await signIn(page);
	await addInstrument(page, 'By a slow clock');
	await startSetting(page);
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	await page.getByRole('button', { name: 'Check its clock' }).click();
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('textbox').fill('nonsense');
	await dialog.getByRole('button', { name: 'Measure' }).click();
	await expect(dialog).toContainText('Enter the frequency of the tone in hertz');
	await dialog.getByRole('textbox').fill('520');
	await dialog.getByRole('button', { name: 'Measure' }).click();
	await expect(dialog).toContainText(/barely audible|not one steady tone/, { timeout: 15_000 });
	await dialog.getByRole('textbox').fill('440');
	// A busy machine drops samples of real sound, and then it is truly no steady tone: one measures again.
	await expect(async () => {
		await dialog.getByRole('button', { name: 'Measure' }).click();
		await expect(dialog).toContainText(/this clock hears everything 1\.[45]\d cents sharp/, { timeout: 15_000 });
	}).toPass({ timeout: 100_000 });
	await dialog.getByRole('button', { name: /^Correct by −1\.[45]\d cents/ }).click();
	await expect(page.getByRole('button', { name: /^Clock −1\.[45]\d cents/ })).toBeVisible();

	await page.reload();
	await page.getByRole('button', { name: 'Listen' }).click();
	await page.getByRole('button', { name: /^Clock −1\.[45]\d cents/ }).click();
	await dialog.getByRole('button', { name: 'Remove the correction' }).click();
	await expect(page.getByRole('button', { name: 'Check its clock' })).toBeVisible();
});
