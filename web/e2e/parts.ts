import { expect, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { ROLE_WORDS } from '../src/lib/workshop/roles';

/** Simulated sound runs so much faster than real time, and its waits with it. */
const PACE = 10;

/** Sets how fast simulated sound runs from now on. */
export const pace = (page: Page, times: number) =>
	page.evaluate((to) => void Object.assign(globalThis, { fendrelPace: to }), times);

/** Simulated sound runs fast on every page of a browser. */
export const quicken = (where: BrowserContext | Page) =>
	where.addInitScript((times) => void Object.assign(globalThis, { fendrelPace: times }), PACE);

/** Signs in with the demo account as the page offers it. */
export async function signIn(page: Page, base = ''): Promise<void> {
	await quicken(page);
	await signInUnhurried(page, base);
}

/** The same, with sound in real time. */
export async function signInUnhurried(page: Page, base = ''): Promise<void> {
	await page.goto(`${base}/signin?next=/instruments`);
	await page.getByRole('button', { name: /^Look around as/ }).click();
	await expect(page.getByRole('heading', { name: /instruments in your care/ })).toBeVisible();
}

/** The application is kept on the device from here on. */
export const kept = (page: Page) =>
	page.evaluate(async () => {
		await navigator.serviceWorker.ready;
		while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 50));
	});

/** Adds an instrument of its own for a journey, so that journeys do not meet on one. */
export async function addInstrument(
	page: Page,
	name: string,
	{ lowest, highest, place, kind }: { lowest?: string; highest?: string; place?: string; kind?: string } = {}
): Promise<void> {
	await page.goto('/instruments/new');
	const fields = [
		[page.getByLabel('Name'), name],
		[page.locator('input[name=location]'), place],
		[page.getByLabel('Lowest note'), lowest],
		[page.getByLabel('Highest note'), highest]
	] as const;
	if (kind) await page.getByLabel('Kind').selectOption(kind);
	for (const [field, text] of fields) if (text) await field.fill(text);
	await page.getByRole('button', { name: 'Add it' }).click();
	await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
}

/** Begins a visit, or goes on with the one that is open, and goes to its plan. */
export async function startVisit(page: Page, within: Page | Locator = page): Promise<void> {
	await within.getByRole('button', { name: /Start a visit|Go on with the visit/ }).click();
	await page.getByRole('link', { name: 'Plan', exact: true }).click();
}

/** From the instrument's page to Set with the plan as it is. */
export async function startSetting(page: Page): Promise<void> {
	await startVisit(page);
	await page.getByRole('button', { name: 'Take this plan and set' }).click();
	await expect(page.getByRole('button', { name: 'Listen' })).toBeEnabled();
}

export interface Live {
	readonly note: string;
	readonly word: string;
	/** Signed cents from target; undefined before the first strike. */
	readonly cents: number | undefined;
}

/** What the live figure says now: note, word and figure of one moment, also when the next note is just coming. */
export async function readLive(page: Page): Promise<Live> {
	await page.locator('.figure .word').waitFor();
	const [note, word, text] = await page.evaluate(() => {
		const textOf = (selector: string) => (document.querySelector(selector) as HTMLElement | null)?.innerText ?? '';
		const label = document.querySelector('p.note')?.getAttribute('aria-label') ?? '';
		return [label.replace('Due: ', ''), textOf('.figure .word'), textOf('[data-testid=deviation]')];
	});
	const size = Number.parseFloat(text.replace(/^about\s*/, ''));
	return { note, word, cents: Number.isNaN(size) ? undefined : text.includes('flat') ? -size : size };
}

const work = (page: Page) => page.locator('.set');
/** How many strikes have been read or refused on this page, and how many of them looked at closer. */
const strikesTold = async (page: Page) => Number(await work(page).getAttribute('data-told'));
const strikesRead = async (page: Page) => Number(await work(page).getAttribute('data-read'));
const strikesLookedAt = async (page: Page) => Number(await work(page).getAttribute('data-looks'));

/** Strikes the due note of the simulated instrument and waits until the strike has been read. */
export async function strike(page: Page): Promise<void> {
	const told = await strikesTold(page);
	// Sound that a busy machine could not follow is left out: one strikes again.
	await expect(async () => {
		await page.keyboard.press('Space');
		await expect.poll(() => strikesTold(page), { timeout: 12_000 }).toBeGreaterThan(told);
	}).toPass({ timeout: 60_000 });
}

/** The same, and until its whole sound has been looked at. */
export async function strikeAndLook(page: Page): Promise<void> {
	const looks = await strikesLookedAt(page);
	// One that was refused is not looked at: one strikes again.
	await expect(async () => {
		await strike(page);
		await expect.poll(() => strikesLookedAt(page), { timeout: 12_000 }).toBeGreaterThan(looks);
	}).toPass({ timeout: 90_000 });
}

/** Strikes what is due in Sound until the survey says that it is done. */
export async function strikeUntil(page: Page, finished: Locator, most: number): Promise<void> {
	/** What the page says of the strike and of what is due, in one moment. */
	const said = () => page.evaluate(() => (document.querySelector('.due') as HTMLElement | null)?.innerText ?? '');
	for (let strikes = 0; strikes < most && !(await finished.isVisible()); strikes++) {
		const before = await said();
		await page.keyboard.press('Space');
		// A strike that was lost on a busy machine changes nothing: the next one is heard.
		await expect
			.poll(said, { timeout: 12_000 })
			.not.toBe(before)
			.catch(() => {});
	}
	await expect(finished).toBeVisible();
}

/** Strikes the due note until a strike is read, and says what its figure was. */
export async function strikeAndRead(page: Page): Promise<Live> {
	const before = (await readLive(page)).note;
	const read = await strikesRead(page);
	for (let tries = 0; tries < 5 && (await strikesRead(page)) === read; tries++) await strike(page);
	const live = await readLive(page);
	return live.note === before ? live : { ...live, note: before, word: 'Holds' };
}

/** Sets the due note by lever and strikes until it holds and the next note comes. */
export async function setDueNote(page: Page): Promise<string> {
	const { note } = await readLive(page);
	for (let tries = 0; tries < 12; tries++) {
		// It held, and the next note came while nobody looked.
		if ((await readLive(page)).note !== note) return note;
		const { word, cents } = await strikeAndRead(page);
		if (word === 'Holds') {
			await expect.poll(async () => (await readLive(page)).note).not.toBe(note);
			return note;
		}
		if (word === 'Raise' || word === 'Lower') await bringBy(page, -cents!);
	}
	throw new Error(`${note} did not hold after 12 rounds`);
}

/**
 * Brings the due string to where the pass wants it, and sees the next one come.
 * @param isLast none comes
 */
export async function raiseDueNote(page: Page, isLast = false): Promise<void> {
	const { note } = await readLive(page);
	for (let tries = 0; tries < 10; tries++) {
		await strike(page);
		const live = await readLive(page);
		if (live.note !== note) return;
		if (live.word === 'Holds') {
			if (!isLast) await expect.poll(async () => (await readLive(page)).note).not.toBe(note);
			return;
		}
		if (live.cents !== undefined) await turnPin(page, -live.cents);
	}
	throw new Error(`${note} was not raised after 10 rounds`);
}

/** Turns the simulated pin by so many cents, to the nearest fifth of a cent. */
export async function turnPin(page: Page, by: number): Promise<void> {
	const key = by > 0 ? 'ArrowUp' : 'ArrowDown';
	const whole = Math.floor(Math.abs(by));
	const fine = Math.round((Math.abs(by) - whole) / 0.2);
	for (let i = 0; i < Math.floor(whole / 5); i++) await page.keyboard.press(`Control+${key}`);
	for (let i = 0; i < whole % 5; i++) await page.keyboard.press(key);
	for (let i = 0; i < fine; i++) await page.keyboard.press(`Shift+${key}`);
}

/** Which strings are left sounding, as the page says it. */
export const openStrings = (page: Page) =>
	page.getByRole('group', { name: 'Strings left unmuted' }).locator('[aria-pressed=true]');

/** Cents that a pin of the simulated instrument moves before its string follows. */
const BEARING = 1.2;

/** Moves the open string by so many cents: past it, and back, else what the bearing holds comes out blow by blow. */
export async function bringBy(page: Page, cents: number): Promise<void> {
	const past = Math.sign(cents) * BEARING;
	await turnPin(page, cents + past);
	await turnPin(page, -past);
}

/**
 * Turns the open string until it is said to hold, and what comes next is open.
 * @returns false when it does not come to hold
 */
export async function holdString(page: Page, most = 24): Promise<boolean> {
	const open = openStrings(page);
	const due = async () => `${(await readLive(page)).note} ${await open.innerText()}`;
	const before = await due();
	for (let tries = 0; tries < most; tries++) {
		const { word, cents } = await readLive(page);
		if ((await due()) !== before) return true;
		if (word === 'Raise' || word === 'Lower') {
			await bringBy(page, -cents!);
		}
		await strikeAndLook(page);
		if ((await readLive(page)).word === 'Holds') {
			await expect.poll(due).not.toBe(before);
			return true;
		}
	}
	return false;
}

/** Away from links and fields, so that keys mean what they mean on the page. */
export const leaveField = (page: Page) => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());

/** Begins to listen, with nothing having the keys. */
export async function listen(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(page.getByText('Listening', { exact: true })).toBeVisible();
	await leaveField(page);
}

/** A note in the order of work; others are tuned from it. */
export const row = (page: Page, note: string) =>
	page
		.getByLabel('Order of work')
		.getByRole('button')
		.filter({ has: page.locator('b', { hasText: new RegExp(`^${note}$`) }) });

/** Invites somebody through the page; they join on a device of their own. */
export async function joined(browser: Browser, owner: Page, name: string, role: string, place?: string): Promise<Page> {
	await owner.goto('/workshop/people');
	const form = owner.getByRole('region', { name: 'Invite somebody' });
	const { may } = Object.values(ROLE_WORDS).find(({ name: of }) => of === role)!;
	await form.locator('select[name=role]').selectOption({ label: role });
	await expect(form.getByText(new RegExp(`^${may}`, 'i'))).toBeVisible();
	if (place) await form.getByRole('checkbox', { name: place }).check();
	await form.getByRole('button', { name: 'Make a link' }).click();
	const link = (await owner.getByTestId('link').innerText()).trim();
	const page = await (await browser.newContext()).newPage();
	await page.goto(link);
	await page.getByLabel('Your name').fill(name);
	await page.getByLabel('E-mail').fill(`${name.replaceAll(' ', '.').toLowerCase()}@example.test`);
	await page.getByLabel(/^Password/).fill('short');
	await page.getByRole('button', { name: 'Join' }).click();
	await expect(page.getByText('Use at least 10 characters.')).toBeVisible();
	await page.getByLabel(/^Password/).fill('a password of theirs');
	await page.getByRole('button', { name: 'Join' }).click();
	await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible();
	await page.goto('/instruments');
	await expect(page.getByRole('heading', { name: /in your care/ })).toBeVisible();
	// It works once.
	const late = await (await browser.newContext()).newPage();
	await late.goto(link);
	await expect(late.getByRole('heading', { name: 'This link is over' })).toBeVisible();
	await late.context().close();
	return page;
}
