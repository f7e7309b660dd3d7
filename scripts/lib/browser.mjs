// @ts-check
// Debian's Chromium, driven for pictures and page weights.
import { chromium } from '@playwright/test';

/**
 * How Chromium is started everywhere here: as root too, and without calls home.
 * @param {string[]} [args] further switches
 */
export function launchOptions(args = []) {
	return {
		executablePath: '/usr/bin/chromium',
		args: [
			'--no-sandbox',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			'--no-first-run',
			...args
		]
	};
}

/** @param {string[]} [args] */
export function openBrowser(args = []) {
	return chromium.launch(launchOptions(args));
}

/**
 * Signs in with the demo account.
 * @param {import('@playwright/test').Page} page
 * @param {string} address
 */
export async function signIn(page, address) {
	await page.goto(`${address}/signin?next=/instruments`);
	await page.getByRole('button', { name: /^Look around as/ }).click();
	await page.getByRole('heading', { name: /instruments in your care/ }).waitFor();
}
