import { svelte } from '@sveltejs/vite-plugin-svelte';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const setupFiles = [fileURLToPath(new URL('./scripts/propertySeed.ts', import.meta.url))];
/** Modules are loaded once for each worker, not for each file: what a test stubs it takes back. */
const isolate = false;
const lib = fileURLToPath(new URL('./web/src/lib', import.meta.url));

export default defineConfig({
	test: {
		// One worker a core: the usual one fewer would leave half of a small machine idle.
		maxWorkers: '100%',
		projects: [
			{ test: { name: 'core', isolate, include: ['core/src/**/*.test.ts'], testTimeout: 60_000, setupFiles } },
			{
				plugins: [svelte({ configFile: false })],
				resolve: { alias: { $lib: lib }, conditions: ['browser'] },
				test: {
					name: 'web',
					isolate,
					include: ['web/src/**/*.test.ts'],
					testTimeout: 30_000,
					setupFiles
				}
			}
		]
	}
});
