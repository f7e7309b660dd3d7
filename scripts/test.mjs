// @ts-check
// npm test: everything, headless: checks, unit and database tests, build, browser journeys.
//   npm test -- unit      only checks and unit tests
//   npm test -- e2e [..]  only the browser journeys (further words go to the runner)
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { answerSignals, runCommand, stopAll, takeFolder } from './lib/children.mjs';
import { checkNode, DATA, giveUp, say } from './lib/system.mjs';
import { ensureNpmPackages, ensureProgram } from './lib/machine.mjs';
import { startDatabase } from './lib/database.mjs';
import { freePort } from './lib/ports.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';

checkNode();
answerSignals();
const dir = join(DATA, 'test');
const other = await takeFolder(dir);
if (other) giveUp(`the tests are running already (process ${other.pid}); wait for them, or stop them.`);
await ensureNpmPackages();
await ensureProgram('chromium', 'chromium');
const [part, ...rest] = process.argv.slice(2);
const database = await startDatabase({ dir, fresh: true });
/** @type {string[]} */
const failed = [];

/**
 * @param {string} title
 * @param {string[]} command
 * @param {Record<string, string>} [env]
 */
async function step(title, [command, ...args], env = {}) {
	say(`${title} ...`);
	const { status } = await runCommand(command, args, { env });
	if (status === 0) return;
	failed.push(title);
	say(`${title}: FAILED`);
}

try {
	if (part !== 'e2e') {
		await step('types, lint, format', ['node', 'scripts/check.mjs']);
		// One for each of the workers that run tests side by side.
		const names = Array.from({ length: availableParallelism() }, (_, i) => `unit_${i + 1}`);
		await step('unit and database tests', ['npx', 'vitest', 'run'], {
			FENDREL_TEST_DATABASE_URLS: (await Promise.all(names.map(database.open))).join(' ')
		});
	}
	if (part !== 'unit') {
		await buildIfNeeded();
		const databaseUrl = await database.open('e2e');
		const emptyUrl = await database.open('e2e_empty');
		const [demo, empty] = await Promise.all([
			serve({ databaseUrl, port: await freePort(), demo: true, quiet: true }),
			serve({ databaseUrl: emptyUrl, port: await freePort(), demo: false, quiet: true })
		]);
		const env = {
			FENDREL_E2E_URL: demo.address,
			FENDREL_E2E_EMPTY_URL: empty.address,
			FENDREL_E2E_DATABASE_URL: databaseUrl
		};
		for (const project of ['journeys', 'apart']) {
			const command = ['npx', 'playwright', 'test', `--project=${project}`, '--pass-with-no-tests', ...rest];
			await step(`browser journeys, ${project}`, command, env);
		}
	}
} finally {
	await stopAll();
}
// The end of the output is what is looked at first: it says which part it was.
say(failed.length ? `FAILED: ${failed.join('; ')}` : 'all tests passed');
process.exit(failed.length ? 1 : 0);
