import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { createConnection } from 'mariadb';
import { createRandom, type VisitEvent } from '@fendrel/core';
import { serve } from '../../scripts/lib/application.mjs';
import { startDatabase } from '../../scripts/lib/database.mjs';
import { freePort } from '../../scripts/lib/ports.mjs';
import { DATA } from '../../scripts/lib/system.mjs';
import { keepLog, leftOn, logged } from './deviceLog';
import { Gate } from './gate';
import { addInstrument, kept, leaveField, quicken, signIn } from './parts';

/*
 * A day of six visits in cellars: fetched in the morning, worked and booked while the network is cut, the page is killed and the
 * server dies. What the device kept is stored once, each instrument has one visit, and each booking stands in the diary once.
 * `npm run soak` cuts fifty times; the tests run a short form.
 */
const CUTS = process.env.FENDREL_SOAK_MINUTES ? 50 : 4;
const SEED = Number(process.env.FENDREL_SOAK_SEED ?? 1);
const NAMES = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'].map((name) => `${name} of the day`);
const SOON = { timeout: 4000 };

/** What is done in a visit, in order. */
const WORK: readonly ((page: Page, visit: number) => Promise<void>)[] = [
	async (page, visit) => {
		await page.getByLabel('Humidity').fill(String(50 + visit), SOON);
		await leaveField(page);
	},
	async (page, visit) => {
		await page.getByLabel('Temperature in °C').fill(String(15 + visit), SOON);
		await leaveField(page);
	},
	async (page, visit) => {
		await page.getByRole('link', { name: 'Close', exact: true }).click(SOON);
		await page.getByLabel('Note for the record').fill(`Written in cellar ${visit}`, SOON);
		await leaveField(page);
	},
	async (page, visit) => {
		await page.getByRole('link', { name: 'Close', exact: true }).click(SOON);
		// Done already, before the page was killed.
		await page.getByLabel('Time of the next visit').fill(`${String(8 + 2 * visit).padStart(2, '0')}:00`, SOON);
		if (await page.getByTestId('booked').count()) return;
		await page.getByLabel('Minutes of the next visit').fill('60', SOON);
		await page.getByRole('button', { name: 'Book that day' }).click(SOON);
		await expect(page.getByTestId('booked')).toBeVisible(SOON);
	}
];

test(`six visits of a day, ${CUTS} cuts of network, page and server: nothing lost, nothing twice`, async ({
	browser
}) => {
	test.setTimeout(240_000 + CUTS * 20_000);
	const database = await startDatabase({ dir: join(DATA, 'test-day'), fresh: true });
	const databaseUrl = await database.open('day');
	const application = await serve({ databaseUrl, port: await freePort(), demo: true, quiet: true });
	const gate = await Gate.before(application.address);
	const random = createRandom(SEED);
	const cuts = { cut: 0, frozen: 0, page: 0, server: 0 };
	try {
		const context = await browser.newContext({ baseURL: gate.address });
		await quicken(context);
		await keepLog(context);
		let page = await context.newPage();
		await signIn(page);
		const instruments: string[] = [];
		for (const name of NAMES) {
			await addInstrument(page, name, { lowest: 'C3', highest: 'C5' });
			instruments.push(new URL(page.url()).pathname.split('/').at(-1)!);
		}
		await bookToday(page, instruments);
		await page.goto('/round');
		await expect(page.getByTestId('held')).toContainText('Everything for today is on this device', { timeout: 60_000 });
		await page.goto('/device');
		await kept(page);

		const steps = NAMES.flatMap((_, visit) => WORK.map((work) => ({ visit, work })));
		const cutAt = Array.from({ length: CUTS }, () => Math.floor(steps.length * random.uniform()));
		/** One cut, at a moment when something may be on its way. */
		const cutOnce = async (page: Page): Promise<void> => {
			const chance = random.uniform();
			if (chance < 0.25) {
				gate.state = 'open';
				await Promise.race([gate.nextPost(), pause(1500)]);
				await pause(60 * random.uniform());
				gate.cut();
				cuts.cut++;
			} else if (chance < 0.45) {
				gate.state = 'open';
				await Promise.race([gate.nextPost(), pause(1500)]);
				gate.state = 'frozen';
				cuts.frozen++;
			} else if (chance < 0.8) {
				// A tap is half done, or nothing is.
				void page.keyboard.press('1').catch(() => {});
				await page.close();
				cuts.page++;
			} else {
				gate.state = 'open';
				await Promise.race([gate.nextPost(), pause(1500)]);
				await application.kill();
				await pause(300 * random.uniform());
				await application.revive();
				gate.cut();
				cuts.server++;
			}
		};
		gate.cut();
		for (const [i, { visit, work }] of steps.entries()) {
			for (let cut = cutAt.filter((at) => at === i).length; cut > 0; cut--) {
				if (page.isClosed()) page = await context.newPage();
				await cutOnce(page);
			}
			await expect(async () => {
				if (page.isClosed()) page = await context.newPage();
				await inVisit(page, visit);
				await work(page, visit);
			}).toPass({ timeout: 120_000 });
		}
		gate.state = 'open';
		await application.revive();
		await page.close();
		page = await context.newPage();
		await page.goto('/device');
		await expect.poll(() => leftOn(page), { timeout: 120_000 }).toEqual({ items: 0, refused: [] });

		// By instrument: the one visit, and what is stored of it.
		const stored: VisitEvent[] = [];
		const booked: string[] = [];
		const visits = await visitsTo(databaseUrl, instruments);
		for (const id of instruments) {
			const book = (await (await page.request.get(`/api/instruments/${id}/book`)).json()) as { open?: string };
			expect(book.open).toBeDefined();
			const told = (await (await page.request.get(`/api/visits/${book.open}/changes?since=0`)).json()) as {
				told: { event: VisitEvent }[];
			};
			for (const { event } of told.told) {
				stored.push(event);
				if ('do' in event && event.do === 'book') booked.push(event.booking);
			}
		}
		const made = await logged(page, 'kept');
		const lost = made.filter((id) => !stored.some((event) => event.id === id));
		const twice = stored.length - new Set(stored.map(({ id }) => id)).size;
		const inDiary = await bookingsNamed(databaseUrl, booked);
		console.log(
			`day: six visits, ${made.length} entries, ${CUTS} cuts (${Object.entries(cuts)
				.map(([what, count]) => `${what} ${count}`)
				.join(', ')}); lost ${lost.length}, twice ${twice}`
		);
		expect(lost).toEqual([]);
		expect(twice).toBe(0);
		expect(booked).toHaveLength(NAMES.length);
		expect(new Set(booked).size).toBe(NAMES.length);
		expect(inDiary).toBe(NAMES.length);
		expect(visits).toBe(NAMES.length);
	} finally {
		await gate.close();
		await application.stop();
		await database.stop();
	}
});

/** In the visit to an instrument of the day: where the page is already, or by what the device holds. */
async function inVisit(page: Page, visit: number): Promise<void> {
	const name = NAMES[visit];
	if ((await page.getByRole('heading', { name }).count()) && /\/visits\//.test(page.url())) return;
	await page.goto('/device', { timeout: 15_000 });
	const today = page.getByRole('region', { name: 'Today' });
	const line = today.getByRole('listitem').filter({ hasText: name });
	await line.getByRole('button', { name: 'Begin' }).click(SOON);
	await expect(page.getByTestId('saved')).toBeVisible({ timeout: 15_000 });
	if (!page.url().endsWith('/arrive')) await page.getByRole('link', { name: 'Arrive', exact: true }).click(SOON);
}

/** Books the day's six visits late in the evening, where nothing else is booked. */
async function bookToday(page: Page, instruments: readonly string[]): Promise<void> {
	const { userId } = (await (await page.request.get('/api/me')).json()) as { userId: string };
	for (const [i, instrument] of instruments.entries()) {
		const startsAt = new Date(new Date().setHours(22, 10 * i, 0, 0)).toISOString();
		const of = { id: randomUUID(), userId, locationId: null, instruments: [instrument], startsAt, minutes: 10 };
		const booked = await page.request.post('/api/bookings', {
			data: { bookings: [{ ...of, purpose: '', promised: '' }] }
		});
		expect(booked.status()).toBe(200);
	}
}

async function counted(databaseUrl: string, sql: string, ids: readonly string[]): Promise<number> {
	const db = await createConnection(databaseUrl);
	const [{ count }] = (await db.query(sql, [ids])) as { count: bigint }[];
	await db.end();
	return Number(count);
}
const bookingsNamed = (databaseUrl: string, ids: readonly string[]) =>
	counted(databaseUrl, 'SELECT COUNT(*) AS count FROM bookings WHERE id IN (?)', ids);
const visitsTo = (databaseUrl: string, ids: readonly string[]) =>
	counted(databaseUrl, 'SELECT COUNT(*) AS count FROM visits WHERE instrument_id IN (?)', ids);
