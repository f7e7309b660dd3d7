import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { addInstrument, leaveField, listen, raiseDueNote, readLive, signIn, strike, strikeUntil } from './parts';

const stage = (page: Page, name: string) => page.getByRole('link', { name, exact: true }).click();

/** Strikes what is due in Sound until the survey is read. */
async function survey(page: Page, of: string): Promise<void> {
	await page.getByLabel('Survey of').selectOption(of);
	await listen(page);
	const finished = page.getByText(/^All \d+ notes of the survey are read/);
	await strikeUntil(page, finished, 150);
}

test('a neglected upright, from the door to a plan that its owner has agreed to, and on paper', async ({ page }) => {
	test.setTimeout(300_000);
	await signIn(page);
	await page.getByRole('link', { name: 'Sail loft upright' }).first().click();
	await page.getByRole('button', { name: 'Start a visit' }).click();

	// Arrive: what earlier visits say, and a look at the instrument, by keys.
	await expect(page.getByTestId('arrival')).toContainText('untouched');
	await expect(page.getByText('Glue the hammer of D5')).toBeVisible();
	await expect(page.getByRole('img', { name: /^How sections kept their pitch/ })).toBeVisible();
	await page.getByRole('button', { name: 'Read the logger' }).click();
	await expect(page.getByText(/from the logger/)).toBeVisible();
	await page.getByLabel('Humidity in %').fill('171');
	await page.getByLabel('Humidity in %').press('Enter');
	await expect(page.getByText('Relative humidity lies between 0 and 100 %.')).toBeVisible();
	await page.getByLabel('In the player’s words').fill('The middle growls when it rains');
	await leaveField(page);
	await page.keyboard.press('1');
	await page.keyboard.press('a');
	await expect(page.getByRole('button', { name: 'Pins and block: Sound' })).toBeVisible();
	await page.keyboard.press('6');
	await page.keyboard.press('d');
	await expect(page.getByTestId('arrival')).toHaveText(
		'Bridges: cracked. Add no tension until somebody answers for it.'
	);
	await page.getByRole('button', { name: 'To quote' }).click();
	await expect(page.getByText('Bridges: cracked', { exact: false }).last()).toBeVisible();
	await page.reload();
	await expect(page.getByRole('button', { name: 'Bridges: Cracked' })).toBeVisible();
	await expect(page.getByLabel('In the player’s words')).toHaveValue('The middle growls when it rains');

	// Sound: single strings of a sample; the verdict stands with the last of them.
	await leaveField(page);
	await page.keyboard.press('PageDown');
	await expect(page.getByText(/^Strip from /)).toBeVisible();
	await survey(page, 'about 30 strings');
	await expect(page.getByTestId('verdict')).toContainText('Do not raise it: bridges, cracked.');

	// Plan: held, until somebody answers for it.
	await stage(page, 'Plan');
	await expect(page.getByTestId('verdict')).toHaveText('Do not raise it: bridges, cracked.');
	await expect(page.getByRole('button', { name: 'Take this plan and set' })).toHaveCount(0);
	await stage(page, 'Set');
	await expect(page.getByRole('alert')).toContainText('Do not raise it');
	await stage(page, 'Arrive');
	await page.getByRole('button', { name: 'Clear this hold' }).click();
	await page.getByRole('button', { name: 'Clear it' }).click();
	await expect(page.getByText('Say who answers for it, and why.')).toBeVisible();
	await page.getByLabel('Who answers for it').fill('The rebuilder at Tern Ferry');
	await page.getByLabel('Why it may be raised').fill('glued and pinned in spring');
	await page.getByRole('button', { name: 'Clear it' }).click();
	await stage(page, 'Plan');
	await expect(page.getByTestId('verdict')).toHaveText('Raise it in one pass, then tune.');
	await expect(page.getByText(/Answered for by The rebuilder at Tern Ferry/)).toBeVisible();

	// What it costs, at other pitches too.
	await expect(page.getByText(/^At 440\.0 Hz, 231 of 231 strings move/)).toBeVisible();
	await page.getByRole('slider', { name: /^A4 to look at/ }).focus();
	for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowLeft');
	await expect(page.getByRole('button', { name: 'Plan for 432.0 Hz' })).toBeVisible();
	// So low a pitch may only be a wish for a calmer sound: both are to be heard on this piano.
	await expect(page.getByText('Only a calmer sound?')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Equal, 432.0 Hz' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Plan Vallotti at 440.0 Hz' })).toBeVisible();
	// What each order costs, the strip in or not.
	await page.getByRole('radio', { name: 'Own order' }).check();
	await page.getByLabel(/^Runs, in your order/).fill('F3 to C8, E3 to A0');
	await page.getByLabel(/^Runs, in your order/).press('Enter');
	await expect(page.getByRole('row', { name: /^Own order \d+/ })).toBeVisible();
	await page.getByRole('radio', { name: 'Bass first, upwards' }).check();

	// Nothing is raised before its owner has agreed.
	const take = page.getByRole('button', { name: 'Take this plan and raise' });
	await expect(take).toBeDisabled();
	await page.getByRole('button', { name: 'Try a few strings first' }).click();
	for (const consent of [
		page.getByRole('region', { name: 'Consent to a trial' }),
		page.getByRole('region', { name: 'Consent', exact: true })
	]) {
		await consent.getByRole('button', { name: 'They agree' }).click();
		await expect(consent.getByRole('alert')).toHaveText('Say who explained it, and to whom.');
		await consent.getByLabel('Explained by').fill('Wren');
		await consent.getByLabel('to', { exact: true }).fill('the cook');
		await consent.getByRole('button', { name: 'They agree' }).click();
		await expect(consent).toContainText('Agreed by the cook');
	}
	await expect(take).toBeEnabled();
	await page.reload();
	await expect(take).toBeEnabled();

	// On paper.
	await page.getByRole('link', { name: 'For the owner' }).click();
	await expect(page.getByRole('heading', { name: 'Raise it in one pass, then tune.' })).toBeVisible();
	await expect(page.getByText(/Agreed by the cook/)).toBeVisible();
	const coming = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save as PDF' }).click();
	const file = readFileSync(await (await coming).path());
	expect(file.subarray(0, 5).toString()).toBe('%PDF-');
	expect(file.length).toBeGreaterThan(5000);
	await page.getByRole('link', { name: 'Back to Plan' }).click();

	// One string an octave on trial, then ten minutes; the clock goes on over a reload.
	await page.getByRole('button', { name: 'Try one string an octave first' }).click();
	const trial = page.getByRole('region', { name: 'Trial raise' });
	await expect(trial).toContainText('Raise one string of F♯1');
	await listen(page);
	for (let i = 0; i < 7; i++) await raiseDueNote(page);
	await expect(trial).toContainText(/Now wait (9 min|10 min)/);
	await page.addInitScript(() => {
		const real = Date.now.bind(Date);
		Date.now = () => real() + 601_000;
	});
	await page.reload();
	await expect(trial).toContainText('Strike each of them once more.');
	await listen(page);
	// One after the other comes by itself.
	for (const note of ['F♯1', 'F♯2', 'F♯3', 'F♯4', 'F♯5', 'F♯6', 'F♯7']) {
		await expect.poll(async () => (await readLive(page)).note).toBe(note);
		await strike(page);
	}
	await expect(trial).toContainText(/It lost −?\d+\.\d to \d+\.\d cents\. Nothing broke\./);
	await page.getByRole('button', { name: 'Begin the raise' }).click();
	await expect(page.getByText('Pass 1: 0 of 88')).toBeVisible();
	await expect(page.getByText('This pass: 0 of 88')).toBeVisible();
});

test('a walk, and a piano that stands eight cents sharp is brought down first', async ({ page }) => {
	test.setTimeout(240_000);
	await signIn(page);
	await addInstrument(page, 'Sharp square', { lowest: 'C3', highest: 'C5' });
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await stage(page, 'Sound');
	// Every key once with all its strings: as many strikes as there are keys, and no button.
	await survey(page, 'walk: all strings open');
	await stage(page, 'Plan');
	await expect(page.getByText(/Unisons that move too much|No note stands out|Too few notes/).first()).toBeVisible();
	const least = await page.locator('.pictures svg text', { hasText: 'least movement' }).textContent();
	const lower = (Number(least!.match(/[\d.]+$/)![0]) * 2 ** (-8 / 1200)).toFixed(1);
	const a4 = page.getByLabel(/^A4 in hertz/);
	await a4.fill(lower);
	await a4.press('Enter');
	await expect(page.getByTestId('verdict')).toHaveText('Bring the pitch down first, then tune.');
	// Going down nothing can break: nobody has to agree.
	await expect(page.getByRole('region', { name: 'Consent' })).toHaveCount(0);
	await page.getByRole('radio', { name: 'From F3 up, then down' }).check();
	await page.getByRole('button', { name: 'Take this plan and lower' }).click();
	await expect(page.getByText('Pass 1: 0 of 25')).toBeVisible();
	expect((await readLive(page)).note).toBe('F3');
	await listen(page);
	for (let i = 0; i < 3; i++) await raiseDueNote(page);
	await expect(page.getByText('Pass 1: 3 of 25')).toBeVisible();
	// It goes on where it was, and ends when somebody says so.
	await page.reload();
	await expect(page.getByText('Pass 1: 3 of 25')).toBeVisible();
	await page.getByRole('button', { name: 'End the raise, and tune' }).click();
	await expect(page.getByText('Temperament octave: 0 of 14')).toBeVisible();

	// Left where it stands, few strings move.
	await stage(page, 'Plan');
	await page.getByRole('button', { name: 'Leave it at that pitch' }).click();
	await expect(page.getByTestId('verdict')).toHaveText(/^(Tune it once|Touch|Leave it)/);
});
