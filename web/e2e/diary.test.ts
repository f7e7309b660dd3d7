import { expect, test, type Page } from '@playwright/test';
import { addDays, format, nextMonday } from 'date-fns';
import ICAL from 'ical.js';
import { leaveField, signIn } from './parts';

/** A Monday so many weeks ahead: what other journeys book lies elsewhere. */
const monday = (weeks: number) => addDays(nextMonday(new Date()), 7 * weeks);
const day = (at: Date) => format(at, 'yyyy-MM-dd');

const CARDS = `BEGIN:VCARD
VERSION:3.0
FN:Juno Samphire
ROLE:caretaker
TEL;TYPE=cell:01632 960199
END:VCARD
BEGIN:VCARD
VERSION:4.0
FN:Ida Fenner
NOTE:from the telephone
END:VCARD
BEGIN:VCARD
VERSION:3.0
FN:Nobody
EMAIL:nowhere
END:VCARD`;

const events = (file: string) =>
	new ICAL.Component(ICAL.parse(file) as never).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));

async function openDiary(page: Page, at: Date): Promise<void> {
	await page.goto(`/round/diary?on=${day(at)}`);
	await expect(page.getByRole('button', { name: 'Book it' })).toBeVisible();
	await expect(page.locator('.ec-title')).toBeVisible();
}

test('places and people: a house, its key and its caretaker; contacts from a file, and taken back; two that are one', async ({
	page
}) => {
	await signIn(page);
	await page.goto('/round/places');
	const add = page.getByRole('form', { name: 'Another place' });
	await add.getByLabel('Another place').fill('Sluice house');
	await add.getByLabel('Town').fill('Saltmarsh Quay');
	await add.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByRole('heading', { name: 'Sluice house, Saltmarsh Quay' })).toBeVisible();
	await page.getByLabel('Getting in').fill('Key under the third pot');
	await page.getByLabel('Degrees north').fill('fifty');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('Degrees north, like 51.48');
	await page.getByLabel('Degrees north').fill('51,48');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByRole('alert')).toContainText('Give degrees north and east, or neither.');
	await page.getByLabel('Degrees east').fill('0.95');
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByRole('alert')).toHaveCount(0);
	await page.getByLabel('The Tide Mill').fill('4');
	await leaveField(page);
	await expect(page.getByRole('status').filter({ hasText: 'Kept: 4 minutes.' })).toBeVisible();
	await page.reload();
	await expect(page.getByLabel('Getting in')).toHaveValue('Key under the third pot');
	await expect(page.getByLabel('The Tide Mill')).toHaveValue('4');

	// Contacts from a file: looked at first, kept, taken back, kept.
	await page.goto('/round/places');
	const file = page.getByLabel('Contacts from a file (vCard)');
	await file.setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from('name,phone') });
	await expect(page.getByRole('alert')).toContainText('list.csv is no vCard file');
	await file.setInputFiles({ name: 'people.vcf', mimeType: 'text/vcard', buffer: Buffer.from(CARDS) });
	await expect(page.getByRole('heading', { name: '2 contacts in it, 1 cannot be read' })).toBeVisible();
	await page.getByRole('button', { name: 'Keep 2' }).click();
	await expect(page.getByRole('status')).toContainText('2 contacts kept.');
	await expect(page.getByText('Juno Samphire')).toBeVisible();
	await page.getByRole('button', { name: 'Take them back' }).click();
	await expect(page.getByText('Juno Samphire')).toHaveCount(0);
	await file.setInputFiles({ name: 'people.vcf', mimeType: 'text/vcard', buffer: Buffer.from(CARDS) });
	await page.getByRole('button', { name: 'Keep 2' }).click();
	// Ida was there already: the two are one, and say what each said.
	const alike = page.getByRole('region', { name: 'Written alike' });
	await alike.getByRole('button', { name: /Keep Ida Fenner, owner/ }).click();
	await expect(page.getByText('from the telephone')).toBeVisible();
	await expect(page.getByText('Ida Fenner', { exact: true })).toHaveCount(1);
	const [cards] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('link', { name: 'Everybody as vCards' }).click()
	]);
	expect(cards.suggestedFilename()).toBe('fendrel-contacts.vcf');
});

test('the diary: booked week by week, never twice, moved by keyboard and by hand, read by a calendar, begun with a key', async ({
	page,
	request
}) => {
	const first = monday(9);
	await page.goto('/signin');
	await page.getByRole('button', { name: /^Look around as/ }).click();
	// The round is where one begins.
	await expect(page.getByTestId('day')).toBeVisible();
	await openDiary(page, first);
	const form = page.getByRole('form', { name: 'A new booking' });
	await form.getByLabel('Place').selectOption({ label: 'The Tide Mill, Saltmarsh Quay' });
	await expect(form).toContainText('Getting in: Ring twice');
	await form.getByRole('checkbox', { name: /Tide mill cottage upright/ }).check();
	await form.getByLabel('At', { exact: true }).fill('08:05');
	await form.getByLabel('Minutes').fill('3');
	await form.getByRole('button', { name: 'Book it' }).click();
	await form.getByLabel('Minutes').fill('60');
	await form.getByLabel('What was promised').fill('A price for new felt');
	await form.getByLabel('Again').selectOption('weekly');
	await form.getByLabel('Until', { exact: true }).fill(day(addDays(first, 15)));
	await form.getByRole('button', { name: 'Book it' }).click();
	await expect(page.getByRole('status').filter({ hasText: 'Booked, 3 times.' })).toBeVisible();
	const event = page.locator('.ec-event').filter({ hasText: 'Tide mill cottage upright' });
	await expect(event).toHaveCount(1);

	// Nobody is in two places at once.
	await form.getByLabel('Day').fill(day(first));
	await form.getByLabel('At', { exact: true }).fill('08:30');
	await form.getByLabel('Minutes').fill('30');
	await form.getByRole('button', { name: 'Book it' }).click();
	await expect(page.getByRole('alert')).toContainText('is booked then already: Tide mill cottage upright.');

	// By keyboard: opened with Enter, its hour written.
	await event.focus();
	await page.keyboard.press('Enter');
	const open = page.getByRole('form', { name: 'The booking' });
	await open.getByLabel('At', { exact: true }).fill('10:00');
	await open.getByRole('button', { name: 'Keep' }).click();
	await expect(page.getByRole('status').filter({ hasText: 'Changed.' })).toBeVisible();
	await expect(event).toContainText('10:00');

	// By hand: to the next day.
	const box = (await event.boundingBox())!;
	const columns = page.locator('.ec-col-head');
	const [monday0, tuesday0] = [(await columns.nth(0).boundingBox())!, (await columns.nth(1).boundingBox())!];
	await page.mouse.move(box.x + box.width / 2, box.y + 12);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width / 2 + 10, box.y + 14, { steps: 4 });
	await page.mouse.move(box.x + box.width / 2 + (tuesday0.x - monday0.x), box.y + 12, { steps: 8 });
	await page.mouse.up();
	await expect(page.getByRole('status').filter({ hasText: 'Tide mill cottage upright: moved.' })).toBeVisible();

	// A calendar reads it at an address of its own, without being signed in, until that is withdrawn.
	const own = page.getByRole('region', { name: 'In your own calendar' });
	await own.getByRole('button', { name: 'Make an address' }).click();
	await expect(own.getByRole('alert')).toHaveText('Say which calendar reads there.');
	await own.getByLabel('Which calendar reads it').fill('Telephone');
	await own.getByRole('button', { name: 'Make an address' }).click();
	const address = (await page.getByTestId('calendar').textContent())!;
	const at = events(await (await request.get(address)).text())
		.filter(({ summary }) => summary === 'Tide mill cottage upright')
		.map(({ startDate }) => format(startDate.toJSDate(), 'yyyy-MM-dd HH:mm'));
	expect(at).toEqual(
		expect.arrayContaining([
			`${day(addDays(first, 1))} 10:00`,
			...[7, 14].map((days) => `${day(addDays(first, days))} 08:05`)
		])
	);
	await own.getByRole('button', { name: 'Withdraw' }).first().click();
	await expect(page.getByTestId('calendar')).toHaveCount(0);
	expect((await request.get(address)).status()).toBe(404);

	// On its day it stands in the round, and a key begins it.
	await page.goto(`/round?on=${day(addDays(first, 7))}`);
	await expect(page.getByTestId('day')).toContainText('Monday: one visit, home by');
	await expect(page.getByText('Promised: A price for new felt.')).toBeVisible();
	// A page that has just come may not be listening yet.
	await expect(async () => {
		await page.keyboard.press('1');
		await expect(page).toHaveURL(/\/visits\/[0-9a-f-]{36}/, { timeout: 3000 });
	}).toPass();

	// What was left of the series is cancelled together.
	await openDiary(page, addDays(first, 7));
	await event.click();
	await page.getByRole('button', { name: 'This and those after it' }).click();
	await expect(page.getByRole('status').filter({ hasText: 'Cancelled, and those after it.' })).toBeVisible();
	await expect(event).toHaveCount(0);
});

test('a day that gains most is planned and booked; a house’s term, too', async ({ page }) => {
	await signIn(page);
	await page.goto(`/round/plan?on=${day(monday(30))}`);
	await expect(page.getByTestId('bound')).toHaveText('No other day gains more.');
	await expect(page.getByTestId('planned')).toContainText(
		/instruments? at \d+ places?, \d+ minutes on the way, home by/
	);
	await page.getByLabel('Hours, ways included').selectOption('4');
	await expect(page.getByTestId('planned')).toContainText(/home by 1[0-2]:\d\d/);
	await page.getByRole('button', { name: 'Book this day' }).click();
	await expect(page).toHaveURL(/round\/diary\?on=/);
	await expect(page.locator('.ec-event').first()).toBeVisible();

	await page.goto(`/round/plan?on=${day(monday(32))}`);
	await page.getByRole('button', { name: 'Plan a term at School of Music' }).click();
	await page.getByLabel('Weeks').selectOption('4');
	await page.getByLabel('Hours a week').selectOption('4');
	await expect(page.getByTestId('term')).toContainText(/\d+ instruments in 4 visits/);
	await page.getByRole('button', { name: 'Book the term' }).click();
	await expect(page).toHaveURL(/round\/diary\?on=/);
	// The same again is refused: those hours are taken.
	await page.goBack();
	await page.getByRole('button', { name: 'Plan a term at School of Music' }).click();
	await page.getByLabel('Weeks').selectOption('4');
	await page.getByLabel('Hours a week').selectOption('4');
	await page.getByRole('button', { name: 'Book the term' }).click();
	await expect(page.getByRole('alert')).toContainText('is booked then already');
});
