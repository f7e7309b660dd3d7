// @ts-check
// npm test: everything, headless: checks, unit and database tests, build, browser journeys.
//   npm test -- unit      only checks and unit tests
//   npm test -- e2e [..]  only the browser journeys (further words go to the runner)
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
 * @param {{ env?: Record<string, string>, beside?: boolean }} [how] what runs beside another step is printed when it is over
 */
async function step(title, [command, ...args], { env = {}, beside = false } = {}) {
	say(beside ? `${title}, beside what follows ...` : `${title} ...`);
	const { status, printed } = await runCommand(command, args, { env, quiet: beside });
	if (beside) console.log(`${title}:\n${printed}`);
	if (status === 0) return;
	failed.push(title);
	say(`${title}: FAILED`);
}

/** Servers for the browser journeys: one with the demo data, one that is empty. */
async function served() {
	await buildIfNeeded();
	const databaseUrl = await database.open('e2e');
	const emptyUrl = await database.open('e2e_empty');
	const [demo, empty] = await Promise.all([
		serve({ databaseUrl, port: await freePort(), demo: true, quiet: true }),
		serve({ databaseUrl: emptyUrl, port: await freePort(), demo: false, quiet: true })
	]);
	return {
		FENDREL_E2E_URL: demo.address,
		FENDREL_E2E_EMPTY_URL: empty.address,
		FENDREL_E2E_DATABASE_URL: databaseUrl
	};
}

/** @param {'journeys' | 'apart'} project */
const journeys = (project) => ['npx', 'playwright', 'test', `--project=${project}`, '--pass-with-no-tests', ...rest];

try {
	const env = part === 'unit' ? undefined : await served();
	// Those apart mostly wait for servers to come and go; they change the whole workshop, so that no others run meanwhile.
	const apart = env && step('browser journeys, apart', journeys('apart'), { env, beside: part !== 'e2e' });
	if (part !== 'e2e') {
		await step('types, lint, format', ['node', 'scripts/check.mjs']);
		const FENDREL_TEST_DATABASE_URL = await database.open('unit');
		await step('unit and database tests', ['npx', 'vitest', 'run'], { env: { FENDREL_TEST_DATABASE_URL } });
	}
	await apart;
	if (env) await step('browser journeys', journeys('journeys'), { env });
} finally {
	await stopAll();
}
// The end of the output is what is looked at first: it says which part it was.
say(failed.length ? `FAILED: ${failed.join('; ')}` : 'all tests passed');
process.exit(failed.length ? 1 : 0);
