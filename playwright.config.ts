import { defineConfig } from '@playwright/test';
import { launchOptions } from './scripts/lib/browser.mjs';

const APART = /(settings|listening|soak|day-soak|starter|database-crash|first-start|faults|clock)\.test\.ts$/;

/** Started by scripts/test.mjs, which brings up the database and the application first. */
export default defineConfig({
	testDir: 'web/e2e',
	// Files run side by side; what changes the whole workshop, or starts servers of its own, comes afterwards.
	workers: 2,
	projects: [
		{ name: 'journeys', testIgnore: APART, outputDir: 'test-results/journeys' },
		{ name: 'apart', testMatch: APART, outputDir: 'test-results/apart' }
	],
	// Sound runs in real time on a machine that others use too: waits are generous, nothing is retried.
	timeout: 180_000,
	expect: { timeout: 20_000 },
	reporter: [['list']],
	use: {
		actionTimeout: 30_000,
		baseURL: process.env.FENDREL_E2E_URL,
		viewport: { width: 1280, height: 800 },
		// A trace of every step costs more than the steps: npm test -- e2e NAME with FENDREL_TRACE=1 keeps one.
		trace: process.env.FENDREL_TRACE ? 'retain-on-failure' : 'off',
		screenshot: 'only-on-failure',
		launchOptions: launchOptions()
	}
});
