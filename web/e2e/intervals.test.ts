import { expect, test } from '@playwright/test';
import { addInstrument, signIn } from './parts';

test('two notes: the beat, where to hear it, test notes, and the rate taken into the ear', async ({ page }) => {
	await signIn(page);
	await page.getByRole('link', { name: 'Intervals' }).click();
	const notes = page.getByRole('textbox', { name: 'Two notes' });
	await expect(notes).toBeEnabled();
	await notes.fill('f3-f4');
	await notes.press('Enter');
	await expect(page.getByRole('heading', { name: 'F3 with F4: octave' })).toBeVisible();
	// 4:2 is proved from the major third below: C♯3 with F3 against C♯3 with F4.
	await page.getByRole('button', { name: '4:2', exact: true }).click();
	await expect(page.getByText('Play C♯3 with F3, then with F4.')).toBeVisible();
	await expect(page.getByText(/Faster with F4 means wide, slower narrow, alike\s+pure/)).toBeVisible();
	await expect(page).toHaveURL(/notes=F3/);
	await page.reload();
	await expect(page.getByRole('heading', { name: 'F3 with F4: octave' })).toBeVisible();

	// Vallotti at 415 on the harpsichord: F3-A3 beats gently.
	await notes.fill('F3 A3');
	await page.getByLabel('Instrument').selectOption('Harpsichord, typical');
	await page.getByLabel('Temperament').selectOption('Vallotti');
	await page.getByLabel('A4', { exact: true }).selectOption('A4 = 415 Hz');
	await expect(page).toHaveURL(/kind=harpsichord.*temperament=vallotti.*a4=415/);
	const beat = page.getByTestId('beat');
	// Ideal: 4 A3 - 5 F3 = 4 * 207.5 - 5 * 415 * 2^(-16/12) * 2^(7.82/1200) = 2.80; light strings take a trace off.
	await expect(beat).toHaveText(/^2\.[67]\d beats per second, wide$/);
	const target = (await beat.innerText()).slice(0, 4);
	const sounding = page.getByTestId('sounding-rate');
	await expect(sounding).toHaveText(target);
	await page.getByRole('button', { name: 'Sound it' }).click();
	await page.getByRole('button', { name: 'Faster' }).click();
	await expect(sounding).toHaveText((Number(target) + 0.2).toFixed(2));
	await page.getByLabel('Step in beats per second').selectOption('1');
	await page.getByRole('button', { name: 'Slower' }).click();
	await expect(page.getByText('0.8 slower than the target')).toBeVisible();
	await page.getByRole('button', { name: 'At target' }).click();
	await expect(sounding).toHaveText(target);
	await page.getByRole('button', { name: 'Stop' }).click();

	// What cannot be read is said, and the last interval stays.
	for (const [typed, why] of [
		['F3 X9', /“X9” is not a note/],
		['A0 A3', /A0 lies outside this instrument/],
		['F3', /Write two notes/]
	] as const) {
		await notes.fill(typed);
		await expect(page.getByText(why)).toBeVisible();
		await expect(page.getByRole('heading', { name: 'F3 with A3: major third' })).toBeVisible();
	}
});

test('an octave counted by ear: the note at fault, a wrong count, what is missing, and the record', async ({
	page
}) => {
	await signIn(page);
	await page.goto('/intervals/counts');
	const verdict = page.getByTestId('verdict');
	await expect(verdict).toHaveText('Nothing counted yet.');
	await page.getByLabel('How sure').selectOption({ index: 2 });
	const rate = (pair: string) => page.getByLabel(pair, { exact: true });

	/** Types the rate each field asks for into all fields of a kind. */
	const asIntended = async (heading: string) => {
		const section = page
			.locator('fieldset > section')
			.filter({ has: page.getByRole('heading', { name: heading, exact: true }) });
		for (const field of await section.getByRole('textbox').all())
			await field.fill((await field.getAttribute('placeholder'))!);
	};
	await asIntended('fourths');
	await asIntended('fifths');
	await expect(verdict).toHaveText(/^Nothing confirms the count of |could be anywhere within/);
	await expect(page.getByText(/^.*Count .* as well\.$/)).toBeVisible();

	await asIntended('major thirds');
	await asIntended('minor thirds');
	await expect(verdict).toHaveText('Every note lies within 1.5 cents of equal.');

	// C♯4 four cents flat (each rate from the partials of the two strings, rounded as one counts): what an ear counts then (A3-C♯4 slower, C♯4-F4 faster, and so on).
	for (const [pair, counted] of [
		['A3-C♯4', '5.7'],
		['C♯4-F4', '13.5'],
		['B♭3-C♯4', '16.5'],
		['C♯4-E4', '12.4'],
		['F♯3-C♯4', '2.1'],
		['G♯3-C♯4', '1.3']
	])
		await rate(pair).fill(counted);
	await page.getByLabel('G♯3-C♯4 is wide or narrow').selectOption('narrow');
	await expect(verdict).toHaveText(/^C♯4 is [34]\.\d cents flat: raise it\. The rest may stay\.$/);
	await expect(page.getByText(/raise C♯4 about/).first()).toBeVisible();
	await expect(page.getByRole('row', { name: /^C♯4 −[34]\.\d/ })).toContainText('raise');

	// One miscount among them is named and left out.
	await rate('F3-A3').fill('9.5');
	await expect(verdict).toHaveText(/^One count is wrong, F3-A3\. C♯4 is [34]\.\d cents flat/);
	await expect(page.getByText(/contradicts the others: counted 9\.5/)).toBeVisible();
	await rate('F3-A3').fill('soon');
	await expect(page.getByText(/“soon” is not a rate.*It is left out\./)).toBeVisible();
	await expect(verdict).toHaveText(/^C♯4 is [34]\.\d cents flat/);

	await page.getByRole('button', { name: 'Keep these counts' }).click();
	await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
	await page.reload();
	await expect(verdict).toHaveText(/^C♯4 is [34]\.\d cents flat/);
	await expect(rate('A3-C♯4')).toHaveValue('5.7');
	await page.goto('/intervals/counts');
	await page
		.getByRole('link', { name: /Upright piano, typical/ })
		.first()
		.click();
	await expect(rate('A3-C♯4')).toHaveValue('5.7');
});

test('the staircases of an octave follow instrument and temperament', async ({ page }) => {
	await signIn(page);
	await page.goto('/intervals/octave');
	await expect(
		page.getByRole('heading', { name: /The major thirds rise evenly, about 0\.\d per second/ })
	).toBeVisible();
	await expect(
		page.getByRole('img', { name: /Beats per second of the major thirds, by lower note: F3 6\./ })
	).toBeVisible();
	await page.getByLabel('Temperament').selectOption('Quarter-comma meantone');
	await expect(page.getByRole('heading', { name: /do not rise evenly in Quarter-comma meantone/ })).toBeVisible();
	await page.getByLabel('Octave').selectOption('A3 to A4');
	await expect(page.getByRole('img', { name: /major thirds, by lower note: A3 / })).toBeVisible();
});

test('an instrument with a short compass: what it has is used, and what it lacks is said', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Octave spinet', { lowest: 'C5', highest: 'C6' });
	const id = page.url().split('/').at(-1);
	await page.goto(`/intervals?instrument=${id}&notes=F3+A3`);
	await expect(page.getByText('F3 lies outside this instrument, which goes from C5 to C6.')).toBeVisible();
	await expect(page.getByRole('heading', { name: 'C5 with E5: major third' })).toBeVisible();
	for (const path of ['/intervals/octave', '/intervals/counts', '/temperaments/vallotti/bearing-plan']) {
		await page.goto(`${path}?instrument=${id}`);
		await expect(page.getByText(/^Octave spinet has no whole octave in the middle of the keyboard/)).toBeVisible();
	}
	await expect(page.getByText('Set A4 from your fork')).toBeVisible();

	// With the octave from C4 the plan starts where the instrument can; another ear changes what it may expect.
	await addInstrument(page, 'Travelling clavichord', { lowest: 'C4', highest: 'F5' });
	const other = page.url().split('/').at(-1);
	await page.goto(`/temperaments/vallotti/bearing-plan?instrument=${other}&octave=0&start=60`);
	await expect(page.getByLabel('Temperament octave').locator('option')).toHaveText(['C4 to C5']);
	await expect(page.getByText('Set C4 from your fork')).toBeVisible();
	await page.getByLabel('Ear', { exact: true }).selectOption('counted once, in passing, ±0.2');
	await expect(page.getByText(/an ear that counts to 0\.2 per second or 10 %/)).toBeVisible();
});
