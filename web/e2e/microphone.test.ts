import { mkdirSync, writeFileSync } from 'node:fs';
import { inRoom, struckKey, uprightString } from '../../core/fixtures/upright';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cents, centsBetween, equalHz, hz, hzAbove, typicalInharmonicity } from '@fendrel/core';
import { expect, test } from '@playwright/test';
import { createConnection } from 'mariadb';
import wavefile from 'wavefile';
import { launchOptions } from '../../scripts/lib/browser.mjs';
import { addInstrument, readLive, signIn, startSetting } from './parts';

/** A4 as a piano has it that was found 7.3 cents low, struck every 2.5 seconds in a room at 26 dB. */
const OFF = cents(-7.3);
const PITCH = hzAbove(equalHz(69, hz(440)), OFF);
const RATE = 48_000;
const WAV = join(tmpdir(), 'fendrel-e2e', 'a4-low.wav');

function writeRecording(): void {
	const struck = struckKey(69, { strings: [uprightString(69, OFF)], seconds: 2, strength: 0.8, seed: 11 });
	const sound = inRoom([{ at: 0.4, sound: struck }], 2.5, { snr: 26, seed: 12 });
	const wav = new wavefile.WaveFile();
	wav.fromScratch(1, RATE, '32f', sound);
	mkdirSync(join(tmpdir(), 'fendrel-e2e'), { recursive: true });
	writeFileSync(WAV, wav.toBuffer());
}
writeRecording();

test.use({
	launchOptions: launchOptions([
		'--use-fake-ui-for-media-stream',
		'--use-fake-device-for-media-stream',
		`--use-file-for-fake-audio-capture=${WAV}`
	])
});

test('a string heard through the microphone is stored within half a cent', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Recorded upright');
	await startSetting(page);
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('microphone, room quiet')).toBeVisible();
	await expect(async () => {
		const { note, word, cents: shown } = await readLive(page);
		expect(note).toBe('A4');
		expect(word).toBe('Raise');
		expect(Math.abs(shown! - OFF)).toBeLessThan(0.5);
	}).toPass({ timeout: 20_000 });
	await page.getByRole('button', { name: 'Keep as it stands' }).click();
	await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible();
	// The recording goes on with A4 while A3 is due: named, not measured.
	await expect(page.getByText('That was A4; A3 is due.')).toBeVisible();
	await expect(page.getByTestId('saved')).toHaveText('everything saved');

	const visitId = new URL(page.url()).pathname.split('/')[2];
	const db = await createConnection(process.env.FENDREL_E2E_DATABASE_URL!);
	const rows: {
		id: string;
		sounders: string;
		pitch: number;
		source: string;
		inharmonicity: number;
		partials: string;
	}[] = await db.query(
		`SELECT r.id, sounders, pitch, source, inharmonicity, partials FROM readings r
		JOIN reading_partials p ON p.visit_id = r.visit_id AND p.reading_id = r.id WHERE r.visit_id = ? ORDER BY placed_at`,
		[visitId]
	);
	const accepted: { reading: string }[] = await db.query(
		"SELECT reading_id AS reading FROM acts WHERE visit_id = ? AND kind = 'accept'",
		[visitId]
	);
	await db.end();
	expect(rows.length).toBeGreaterThanOrEqual(1);
	for (const row of rows) {
		expect(row).toMatchObject({ sounders: '69/middle', source: 'microphone' });
		expect(Math.abs(centsBetween(PITCH, hz(row.pitch)))).toBeLessThan(0.5);
		expect(Math.abs(row.inharmonicity / typicalInharmonicity('upright', 69) - 1)).toBeLessThan(0.05);
		expect(JSON.parse(row.partials).length).toBeGreaterThan(4);
	}
	// Kept as it stood: the reading it rests on is stored once.
	expect(accepted).toEqual([{ reading: rows.at(-1)!.id }]);

	await page.getByRole('link', { name: 'Close' }).click();
	await expect(page.getByText(/438\.[12]\d Hz found|438\.[12]\d Hz left/).first()).toBeVisible();
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByText(/Left at A4 = 438\.[12] Hz, equal/)).toBeVisible();
});

test('the microphone goes away in mid-note: said, nothing lost, and it goes on', async ({ page }) => {
	await page.addInitScript(() => {
		const original = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
		navigator.mediaDevices.getUserMedia = async (constraints) => {
			const stream = await original(constraints);
			Object.assign(window, { unplug: () => stream.getAudioTracks()[0].dispatchEvent(new Event('ended')) });
			return stream;
		};
	});
	await signIn(page);
	await addInstrument(page, 'Unplugged upright');
	await startSetting(page);
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(async () => expect((await readLive(page)).cents).toBeDefined()).toPass({ timeout: 20_000 });
	await page.evaluate(() => (window as unknown as { unplug: () => void }).unplug());
	await expect(
		page.getByText('The microphone went away. What was read is kept; plug it in and press Listen.')
	).toBeVisible();
	expect((await readLive(page)).cents).toBeDefined();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('microphone, room quiet')).toBeVisible();
});
