import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import ICAL from 'ical.js';
import { codeOf, textOf } from '../src/lib/server/tests/paperReaders';
import { addInstrument, listen, readLive, setDueNote, signIn, startSetting, startVisit } from './parts';

/** The paper that a button gives. */
async function paper(page: Page, name: string): Promise<Buffer> {
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		page.getByRole('button', { name, exact: true }).click()
	]);
	return readFile(await download.path());
}

test('a visit is closed: its record, advice, the next day, papers that others read; then two visits are compared', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await addInstrument(page, 'Boathouse upright', { lowest: 'A4', highest: 'A5' });
	await startVisit(page);
	await page.getByRole('link', { name: 'Arrive', exact: true }).click();
	await page.getByLabel('In the player’s words').fill('It growls.');
	await page.getByLabel('Humidity').fill('33');
	await page.getByLabel('Humidity').blur();
	await page.goto(page.url().replace(/\/arrive$/, '/plan'));
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
	await listen(page);
	const first = (await readLive(page)).note;
	await setDueNote(page);

	await page.getByRole('link', { name: 'Close', exact: true }).click();
	await expect(page.getByRole('heading', { name: '1 note set, 12 left out.' })).toBeVisible();
	const record = page.getByRole('definition');
	await expect(record.filter({ hasText: 'left out' })).toBeVisible();
	await expect(record.filter({ hasText: 'set, 1 note' })).toBeVisible();
	await expect(record.filter({ hasText: 'It growls. Not answered yet.' })).toBeVisible();
	await page.getByLabel('What came of the complaint').fill('A loose hinge pin.');
	await page.getByLabel('The player’s word').fill('Much better.');
	await page.getByLabel('Said by').fill('The ferryman');
	await page.getByLabel('Note for the record').fill('Bring the small lever.');
	await page.getByRole('checkbox', { name: /The air is dry/ }).check();
	await page.getByLabel('Advice of your own').fill('Tie the lid in the boat.');
	await page.getByRole('button', { name: 'Add', exact: true }).click();
	await expect(page.getByRole('checkbox', { name: 'Tie the lid in the boat.' })).toBeChecked();
	await page.getByRole('checkbox', { name: /Close it when nobody plays/ }).check();
	await page.getByRole('checkbox', { name: /Close it when nobody plays/ }).uncheck();

	// A day that is over is refused, and nothing of what stood is lost.
	const next = page.getByTestId('next-visit');
	const byUse = await next.innerText();
	await page.getByLabel('Another day').fill('2020-01-01');
	await expect(page.getByRole('alert')).toContainText('That day is over.');
	await expect(next).toHaveText(byUse);
	await page.getByLabel('Another day').fill('2031-05-06');
	await expect(next).toHaveText('6 May 2031');
	await page.reload();
	await expect(next).toHaveText('6 May 2031');
	await expect(record.filter({ hasText: 'It growls. A loose hinge pin.' })).toBeVisible();
	await expect(page.getByLabel('The player’s word')).toHaveValue('Much better.');

	const report = await textOf(await paper(page, 'Report for the owner'));
	for (const said of [
		'Boathouse upright',
		'You said: “It growls.” A loose hinge pin.',
		'The air is dry.',
		'Tie the lid'
	])
		expect(report).toContain(said);
	expect(report).not.toContain('Close it when nobody plays');
	const code = codeOf(await paper(page, 'Card for the instrument'));
	expect(code).toContain('instrument Boathouse upright');
	expect(code).toMatch(/^A4 4[34]\d\.\d\d Hz$/m);
	expect(code).toMatch(/^curve A4 .*A5 /m);
	const calendar = new ICAL.Component(ICAL.parse((await paper(page, 'Next visit, for a calendar')).toString()));
	const event = new ICAL.Event(calendar.getFirstSubcomponent('vevent')!);
	expect([event.summary, event.startDate.toString()]).toEqual(['Tune Boathouse upright', '2031-05-06']);
	await page.getByRole('button', { name: 'Finish the visit' }).click();

	// Another visit finds it again; both are laid beside each other.
	await expect(page.getByRole('heading', { name: 'Boathouse upright' })).toBeVisible();
	await startSetting(page);
	await listen(page);
	expect((await readLive(page)).note).toBe(first);
	await setDueNote(page);
	await page.getByRole('link', { name: 'Close', exact: true }).click();
	await page.getByRole('button', { name: 'Finish the visit' }).click();
	await expect(page.getByRole('link', { name: /^report of/ })).toHaveCount(2);
	await page.getByRole('button', { name: 'Show both' }).click();
	await expect(page.getByTestId('drift')).toContainText(/moved most between them|Nothing moved between them/);
	await expect(page.getByRole('cell', { name: 'Bring the small lever.' })).toBeVisible();
	await page.getByLabel('Compare').selectOption({ index: 0 });
	await page.getByRole('button', { name: 'Show both' }).click();
	await expect(page.getByText('Choose two different visits.')).toBeVisible();
});
