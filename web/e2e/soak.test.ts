import { setTimeout as pause } from 'node:timers/promises';
import { join } from 'node:path';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { compareHappened, createRandom, reportOf, type VisitEvent } from '@fendrel/core';
import { serve } from '../../scripts/lib/application.mjs';
import { startDatabase } from '../../scripts/lib/database.mjs';
import { freePort } from '../../scripts/lib/ports.mjs';
import { DATA } from '../../scripts/lib/system.mjs';
import { keepLog, logged } from './deviceLog';
import { Gate } from './gate';
import { addInstrument, leaveField, quicken, signIn, startVisit } from './parts';

/*
 * Two devices in one visit while the server and its database are killed and the way to them is cut, again and again: whatever
 * the devices have made is stored once, and both end with the same report. `npm run soak` takes ten minutes; the tests run a
 * short form. What happens, happens by chance; the seed makes it the same chance.
 */
const MINUTES = Number(process.env.FENDREL_SOAK_MINUTES ?? 0.75);
const SEED = Number(process.env.FENDREL_SOAK_SEED ?? 1);
/** In ten minutes. */
const KILLS = { server: 40, database: 20 };

/** What a device's own store holds: what it knows of a visit, what it has not handed over, and what was refused. */
function held(page: Page, visitId: string): Promise<{ events: VisitEvent[]; items: number; refused: string[] }> {
	return page.evaluate(async (id) => {
		const ask = <T>(asked: IDBRequest<T>) =>
			new Promise<T>((resolve, reject) => {
				asked.onsuccess = () => resolve(asked.result);
				asked.onerror = () => reject(asked.error);
			});
		const db = await ask(indexedDB.open('fendrel'));
		const change = db.transaction(['visits', 'happened', 'items', 'refused']);
		const all = async <Row>(store: string) => (await ask(change.objectStore(store).getAll())) as Row[];
		const book = (await ask(change.objectStore('visits').get(id))) as { events: VisitEvent[] };
		const rows = await all<{ visitId: string; told: { event: VisitEvent } }>('happened');
		const items = await all<{ item: { kind: string } }>('items');
		const refused = await all<{ why: string }>('refused');
		db.close();
		const events = new Map(book.events.map((event) => [event.id, event]));
		for (const { visitId: of, told } of rows) if (of === id) events.set(told.event.id, told.event);
		return {
			events: [...events.values()],
			items: items.filter(({ item }) => item.kind !== 'pins').length,
			refused: refused.map(({ why }) => why)
		};
	}, visitId);
}

const SOON = { timeout: 3000 };
/** What is done in the stages beside Set; by chance, from 0 to 1. */
const ELSEWHERE = {
	async Arrive(page, chance) {
		await page.getByLabel('Humidity').fill(String(20 + Math.floor(70 * chance)), SOON);
		await leaveField(page);
		await page.keyboard.press(String(1 + Math.floor(6 * chance)));
		await page.keyboard.press(chance < 0.5 ? 'a' : 'b');
	},
	async Sound(page) {
		await page.getByRole('button', { name: 'Listen' }).click(SOON);
		await leaveField(page);
		for (let strikes = 0; strikes < 2; strikes++) {
			await page.keyboard.press('Space');
			await page.waitForTimeout(700);
		}
	},
	async Plan(page, chance) {
		const tolerances = page.locator('fieldset').last().getByRole('button');
		await tolerances.nth(Math.floor(5 * chance)).click(SOON);
	},
	async Prove(page) {
		await page.getByRole('button', { name: 'Listen' }).click(SOON);
		await page.getByRole('button', { name: 'Octaves', exact: true }).click(SOON);
		await page.getByRole('button', { name: 'Strike it' }).click(SOON);
		await page.waitForTimeout(900);
	},
	async Close(page, chance) {
		await page.getByLabel('Note for the record').fill(`Written at ${chance.toFixed(3)}`, SOON);
		await leaveField(page);
	}
} as const satisfies Record<string, (page: Page, chance: number) => Promise<void>>;

class Device {
	page!: Page;
	readonly faults: string[] = [];
	done = 0;

	constructor(
		readonly context: BrowserContext,
		readonly gate: Gate,
		private readonly visit: string,
		private readonly random: ReturnType<typeof createRandom>
	) {}

	async open(stage = 'set'): Promise<void> {
		this.page = await this.context.newPage();
		this.page.on('pageerror', (error) => this.faults.push(error.message));
		await this.page.goto(`${this.visit}/${stage}`);
	}

	/** One thing that a technician, a browser or a cellar does. */
	async step(): Promise<void> {
		const { page, random, gate } = this;
		const chance = random.uniform();
		if (chance < 0.3) await page.keyboard.press('Shift+Enter');
		else if (chance < 0.55) await page.keyboard.press('Space');
		else if (chance < 0.65) await page.keyboard.press('Enter');
		else if (chance < 0.7) await page.getByRole('button', { name: 'Listen' }).click({ timeout: 2000 });
		else if (chance < 0.76) gate.cut();
		else if (chance < 0.79) gate.state = 'frozen';
		else if (chance < 0.9) gate.state = 'open';
		else if (chance < 0.93) await page.reload();
		else if (chance < 0.96) {
			await page.close();
			await this.open();
		} else await this.elsewhere();
		this.done++;
		await page.waitForTimeout(200 + 600 * random.uniform()).catch(() => {});
	}

	/** Something that is written in another stage, taken back now and then, and back to the strings. */
	private async elsewhere(): Promise<void> {
		const { page, random } = this;
		const stages = Object.keys(ELSEWHERE) as (keyof typeof ELSEWHERE)[];
		const stage = stages[Math.floor(stages.length * random.uniform())];
		await page.getByRole('link', { name: stage, exact: true }).click({ timeout: 3000 });
		await ELSEWHERE[stage](page, random.uniform());
		if (random.uniform() < 0.3) await page.keyboard.press('Control+z');
		await page.getByRole('link', { name: 'Set', exact: true }).click({ timeout: 3000 });
	}
}

test(`two devices, ${MINUTES} minutes of kills and cuts: nothing lost, nothing doubled, one report`, async ({
	browser
}) => {
	test.setTimeout(MINUTES * 60_000 + 240_000);
	const database = await startDatabase({ dir: join(DATA, 'test-soak'), fresh: true });
	const application = await serve({
		databaseUrl: await database.open('soak'),
		port: await freePort(),
		demo: true,
		quiet: true
	});
	const random = createRandom(SEED);
	const devices: Device[] = [];
	try {
		let visit = '';
		for (const name of ['one', 'two']) {
			const gate = await Gate.before(application.address);
			const context = await browser.newContext({ baseURL: gate.address });
			await quicken(context);
			await keepLog(context);
			const page = await context.newPage();
			await signIn(page);
			if (name === 'one') {
				await addInstrument(page, 'Soaked upright');
				await startVisit(page);
				await expect(page.getByText('Equal at 440.0 Hz.')).toBeVisible();
				await expect(page.getByTestId('saved')).toHaveText('everything saved');
				visit = new URL(page.url()).pathname.replace(/\/plan$/, '');
			}
			const device = new Device(context, gate, visit, createRandom(SEED + devices.length + 1));
			await device.open();
			await expect(device.page.getByRole('button', { name: 'Listen' })).toBeEnabled();
			await device.page.evaluate(async () => void (await navigator.serviceWorker.ready));
			await page.close();
			devices.push(device);
		}

		const end = Date.now() + MINUTES * 60_000;
		const targets = { server: application, database };
		type Target = keyof typeof targets;
		const killed: Record<Target, number> = { server: 0, database: 0 };
		const order = (Object.keys(KILLS) as Target[])
			.flatMap((what) => Array<Target>(Math.max(1, Math.round((KILLS[what] * MINUTES) / 10))).fill(what))
			.map((what) => ({ what, place: random.uniform() }))
			.sort((one, other) => one.place - other.place);
		/** Waits for something to be written on its way, and kills in the middle of it or a little later. */
		const kill = async () => {
			const every = (MINUTES * 60_000) / order.length;
			for (const [i, { what }] of order.entries()) {
				await pause(Math.max(0, end - MINUTES * 60_000 + every * (i + random.uniform()) - Date.now()));
				await Promise.race([...devices.map(({ gate }) => gate.nextPost()), pause(2000)]);
				await pause(60 * random.uniform());
				await targets[what].kill();
				killed[what]++;
				await pause(400 * random.uniform());
				await targets[what].revive();
			}
		};
		const work = async (device: Device) => {
			while (Date.now() < end) await device.step().catch((error) => device.faults.push(`step: ${firstLine(error)}`));
		};
		await Promise.all([kill(), ...devices.map(work)]);

		const id = visit.split('/').at(-1)!;
		for (const { gate } of devices) gate.state = 'open';
		for (const device of devices) {
			// A page that was just killed or caught in a cut is opened once more, as anybody would.
			await device.page.close();
			await device.open('close');
			await expect(device.page.getByTestId('saved')).toHaveText('everything saved', { timeout: 60_000 });
			await expect.poll(() => held(device.page, id), { timeout: 60_000 }).toMatchObject({ items: 0, refused: [] });
		}
		const logOf = (log: 'kept' | 'meant') => Promise.all(devices.map(({ page }) => logged(page, log)));
		const logs = await logOf('kept');
		const made = logs.flat();
		const meant = new Set((await logOf('meant')).flat());
		const bundle = (await (await devices[0].page.request.get(`/api/visits/${id}/changes?since=0`)).json()) as {
			told: { event: VisitEvent }[];
		};
		const stored = bundle.told.map(({ event }) => event);
		const lost = made.filter((each) => !stored.some((event) => event.id === each));
		const doubled = stored.length - new Set(stored.map((event) => event.id)).size;
		console.log(
			`soak: ${made.length} entries by two devices (${logs.map(({ length }) => length).join(' and ')}), ${killed.server} kills of the server, ${killed.database} of the database; lost ${lost.length}, doubled ${doubled}`
		);
		expect(lost).toEqual([]);
		expect(doubled).toBe(0);
		expect(made.length).toBeGreaterThan(20 * MINUTES);
		expect(stored.filter((event) => !meant.has(event.id))).toEqual([]);

		// Where the work stands is told last only; everything else is the same on both, in the same order.
		const asPlaced = (events: readonly VisitEvent[]) =>
			[...events]
				.filter((event) => !('do' in event) || event.do !== 'place')
				.sort(compareHappened)
				.map(({ id: each, at }) => `${each} ${at}`);
		for (const { page } of devices)
			await expect.poll(async () => asPlaced((await held(page, id)).events)).toEqual(asPlaced(stored));
		const report = reportOf(stored);
		const texts = await Promise.all(devices.map(({ page }) => page.locator('.close').innerText()));
		expect(texts[0]).toBe(texts[1]);
		const set = new Set(
			[...report.sounders.values()].filter(({ left }) => left).map(({ sounder }) => sounder.split('/')[0])
		);
		expect(texts[0]).toMatch(set.size === 88 ? /^All/ : new RegExp(`^${set.size} notes? set`));
		expect(devices.flatMap(({ faults }) => faults.filter((fault) => !fault.startsWith('step:')))).toEqual([]);
	} finally {
		for (const { context, gate } of devices) {
			await context.close();
			await gate.close();
		}
		await application.stop();
		await database.stop();
	}
});

const firstLine = (error: unknown) => String((error as Error).message).split('\n')[0];
