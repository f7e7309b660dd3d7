import { expect, test, type Page } from '@playwright/test';
import {
	addInstrument,
	holdString,
	listen,
	openStrings,
	readLive,
	setDueNote,
	signIn,
	startSetting,
	strikeAndLook
} from './parts';

const registers = (page: Page, note: string) => page.getByRole('region', { name: `Unison of ${note}` });

/** Sets what is open; a string that beats by itself is kept as it stands. */
async function hold(page: Page): Promise<void> {
	if (!(await holdString(page, 8))) await keepAsItStands(page);
}

/** Both eight-foots together, taken as they are heard where they do not come to rest by themselves. */
async function takeBoth(page: Page, note: string): Promise<void> {
	await expect(openStrings(page)).toHaveText('Both');
	await strikeAndLook(page);
	await expect(registers(page, note)).toContainText(/Both 8′ drawn|alone/);
	if ((await openStrings(page).innerText()) === 'Both' && (await readLive(page)).note === note)
		await page.keyboard.press('Shift+Enter');
	await expect(openStrings(page)).not.toHaveText('Both');
}

/** Keys of the instrument. */
const NOTES = 13;
async function keepAsItStands(page: Page): Promise<void> {
	const due = async () => `${(await readLive(page)).note} ${await openStrings(page).innerText()}`;
	const before = await due();
	await page.keyboard.press('Shift+Enter');
	await expect.poll(due).not.toBe(before);
}

test('a harpsichord choir to choir: the lower eight-foot by the temperament, the upper to it, the four-foot an octave up', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Harpsichord of the custom house', { kind: 'harpsichord', lowest: 'A4', highest: 'A5' });

	// Three registers are said once, on its page.
	const own = page.url();
	await page.goto(`${own}/scale`);
	const strung = page.getByRole('region', { name: 'Stringing' });
	await strung.getByRole('button', { name: 'Change it' }).click();
	await strung.getByLabel('Registers').selectOption({ label: 'three: lower and upper 8′, 4′' });
	await strung.getByRole('button', { name: 'Keep' }).click();
	await expect(strung).toContainText('As you entered it');
	await page.goto(own);
	await startSetting(page);
	await listen(page);

	// The leading register first, over the whole keyboard: three notes by the lever, the others as they stand.
	const notes = ['A4', 'B♭4', 'B4'];
	for (const note of notes) {
		await expect(openStrings(page)).toHaveText('Lower 8′');
		expect(await setDueNote(page)).toBe(note);
	}
	for (let kept = 3; kept < NOTES; kept++) await keepAsItStands(page);
	// Then the upper to it, note by note: alone, then both together.
	await expect(registers(page, 'A4')).toContainText('Upper 8′ drawn alone; the other stops back, the buff off.');
	await hold(page);
	await takeBoth(page, 'A4');
	for (let kept = 1; kept < NOTES; kept++) {
		await keepAsItStands(page);
		await expect(openStrings(page)).toHaveText('Both');
		await keepAsItStands(page);
	}
	// The four-foot sounds an octave up, and is told as its keys are.
	await expect(registers(page, 'A4')).toContainText('4′ drawn alone');
	await hold(page);
	await expect(registers(page, 'B♭4')).toContainText('4′ drawn alone');

	// Its pin lies one further than it was thought to: all of its row go with it, and it is known from now on.
	await page.getByRole('button', { name: 'Pins', exact: true }).click();
	const pins = page.getByRole('region', { name: 'Pin of B♭4' });
	await expect(pins).toContainText('B♭4: 10 pins above C4');
	const placesOfC5 = () =>
		pins.locator('text.c', { hasText: 'C5' }).evaluateAll((names) => names.map((name) => name.getAttribute('x')));
	const [lower, , four] = await placesOfC5();
	expect(four).toBe(lower);
	await pins.getByRole('button', { name: 'One to the right' }).click();
	await expect.poll(async () => (await placesOfC5())[0]).not.toBe(lower);
	await page.getByRole('button', { name: 'Unison', exact: true }).click();

	// What was done is there after a reload: the next four-foot string is due.
	await page.reload();
	await page.getByRole('button', { name: 'Pins', exact: true }).click();
	await expect(pins).toBeVisible();
	const [known, , moved] = await placesOfC5();
	expect(known).not.toBe(moved);
	await page.getByRole('button', { name: 'Unison', exact: true }).click();
	await expect(registers(page, 'B♭4')).toContainText('4′ drawn alone');
	await listen(page);
	await hold(page);
	await expect(registers(page, 'B4')).toContainText('4′ drawn alone');
	await page.getByRole('link', { name: 'Close', exact: true }).click();
	await expect(page.getByText(/13 of 13 notes|13 notes/).first()).toBeVisible();
});
