import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import { expect, test } from '@playwright/test';
import { signIn } from './parts';

const LIST = `Instrument;Type;Building;City;Brand;Year;Remarks
Gatehouse 1;upright;Gatehouse;Saltmarsh;Marram;1962;by the stairs
Gatehouse 2;grand piano;Gatehouse;;Pellwin;1987;
Gatehouse organ;organ;Gatehouse;;;;
Gatehouse 1;upright;Gatehouse;;;;
`;

test('a register from anywhere: columns matched, looked at, added, taken back, added; found again; moved with its owner; laid aside', async ({
	page
}) => {
	await signIn(page);
	await page.getByRole('link', { name: 'From a list' }).click();
	const file = page.getByLabel('A list as CSV, its first line the headings');
	await file.setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('only a heading') });
	await expect(page.getByRole('alert')).toContainText('there is no other');
	const list = { name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(LIST) };
	await file.setInputFiles(list);
	await expect(page.getByTestId('preview')).toHaveText('2 instruments to add, 2 lines left out');
	await expect(page.getByRole('row', { name: /Gatehouse organ/ })).toContainText(
		'no kind of keyboard that is known here'
	);
	// The remarks are notes only where one says so.
	await page.getByRole('combobox', { name: /^Notes/ }).selectOption('not in the list');
	await page.getByRole('combobox', { name: /^Maker/ }).selectOption({ label: 'Brand' });
	await page.getByRole('button', { name: 'Add 2' }).click();
	await expect(page.getByRole('status').filter({ hasText: '2 instruments added.' })).toBeVisible();
	await page.getByRole('button', { name: 'Take them back' }).click();
	await expect(page.getByRole('status').filter({ hasText: 'added' })).toHaveCount(0);
	await file.setInputFiles(list);
	await page.getByRole('button', { name: 'Add 2' }).click();
	await expect(page.getByRole('status').filter({ hasText: '2 instruments added.' })).toBeVisible();

	// Found by a word, whatever the capitals.
	await page.getByRole('link', { name: 'Search everything' }).click();
	await page.getByRole('searchbox', { name: 'Search everything' }).fill('gateHOUSE');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('region', { name: 'Instruments' }).getByRole('link')).toHaveCount(2);
	await expect(page.getByRole('region', { name: 'Places' }).getByRole('link')).toHaveCount(1);
	await page.getByRole('searchbox', { name: 'Search everything' }).fill('verger');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('region', { name: 'People' })).toContainText('Maud Orchard');
	await page.getByRole('searchbox', { name: 'Search everything' }).fill('nothing of the kind');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('status')).toContainText('Nothing holds');

	// Moved to the mill, to its owner; then laid aside, and back.
	await page.goto('/instruments?find=Gatehouse+1');
	await page.getByRole('link', { name: 'Gatehouse 1' }).click();
	await page.getByRole('button', { name: 'Move' }).click();
	await page.getByRole('combobox', { name: /^Place/ }).selectOption({ label: 'The Tide Mill, Saltmarsh Quay' });
	await page.getByRole('combobox', { name: /^Owner/ }).selectOption({ label: 'Ida Fenner, owner' });
	await page.getByRole('checkbox', { name: /Laid aside/ }).check();
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText(/^Laid aside since/)).toBeVisible();
	await expect(page.getByText('Ida Fenner', { exact: true })).toBeVisible();
	const gatehouse = page.url();
	await page.goto('/instruments?find=Gatehouse+1');
	await expect(page.getByText('Nothing matches')).toBeVisible();
	await page.getByRole('link', { name: /laid aside$/ }).click();
	await expect(page.getByRole('heading', { name: /laid aside$/ })).toBeVisible();
	await expect(page.getByRole('link', { name: 'Gatehouse 1' })).toBeVisible();
	await page.goto(gatehouse);
	await expect(page.getByText('The Tide Mill, Saltmarsh Quay', { exact: true }).first()).toBeVisible();
	await page.getByRole('button', { name: 'Move' }).click();
	await page.getByRole('checkbox', { name: /Laid aside/ }).uncheck();
	await page.getByRole('button', { name: 'Keep', exact: true }).click();
	await expect(page.getByText(/^Laid aside since/)).toHaveCount(0);
});

test('what is taken away: the register, a picture as SVG and PNG, a visit’s tuning, everybody’s cards', async ({
	page
}) => {
	await signIn(page);
	const saved = async (does: () => Promise<void>) => {
		const [download] = await Promise.all([page.waitForEvent('download'), does()]);
		return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
	};
	const register = await saved(() => page.getByRole('link', { name: 'As CSV' }).click());
	expect(register.bytes.toString()).toMatch(/^name,kind,place,town,maker,made in,/);
	expect(register.bytes.toString()).toContain('Chapel concert grand,Grand piano,Shore Chapel');

	await page.goto('/round/places');
	await page.getByRole('link', { name: 'School of Music' }).first().click();
	const statement = await saved(() =>
		page
			.getByRole('link', { name: /^Statement of/ })
			.first()
			.click()
	);
	expect([statement.name.slice(0, 10), statement.bytes.subarray(0, 5).toString()]).toEqual(['statement-', '%PDF-']);
	const place = new URL(page.url()).pathname.split('/').at(-1)!;
	expect((await page.request.get(`/api/places/${place}/statement?year=soon`)).status()).toBe(400);
	await page.goto('/instruments');

	await page.getByRole('link', { name: 'Chapel concert grand' }).click();
	await expect(page.getByTestId('leave')).toContainText(/^Leave it/);
	await page.getByRole('button', { name: 'Pictures and lists of this page' }).click();
	const svg = await saved(() => page.getByRole('button', { name: 'SVG' }).first().click());
	expect(svg.name).toBe('how-sections-kept-their-pitch.svg');
	expect(svg.bytes.toString()).toContain('<title>How sections kept their pitch');
	expect(svg.bytes.toString()).not.toContain('class=');
	const png = await saved(() => page.getByRole('button', { name: 'PNG' }).first().click());
	expect(png.bytes.subarray(1, 4).toString()).toBe('PNG');
	const visits = await saved(() =>
		page
			.getByRole('button', { name: /as CSV$/ })
			.first()
			.click()
	);
	expect(visits.name).toMatch(/\.csv$/);
	const [heading, ...lines] = visits.bytes.toString().trim().split('\n');
	expect(heading.split(',').length).toBeGreaterThan(3);
	expect(lines.length).toBeGreaterThan(5);
	await page.keyboard.press('Escape');

	const visit = (await page
		.getByRole('link', { name: /^readings/ })
		.first()
		.getAttribute('href'))!.split('visit=')[1];
	const tuning = await page.request.get(`/api/visits/${visit}/papers/tuning.syx`);
	expect((await tuning.body()).length).toBe(408);
	const cards = await page.request.get('/round/places/contacts');
	// Each card is read by a parser that is not ours.
	const all = (await cards.text()).match(/BEGIN:VCARD[\s\S]*?END:VCARD/g)!;
	const names = all.map((card) => new ICAL.Component(ICAL.parse(card) as never).getFirstPropertyValue('fn'));
	expect(names).toContain('Maud Orchard');
});
