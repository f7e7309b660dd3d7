import { mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { partialHz } from '@fendrel/core';
import { expect, test } from '@playwright/test';
import wavefile from 'wavefile';
import { inRoom, struckKey, uprightString } from '../../core/fixtures/upright';
import { launchOptions } from '../../scripts/lib/browser.mjs';
import { signIn } from './parts';

/** C4 and E4 one shortly after the other, E4 two cents sharp, mixed in a room at 26 dB and damped after four seconds. */
const RATE = 48_000;
const LOWER = uprightString(60);
const UPPER = uprightString(64, 2);
const BEAT = partialHz(UPPER, 4) - partialHz(LOWER, 5);
const FOLDER = join(tmpdir(), 'fendrel-e2e');
const WAV = join(FOLDER, 'c4-e4.wav');

function writeMixture(): void {
	const struck = (note: number, string: typeof LOWER, seed: number) =>
		struckKey(note, { strings: [string], sampleRate: RATE, seconds: 4, strength: 0.7, seed });
	const sounds = [
		{ at: 0.4, sound: struck(60, LOWER, 3) },
		{ at: 0.48, sound: struck(64, UPPER, 4) }
	];
	const wav = new wavefile.WaveFile();
	wav.fromScratch(1, RATE, '32f', inRoom(sounds, 5, { snr: 26, seed: 5 }));
	mkdirSync(FOLDER, { recursive: true });
	writeFileSync(WAV, wav.toBuffer());
}
writeMixture();

test.use({
	launchOptions: launchOptions([
		'--use-fake-ui-for-media-stream',
		'--use-fake-device-for-media-stream',
		`--use-file-for-fake-audio-capture=${WAV}`
	])
});

test('two keys through the microphone: nobody said which, the beat is as they were mixed', async ({ page }) => {
	test.setTimeout(120_000);
	await signIn(page);
	await page.goto('/intervals?notes=F3+A3');
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	// The interval on show is the one that is played.
	await expect(page.getByRole('heading', { name: 'C4 with E4: major third' })).toBeVisible({ timeout: 60_000 });
	const heard = page.getByTestId('heard');
	await expect(async () => {
		const [, rate, sense, error] = (await heard.textContent())!.match(/([\d.]+) (wide|narrow)\s*heard, ±([\d.]+)/)!;
		expect(sense).toBe('wide');
		expect(Number(error)).toBeLessThan(0.1);
		expect(Math.abs(Number(rate) - BEAT)).toBeLessThan(0.1);
	}).toPass({ timeout: 60_000 });
});
