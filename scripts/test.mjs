// @ts-check
// npm test: everything, headless: checks, unit and database tests, build, browser journeys.
//   npm test -- unit      only checks and unit tests
//   npm test -- e2e [..]  only the browser journeys (further words go to the runner)
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { checkNode, DATA, ensureNpmPackages, ensureProgram, ROOT, say } from './lib/system.mjs';
import { freePort, startDatabase } from './lib/database.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';

checkNode();
ensureNpmPackages();
ensureProgram('chromium', 'chromium');
const [part, ...rest] = process.argv.slice(2);
const dir = join(DATA, 'test');
const database = await startDatabase({ dir, fresh: true });
/** @type {import('./lib/application.mjs').Application[]} */
const applications = [];
let failed = false;

/**
 * @param {string} title
 * @param {string[]} command
 * @param {Record<string, string>} [env]
 */
function step(title, command, env = {}) {
	say(`${title} ...`);
	const { status } = spawnSync(command[0], command.slice(1), {
		cwd: ROOT,
		stdio: 'inherit',
		env: { ...process.env, ...env }
	});
	if (status !== 0) {
		failed = true;
		say(`${title}: FAILED`);
	}
}

try {
	if (part !== 'e2e') {
		step('types, lint, format', ['node', 'scripts/check.mjs']);
		step('unit and database tests', ['npx', 'vitest', 'run'], {
			FENDREL_TEST_DATABASE_URL: await database.open('unit')
		});
	}
	if (part !== 'unit') {
		buildIfNeeded();
		const databaseUrl = await database.open('e2e');
		const demo = serve({ databaseUrl, port: await freePort(), demo: true, quiet: true });
		const empty = serve({
			databaseUrl: await database.open('e2e_empty'),
			port: await freePort(),
			demo: false,
			quiet: true
		});
		applications.push(demo, empty);
		await Promise.all([demo.ready, empty.ready]);
		step('browser journeys', ['npx', 'playwright', 'test', ...rest], {
			FENDREL_E2E_URL: demo.address,
			FENDREL_E2E_EMPTY_URL: empty.address,
			FENDREL_E2E_DATABASE_URL: databaseUrl
		});
	}
} finally {
	await Promise.all(applications.map((application) => application.stop()));
	await database.stop();
}
say(failed ? 'some tests FAILED' : 'all tests passed');
process.exit(failed ? 1 : 0);
