// @ts-check
// What pages weigh and how long they keep a browser busy, measured in the running application.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { openBrowser, signIn } from './browser.mjs';
import { ROOT } from './system.mjs';

/** @typedef {import('@playwright/test').Page} Page */
/** @typedef {Awaited<ReturnType<typeof measurePages>>} PageFigures */

/**
 * What a page itself needs: the service worker, which keeps the whole application, is left out.
 * @param {import('@playwright/test').Browser} browser
 * @param {string} address of the application
 * @param {string} name
 * @param {string | ((page: Page) => Promise<void>)} visit a path, or what is done
 * @param {boolean} [signedIn]
 */
async function weigh(browser, address, name, visit, signedIn = true) {
	const context = await browser.newContext({ serviceWorkers: 'block' });
	const page = await context.newPage();
	if (signedIn) await signIn(page, address);
	// A fresh page with an empty cache, so that everything it needs is counted once.
	const fresh = await context.newPage();
	/** @type {Set<string>} */
	const scripts = new Set();
	context.on('request', (request) => {
		const { pathname } = new URL(request.url());
		if (pathname.endsWith('.js')) scripts.add(pathname);
	});
	scripts.clear();
	if (typeof visit === 'string') await fresh.goto(address + visit);
	else await visit(fresh);
	await fresh.waitForLoadState('networkidle');
	await context.close();
	const sizes = [...scripts].map(
		(path) => gzipSync(readFileSync(join(ROOT, 'web/build/client', path)), { level: 9 }).length
	);
	return { name, kilobytes: sizes.reduce((sum, size) => sum + size, 0) / 1000, files: scripts.size };
}

/** @param {import('./application.mjs').Application} application with its demo data */
export async function measurePages({ address, pid }) {
	const browser = await openBrowser();
	const finder = await browser.newPage();
	await signIn(finder, address);
	const room = finder.getByRole('row', { name: /Practice room 7 / });
	const halfDone = (await room.getByRole('link', { name: 'half done, go on' }).getAttribute('href')) ?? '';
	const instrument = await finder.getByRole('link', { name: 'Chapel concert grand' }).getAttribute('href');
	const setListening = async (/** @type {Page} */ page) => {
		await page.goto(`${address}${halfDone}/set`);
		await page.getByRole('button', { name: 'Listen' }).click();
		await page.getByText('Listening', { exact: true }).waitFor();
	};
	const pages = [await weigh(browser, address, 'Sign in', '/signin', false)];
	for (const [name, visit] of /** @type {const} */ ([
		['Instruments', '/instruments'],
		['Add an instrument', '/instruments/new'],
		['Scale', `${instrument}/scale`],
		['Visits', '/visits'],
		['Settings', '/settings'],
		['Arrive', `${halfDone}/arrive`],
		['Sound', `${halfDone}/sound`],
		['Plan', `${halfDone}/plan`],
		['Curve sheet', `${halfDone}/plan/curve`],
		['Set, listening, with its workers', setListening],
		['Close', `${halfDone}/close`],
		['Temperaments', '/temperaments'],
		['A temperament', '/temperaments/vallotti'],
		['Design', '/temperaments/design'],
		['Bearing plan, with its worker', '/temperaments/vallotti/bearing-plan'],
		['Intervals', '/intervals'],
		['From counted beats, with its worker', '/intervals/counts']
	]))
		pages.push(await weigh(browser, address, name, visit));
	const book = (await (await finder.request.get(`${address}/api${halfDone}/bundle`)).body()).length;
	const busy = await longestTasks(finder, address, halfDone);
	await browser.close();
	const status = readFileSync(`/proc/${pid()}/status`, 'utf8');
	return { pages, busy, book, server: Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1024 };
}

/**
 * Longest stretch in which the page could not answer, once it stood: in ms, 0 when none reached 50.
 * @param {import('@playwright/test').Page} page
 * @param {string} address of the application
 * @param {string} halfDone path of a visit
 */
async function longestTasks(page, address, halfDone) {
	const longest = async () => {
		await page.waitForTimeout(1500);
		return page.evaluate(() => Math.max(0, .../** @type {any} */ (window).longTasks));
	};
	await page.addInitScript(() => {
		const tasks = /** @type {number[]} */ ([]);
		Object.assign(window, { longTasks: tasks });
		new PerformanceObserver((list) => tasks.push(...list.getEntries().map(({ duration }) => duration))).observe({
			entryTypes: ['longtask']
		});
	});
	const reset = () =>
		page.evaluate(() => {
			const tasks = /** @type {any} */ (window).longTasks;
			tasks.length = 0;
		});
	await page.goto(`${address}/temperaments/vallotti/bearing-plan?octave=3`);
	await longest();
	await reset();
	for (const school of ['circle', 'thirds-led', 'computed']) {
		await page.getByLabel('School').selectOption(school);
		await page.waitForTimeout(1200);
	}
	const plan = await longest();
	await page.goto(`${address}/intervals/counts`);
	await longest();
	await reset();
	for (const field of (await page.locator('fieldset input[id^=rate]').all()).slice(0, 30))
		await field.fill((await field.getAttribute('placeholder')) ?? '');
	const counts = await longest();
	await page.goto(`${address}${halfDone}/plan/curve?lead=balanced&with=fifths&share=0.2`);
	await longest();
	await reset();
	const share = page.getByLabel(/its share/);
	await share.focus();
	for (let step = 0; step < 60; step++) await share.press('ArrowRight');
	return { plan, counts, curve: await longest() };
}
