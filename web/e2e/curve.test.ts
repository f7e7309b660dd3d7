import { expect, test, type Page } from '@playwright/test';
import { addInstrument, readLive, signIn, startVisit } from './parts';

const targetOf = async (page: Page, name: string) =>
	Number((await page.getByRole('row', { name: new RegExp(`^${name} `) }).innerText()).split(/\s+/)[1]);

test('a curve is shaped on its sheet, taken, followed everywhere, and an earlier one comes back', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Curved upright');
	const id = page.url().split('/').at(-1);
	await startVisit(page);
	// A first visit begins with a balanced curve for such an instrument; A4 itself stays where the fork has it.
	const stretch = page.getByLabel('Stretch');
	await expect(stretch).toBeEnabled();
	await expect(stretch.locator('option:checked')).toHaveText('Balanced');
	await expect(page.getByText(/A0 −\d+\.\d, C8 \+\d+\.\d cents\. The \d+:\d octave gives way most/)).toBeVisible();
	await expect(page.getByRole('row', { name: /^A4 440\.00 0\.00/ })).toBeVisible();
	const balanced = await targetOf(page, 'C8');
	expect(balanced).toBeGreaterThan(4220);

	await page.getByRole('link', { name: 'Shape it on the curve sheet' }).click();
	await expect(page.getByRole('heading', { name: 'Balanced.', exact: true })).toBeVisible();
	await expect(page.getByTestId('trust')).toContainText('No string has been read: a typical upright piano stands in.');
	await expect(page.getByTestId('trust')).toContainText(/Within ±\d+\.\d cents at A0/);
	await expect(page.getByRole('button', { name: 'As this piano was' })).toBeDisabled();
	const lead = page.getByLabel('What leads');
	await expect(lead).toBeEnabled();
	await lead.selectOption('Octave-led');
	await page.getByLabel('Blended with').selectOption('Twelfth-led');
	await page.getByLabel(/its share/).fill('40');
	await page.getByLabel(/More on top/).fill('5');
	// The curve is a slider over the keys: an octave up from C4, then 0.6 cents higher.
	const sheet = page.getByRole('slider', { name: /^Tuning curve/ });
	await sheet.focus();
	await sheet.press('Shift+ArrowRight');
	await expect(sheet).toHaveAttribute('aria-valuetext', /^C5 /);
	const before = Number(/([+−]?)(\d+\.\d)/.exec((await sheet.getAttribute('aria-valuetext'))!)![2]);
	await sheet.press('Shift+ArrowUp');
	await sheet.press('ArrowUp');
	await expect(sheet).toHaveAttribute('aria-valuetext', /set by ear/);
	const after = Number(/([+−]?)(\d+\.\d)/.exec((await sheet.getAttribute('aria-valuetext'))!)![2]);
	expect(Math.abs(after - before)).toBeCloseTo(0.6, 0);
	const title = 'Octave-led, 40 % twelfth-led, +5.0 at C8, C5 by ear.';
	await expect(page.getByRole('heading', { name: title })).toBeVisible();

	// Not taken yet, and not lost by a reload either.
	await expect(page).toHaveURL(/lead=octaves.*held=72_/);
	await page.reload();
	await expect(page.getByRole('heading', { name: title })).toBeVisible();
	await page.getByRole('button', { name: 'Fifths, fourths' }).click();
	await expect(page.getByRole('img', { name: /^Beats per second by the lower note\. 3:2 at most/ })).toBeVisible();
	await page.getByLabel('Compare with').selectOption('Fifth-led');
	await expect(sheet).toHaveAttribute('aria-valuetext', /Fifth-led/);
	await page.getByRole('button', { name: 'Play from C4' }).click();
	await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible();
	await page.getByRole('button', { name: 'Fifth-led' }).click();
	await page.getByRole('button', { name: 'Stop' }).click();

	const take = page.getByRole('button', { name: 'Take this curve' });
	await take.click();
	await expect(page).toHaveURL(/\/plan$/);
	await expect(stretch.locator('option:checked')).toHaveText(title.slice(0, -1));
	const shaped = await targetOf(page, 'C8');
	expect(shaped).toBeGreaterThan(balanced);
	await page.reload();
	expect(await targetOf(page, 'C8')).toBe(shaped);

	// Set and Intervals follow without being asked.
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	expect((await readLive(page)).note).toBe('A4');
	await page.goto(`/intervals?instrument=${id}&notes=C6+C7`);
	await page.getByRole('button', { name: '2:1', exact: true }).click();
	const beat = page.getByTestId('beat');
	await expect(beat).toHaveText(/wide/);
	await expect(page.getByLabel('Stretch').locator('option:checked')).toHaveText('stretch as planned for it');
	await page.getByLabel('Stretch').selectOption('no stretch');
	await expect(beat).toHaveText(/narrow|still/);

	// The first curve is still there.
	await page.goto(`/instruments/${id}`);
	await page.getByRole('button', { name: 'Go on with the visit' }).click();
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
	await page.getByRole('link', { name: 'Shape it on the curve sheet' }).click();
	await page.getByText('Earlier curves (2)').click();
	await expect(page.getByRole('button', { name: 'Open' }).last()).toBeEnabled();
	await page.getByRole('button', { name: 'Open' }).last().click();
	await expect(page.getByRole('heading', { name: 'Balanced.', exact: true })).toBeVisible();
	await take.click();
	await expect(page).toHaveURL(/\/plan$/);
	await expect.poll(() => targetOf(page, 'C8')).toBe(balanced);
});

test('a piano that was liked: its curve is found from how it was left', async ({ page }) => {
	await signIn(page);
	await page.goto('/instruments');
	await page.getByRole('link', { name: 'Teaching studio grand' }).click();
	await startVisit(page);
	await page.getByRole('link', { name: 'Shape it on the curve sheet' }).click();
	const lead = page.getByLabel('What leads');
	await expect(lead).toBeEnabled();
	await lead.selectOption('Fifth-led');
	await page.getByRole('button', { name: 'As this piano was' }).click();
	await expect(page.getByText(/88 notes as it was left .*: this fits well/)).toBeVisible();
	await expect(lead).toHaveValue('balanced');
});

test('what cannot be is refused by the sheet and by the server', async ({ page }) => {
	await signIn(page);
	await addInstrument(page, 'Short of A4', { lowest: 'C2', highest: 'C4' });
	await startVisit(page);
	await expect(page).toHaveURL(/visits/);
	const visit = new URL(page.url()).pathname.split('/')[2];
	await page.goto(`/visits/${visit}/plan/curve?lead=wild&share=9`);
	await expect(page.getByRole('heading', { name: 'Balanced.', exact: true })).toBeVisible();
	await expect(page.getByTestId('trust')).toContainText('This keyboard has no A4. C4 stands at');
	const { visit: book, about } = await (await page.request.get(`/api/visits/${visit}/bundle`)).json();
	const { plan } = book.events[0];
	for (const [wish, said] of [
		[{ lead: 'wild', with: null, share: 0, top: 0, held: {} }, 'its lead cannot be read'],
		[{ lead: 'balanced', with: null, share: 0, top: 99, held: {} }, 'its top is out of range'],
		[{ lead: 'balanced', with: null, share: 0, top: 0, held: { 50: 900 } }, 'its held is out of range'],
		[{ lead: 'balanced', with: null, share: 0, top: 0, held: { 100: 3 } }, 'this keyboard does not have it']
	] as const) {
		const [id, device, doneAt] = [crypto.randomUUID(), crypto.randomUUID(), new Date()];
		const curve = { ...about.curves[0], id, wish };
		const act = {
			id,
			counter: 1,
			doneAt,
			do: 'plan',
			plan: { ...plan, curveId: id, id },
			wrote: ['curve'],
			over: [],
			curve
		};
		const item = { format: 2, kind: 'act', visitId: visit, device, act };
		const answer = await page.request.post('/api/record', { data: { now: doneAt, items: [item] } });
		const [{ answer: told, why }] = (await answer.json()).answers;
		expect([told, why]).toEqual(['refused', expect.stringContaining(said)]);
	}
});
