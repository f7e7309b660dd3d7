// @ts-check
// npm run screenshots: remakes every picture in docs/screenshots from the demo data of a fixed day.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { answerSignals, stopAll } from './lib/children.mjs';
import { checkNode, DATA, ROOT, say } from './lib/system.mjs';
import { ensureNpmPackages, ensureProgram } from './lib/machine.mjs';
import { startDatabase } from './lib/database.mjs';
import { freePort } from './lib/ports.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';
import { openBrowser, signIn } from './lib/browser.mjs';

const DAY = '2026-07-14T09:00:00Z';
const OUT = join(ROOT, 'docs', 'screenshots');

checkNode();
answerSignals();
await ensureNpmPackages();
await ensureProgram('chromium', 'chromium');
await buildIfNeeded();
mkdirSync(OUT, { recursive: true });
const database = await startDatabase({ dir: join(DATA, 'screenshots'), fresh: true });
const application = await serve({
	databaseUrl: await database.open('screenshots'),
	port: await freePort(),
	demo: true,
	quiet: true,
	env: { FENDREL_DEMO_DATE: DAY }
});
try {
	const browser = await openBrowser(['--autoplay-policy=no-user-gesture-required']);
	const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: application.address });
	const page = await context.newPage();
	// Simulated sound runs faster than in real time; what is waited for is that it was heard.
	await page.addInitScript(() => void Object.assign(globalThis, { fendrelPace: 10 }));
	const strike = async () => {
		const looks = () => page.locator('.set').getAttribute('data-looks');
		const before = await looks();
		await page.keyboard.press('Space');
		while ((await looks()) === before) await page.waitForTimeout(100);
	};
	// The pages say how long ago a visit was: their clock stands on the same day.
	const began = Date.now();
	await page.clock.setSystemTime(new Date(DAY));
	const now = () => Date.parse(DAY) + Date.now() - began;
	const shoot = async (/** @type {string} */ name) => {
		await page.waitForTimeout(400);
		await page.screenshot({ path: join(OUT, `${name}.png`) });
		say(`${name}.png`);
	};
	const look = (/** @type {string} */ value) =>
		context.addCookies([{ name: 'fendrel_look', value, url: application.address }]);

	const leaveField = () => page.evaluate(() => /** @type {HTMLElement | null} */ (document.activeElement)?.blur());
	const textOf = (/** @type {string} */ selector) =>
		page.evaluate((of) => /** @type {HTMLElement | null} */ (document.querySelector(of))?.innerText ?? '', selector);
	const listen = async () => {
		await page.getByRole('button', { name: 'Listen' }).and(page.locator(':enabled')).click();
		await page.getByText('Listening', { exact: true }).waitFor();
		await leaveField();
	};
	/** The neglected upright, from the door into its raise. */
	const throughAVisit = async () => {
		await page.goto('/instruments');
		await page.getByRole('link', { name: 'Sail loft upright', exact: true }).click();
		await page.getByRole('button', { name: 'Start a visit' }).click();
		await page.getByTestId('arrival').waitFor();
		const visit = new URL(page.url()).pathname.replace('/arrive', '');
		await page.getByRole('button', { name: 'Read the logger' }).click();
		await leaveField();
		for (const key of ['1', 's', '2', 's', '3', 'a', '4', 's', '6', 'a', '7', 'a', '8', 's']) {
			await page.keyboard.press(key);
			await page.waitForTimeout(100);
		}
		await page.locator('.column').evaluate((column) => column.scrollTo(0, 0));
		await shoot('arrive');
		await page.goto(`${visit}/sound`);
		await listen();
		const finished = page.getByText(/^All \d+ notes of the survey are read/);
		for (let strikes = 0; strikes < 60 && !(await finished.isVisible()); strikes++) {
			const before = await textOf('.due');
			await page.keyboard.press('Space');
			while ((await textOf('.due')) === before) await page.waitForTimeout(50);
			await page.waitForTimeout(150);
			if (strikes === 24) await shoot('sound');
		}
		await page.goto(`${visit}/plan`);
		await page.getByLabel('Explained by').fill('Wren Halloran');
		await page.getByLabel('to', { exact: true }).fill('the cook');
		await page.getByRole('button', { name: 'They agree' }).click();
		await page.locator('.column').evaluate((column) => column.scrollTo(0, 0));
		await shoot('plan');
		await page.getByRole('button', { name: 'Take this plan and raise' }).click();
		await listen();
		for (let strikes = 0; strikes < 80 && !(await page.getByText('Pass 1: 14 of 88').isVisible()); strikes++) {
			await strike();
			const [word, off] = [await textOf('.figure .word'), await textOf('[data-testid=deviation]')];
			if (word !== 'Raise' && word !== 'Lower') {
				await page.waitForTimeout(1300);
				continue;
			}
			const size = Number.parseFloat(off);
			const key = word === 'Raise' ? 'ArrowUp' : 'ArrowDown';
			for (let i = 0; i < Math.floor(size / 5); i++) await page.keyboard.press(`Control+${key}`);
			for (let i = 0; i < Math.round(size % 5); i++) await page.keyboard.press(key);
		}
		await strike();
		await shoot('raise');
	};

	// So does the server's, as far as a device asks for it.
	await context.route('**/api/**', async (route) => {
		const answer = await route.fetch();
		await route.fulfill({ response: answer, headers: { ...answer.headers(), 'fendrel-now': String(now()) } });
	});
	await signIn(page, application.address);
	await page.getByRole('link', { name: 'Chapel concert grand' }).click();
	await page.getByRole('heading', { name: 'Chapel concert grand' }).waitFor();
	await shoot('instrument');
	// Looked at, they are held on the device.
	for (const name of ['Sail loft upright', 'Festival harpsichord', 'Practice room 3']) {
		await page.goto('/instruments');
		const link = page.getByRole('link', { name, exact: true });
		await link.click();
		await page.waitForLoadState('networkidle');
	}
	await throughAVisit();
	await page.goto('/instruments');
	await page.getByRole('link', { name: 'Practice room 7', exact: true }).click();
	await page.getByRole('button', { name: 'Go on with the visit' }).click();
	await page.getByRole('button', { name: 'Listen' }).waitFor();
	const visit = new URL(page.url()).pathname.replace('/set', '');
	await page.goto(`${visit}/plan/curve?lead=balanced&with=twelfths&share=0.35&top=3&held=84_8`);
	await page.getByLabel('What leads').and(page.locator(':enabled')).waitFor();
	await page.getByLabel('Compare with').selectOption('the plan’s curve');
	await shoot('curve-sheet');
	for (const [name, value] of [
		['set-day', 'day'],
		['set-lamp', 'lamp']
	]) {
		await look(value);
		await page.goto(`${visit}/set`);
		await page.getByRole('button', { name: 'Listen' }).click();
		await page.getByText('Listening', { exact: true }).waitFor();
		// Three careful turns towards the target, as one works.
		for (let turn = 0; turn < 3; turn++) {
			await strike();
			const key = (await page.locator('.figure .word').innerText()) === 'Lower' ? 'ArrowDown' : 'ArrowUp';
			await page.keyboard.press(key);
		}
		await strike();
		if (name === 'set-lamp') await page.keyboard.press('ArrowRight');
		await shoot(name);
	}
	await look('day');
	/** Strikes by buttons until the last word about each is told. */
	const hear = async (/** @type {string} */ told, /** @type {string[]} */ ...names) => {
		const count = async () => Number(await page.getByTestId(told).getAttribute('data-told'));
		for (const name of names) {
			const before = await count();
			await page.getByRole('button', { name, exact: true }).click();
			while ((await count()) < before + 3) await page.waitForTimeout(100);
		}
	};
	await page.goto(`${visit}/prove`);
	await listen();
	await hear('shown', 'F3-A3', 'F♯3-B♭3', 'G♯3-C4', 'A3-C♯4', 'B♭3-D4', 'B3-E♭4', 'C4-E4', 'C♯4-F4', 'G3-B3');
	await shoot('prove');
	await page.goto(`${visit}/close`);
	await shoot('close');
	// The harp that is half done: where its reeds are to go, and one of them filed twice.
	await page.goto('/instruments?find=harp+3');
	await page.getByRole('link', { name: 'Ferry band, harp 3 in C' }).click();
	await page.getByRole('button', { name: 'Go on with the visit' }).click();
	await page.getByTestId('tone-off').waitFor();
	const harp = new URL(page.url()).pathname.replace('/set', '');
	await page.goto(`${harp}/plan`);
	await page.getByTestId('verdict').waitFor();
	await shoot('reeds-plan');
	await page.goto(`${harp}/set`);
	await page.getByRole('button', { name: 'Listen' }).and(page.locator(':enabled')).click();
	await page.getByRole('group', { name: 'Blow the simulated reeds' }).waitFor();
	for (const strokes of [3, 1]) {
		for (let i = 0; i < strokes; i++) await page.keyboard.press('r');
		await page.keyboard.press('1');
		while (!/^(File|Too far|Set)/.test(await textOf('.says'))) await page.waitForTimeout(100);
	}
	await shoot('reeds-set');
	// The viol that is half done, and who plays together.
	await page.goto('/instruments?find=bass+viol');
	await page.getByRole('link', { name: 'half done, go on' }).click();
	await page.getByTestId('fret-advice').waitFor();
	await shoot('frets-set');
	// The guitar that lives with a capo: a visit begins with what was kept.
	await page.goto('/instruments?find=guitar');
	await page.getByRole('link', { name: /^Steel-string guitar/ }).click();
	await page.getByRole('button', { name: 'Start a visit' }).click();
	await page.getByTestId('arrival').waitFor();
	await page.goto(page.url().replace('/arrive', '/plan'));
	await page.getByRole('table', { name: /^Offsets of the open strings/ }).waitFor();
	await shoot('guitar-plan');
	await page.goto(`/round?on=${DAY.slice(0, 10)}`);
	await page.getByTestId('round').waitFor();
	await shoot('round');
	await page.goto(`/round/diary?on=${DAY.slice(0, 10)}`);
	await page.locator('.ec-event').nth(1).click();
	await page.getByRole('form', { name: 'The booking' }).waitFor();
	await shoot('diary');
	await page.goto('/ensembles');
	await page.getByRole('link', { name: 'Festival ensemble' }).click();
	await page.getByTestId('agreement').waitFor();
	await shoot('ensemble');
	await page.goto('/temperaments/vallotti/bearing-plan?school=circle');
	for (let step = 0; step < 4; step++) await page.getByRole('button', { name: 'Next note' }).click();
	await page.getByText('closing error').waitFor();
	await shoot('bearing-plan');
	await page.goto('/practice');
	await page.getByRole('img', { name: /^Figures from sitting to sitting/ }).waitFor();
	await shoot('practice');
	await browser.close();
} finally {
	await stopAll();
}
