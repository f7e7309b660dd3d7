import { expect, test } from '@playwright/test';
import { addInstrument, listen, readLive, signIn, startSetting, startVisit, strikeAndRead } from './parts';

test('no microphone, and a microphone that is refused', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Silent upright');
	await startSetting(page);
	await page.getByLabel('Sound from').selectOption({ label: 'Microphone' });
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText(/No microphone is connected\. Plug one in/)).toBeVisible();
	await page.evaluate(() => {
		navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', 'NotAllowedError'));
	});
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText(/The browser may not use the microphone\. Allow it/)).toBeVisible();
	// The way out that the first message names works at once.
	await page.getByLabel('Sound from').selectOption({ label: 'Simulated instrument' });
	await listen(page);
	expect((await strikeAndRead(page)).cents).toBeDefined();
});

test('the server is away: readings wait, survive a reload of the page, and arrive', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Far away upright', { lowest: 'C3', highest: 'C5' });
	await startSetting(page);
	await listen(page);
	await page.route('**/api/**', (route) => route.abort());
	await strikeAndRead(page);
	await page.keyboard.press('Shift+Enter');
	await expect(page.getByText(/The server does not answer\. Go on tuning/)).toBeVisible();
	await expect(page.getByTestId('saved')).toHaveText(/^2 entries waiting on this device/);
	expect((await readLive(page)).note).toBe('A3');

	await page.reload();
	await expect(page.getByTestId('saved')).toHaveText(/^2 entries waiting on this device/);
	await expect(page.getByText('Temperament octave: 1 of 14')).toBeVisible();
	expect((await readLive(page)).note).toBe('A3');
	await page.unroute('**/api/**');
	await expect(page.getByTestId('saved')).toHaveText('everything saved', { timeout: 30_000 });
	await page.getByRole('link', { name: 'Close' }).click();
	await expect(page.getByText('1 note set, 24 left out.')).toBeVisible();
});

test('A4 out of range, an unreadable A4, and the plan that stays', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Pitch upright');
	await startVisit(page);
	const a4 = page.getByLabel(/^A4 in hertz/);
	for (const [typed, said] of [
		['500', '500 Hz is outside 380 to 480 Hz. The plan stays at 440.0 Hz.'],
		['about 440', 'Write A4 in hertz, such as 441.5. The plan stays at 440.0 Hz.']
	]) {
		await a4.fill(typed);
		await a4.press('Enter');
		await expect(page.getByRole('alert')).toHaveText(said);
	}
	await a4.fill('441,5');
	await a4.press('Enter');
	await expect(page.getByText('Equal at 441.5 Hz.')).toBeVisible();
	await page.reload();
	await expect(page.getByText('Equal at 441.5 Hz.')).toBeVisible();
	// Whoever chooses and goes on at once takes the new plan along.
	await page.route('**/api/**', async (route) => {
		await new Promise((resolve) => setTimeout(resolve, 1500));
		await route.continue();
	});
	await page.getByRole('button', { name: '430', exact: true }).click();
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
	await expect(page.getByText(/Visit of .*, equal, A4 = 430\.0/)).toBeVisible();
});

test('an instrument without a name, with a name in use, with too long a note', async ({ page }) => {
	await signIn(page);
	await page.goto('/instruments/new');
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('Give the instrument a name you will know it by.')).toBeVisible();
	await page.getByLabel('Name').fill('chapel CONCERT grand');
	await page.getByLabel('Notes').fill('x'.repeat(10_000));
	await page.getByLabel('Highest note').fill('H9');
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('This has 10,000 characters; 4,000 fit. Shorten it, then save again.')).toBeVisible();
	await expect(page.getByText('Write a note such as A0, F1 or C8.')).toBeVisible();
	await expect(page.getByLabel('Notes')).toHaveValue('x'.repeat(10_000));
	await page.getByLabel('Notes').fill('Short.');
	await page.getByLabel('Highest note').fill('C8');
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByText('You have an instrument of that name already. Choose another name.')).toBeVisible();
	await expect(page.getByLabel('Notes')).toHaveValue('Short.');
});

test('a note for the record that is too long is refused and kept on the page', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Wordy upright');
	await startVisit(page);
	await page.getByRole('link', { name: 'Close' }).click();
	await page.getByLabel('Note for the record').fill('y'.repeat(10_000));
	await expect(page.getByText(/This has 10,000 characters; 4,000 fit/)).toBeVisible();
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByText(/This has 10,000 characters; 4,000 fit/)).toBeVisible();
	await expect(page.getByLabel('Note for the record')).toHaveValue('y'.repeat(10_000));
});

test('what is being written stays on the page when others change the instrument meanwhile', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Disputed upright');
	const instrument = page.url();
	await startVisit(page);
	await page.getByRole('link', { name: 'Close' }).click();
	const note = page.getByLabel('Note for the record');
	await expect(note).toBeVisible();
	// Opened again from the device; what the server has comes while the note is being written.
	let handOut = () => {};
	const written = new Promise<void>((resolve) => (handOut = resolve));
	await page.route('**/bundle', async (route) => {
		await written;
		await route.continue();
	});
	const asked = page.waitForRequest('**/bundle');
	await page.reload();
	await asked;
	const other = await page.context().newPage();
	await other.goto(`${instrument}/edit`);
	await other.getByLabel('Name').fill('Disputed no more');
	await other.getByRole('button', { name: /^Save/ }).click();
	await expect(other.getByRole('heading', { name: 'Disputed no more' })).toBeVisible();
	await note.fill('y'.repeat(10_000));
	handOut();
	await expect(page.getByText('Disputed no more').first()).toBeVisible();
	await expect(note).toHaveValue('y'.repeat(10_000));
});

test('addresses that lead nowhere, and pages for those who are not signed in', async ({ page }) => {
	await page.goto('/instruments');
	await expect(page).toHaveURL(/\/signin\?next=%2Finstruments$/);
	await page.getByLabel('E-mail').fill('demo@saltmarsh.example');
	await page.getByLabel('Password').fill('wrong');
	await page.getByRole('button', { name: 'Sign in', exact: true }).click();
	await expect(page.getByText('E-mail or password is wrong. Check both and try again.')).toBeVisible();
	await signIn(page);
	await page.goto('/visits/01a20724-b3f2-7056-bbd9-dd8fdf185feb/set');
	await expect(page.getByRole('heading')).toHaveText('There is no such visit in your workshop.');
	for (const path of ['/visits/nonsense', '/instruments/nonsense', '/nowhere']) {
		const answer = await page.goto(path);
		expect(answer?.status(), path).toBe(404);
		await expect(page.getByRole('heading')).toContainText(/There is (no such|nothing)/);
	}
});
