import { mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { renderLastingTone, STEADY_REED } from '@fendrel/core';
import { expect, test } from '@playwright/test';
import wavefile from 'wavefile';
import { launchOptions } from '../../scripts/lib/browser.mjs';
import { signIn } from './parts';

/** A reed 3.4 cents over A4 whose breath rises for half a second, wind before it. */
const RATE = 48_000;
const PITCH = 440 * 2 ** (3.4 / 1200);
const FOLDER = join(tmpdir(), 'fendrel-e2e');
const WAV = join(FOLDER, 'reed.wav');

function writeReed(): void {
	const reed = { ...STEADY_REED, pitch: PITCH, rise: 0.5, seconds: 3, noise: 30, seed: 2 };
	const sound = renderLastingTone(reed, RATE);
	const samples = new Float32Array(5 * RATE);
	samples.set(sound, RATE);
	const wav = new wavefile.WaveFile();
	wav.fromScratch(1, RATE, '32f', samples);
	mkdirSync(FOLDER, { recursive: true });
	writeFileSync(WAV, wav.toBuffer());
}
writeReed();

test.use({
	launchOptions: launchOptions([
		'--use-fake-ui-for-media-stream',
		'--use-fake-device-for-media-stream',
		`--use-file-for-fake-audio-capture=${WAV}`
	])
});

test('a reed through the microphone is read within a fifth of a cent', async ({ page }) => {
	test.setTimeout(120_000);
	await signIn(page);
	await page.goto('/intervals/tone');
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	const read = page.getByRole('region', { name: 'Tones read' }).getByRole('row');
	await expect(async () => {
		// It sounds again and again; the page may have begun to listen in the midst of it.
		const texts = await read.allTextContents();
		const whole = texts.map((text) => /^A4\s*([\d.]+)/.exec(text.trim())?.[1]).filter((hertz) => hertz !== undefined);
		expect(whole.length).toBeGreaterThanOrEqual(3);
		// A busy machine tears the sound of a false microphone now and then: the middle reading of them tells.
		const off = whole.map((hertz) => 1200 * Math.log2(Number(hertz) / PITCH)).sort((a, b) => a - b);
		expect(Math.abs(off[off.length >> 1])).toBeLessThan(0.2);
	}).toPass({ timeout: 60_000 });
});

test('a reed of a set through the microphone: read where it is due, named where another one is', async ({ page }) => {
	test.setTimeout(120_000);
	await signIn(page);
	await page.goto('/instruments/new');
	await page.getByLabel('Name').fill('Bench reeds by ear');
	await page.getByLabel('Kind').selectOption('reeds');
	await page.getByLabel('Layout').selectOption('own');
	await page.getByLabel('Lowest tonic').fill('A4');
	// Single reeds on a bench: one to a line.
	await page.getByLabel(/^Holes/).fill('1 A4\n2 C#5');
	await page.getByRole('button', { name: 'Add it' }).click();
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByRole('link', { name: 'Go on to Sound' }).click();
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'One breath' }).click();
	await page.getByRole('button', { name: 'Listen' }).click();
	const due = page.getByRole('region', { name: 'The reed that is due' });
	await expect(due).toContainText('Blow 2', { timeout: 60_000 });
	// It sounds on, again and again; the next reed is due.
	await expect(page.getByText('That was Blow 1, A4; Blow 2 is due.')).toBeVisible({ timeout: 60_000 });
	await page.getByRole('button', { name: 'Stop' }).click();
	await page.reload();
	const reed = page.getByRole('button', { name: /^Blow 1, A4/ }).first();
	const off = Number(/([+−]?[\d.]+) cents/.exec((await reed.getAttribute('aria-label'))!)![1].replace('−', '-'));
	// Its target lies a little above A4: it is to be right in play, and falls with the breath.
	expect(off).toBeGreaterThan(0);
	expect(off).toBeLessThan(3.5);
	await page.getByRole('link', { name: 'Go on to Plan' }).click();
	await expect(page.getByTestId('verdict')).toContainText('1 reed read');
	await expect(page.getByRole('group', { name: 'Level' }).getByRole('button')).toHaveCount(1);
});
