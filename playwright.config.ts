import { defineConfig } from '@playwright/test';
import { launchOptions } from './scripts/lib/browser.mjs';

/** Started by scripts/test.mjs, which brings up the database and the application first. */
export default defineConfig({
	testDir: 'web/e2e',
	outputDir: 'test-results',
	workers: 1,
	// Sound runs in real time on a machine that others use too: waits are generous, nothing is retried.
	timeout: 90_000,
	expect: { timeout: 15_000 },
	reporter: [['list']],
	use: {
		actionTimeout: 30_000,
		baseURL: process.env.FENDREL_E2E_URL,
		viewport: { width: 1280, height: 800 },
		trace: 'retain-on-failure',
		launchOptions: launchOptions()
	}
});
