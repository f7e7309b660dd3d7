// @ts-check
// npm start: install what is missing, database, migrations, demo data, application.
//   npm start -- --no-demo   begin with an empty register instead of the demo scenario
//   npm start -- --port 4000
import { existsSync, readFileSync, rmSync, writeFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { parseArgs } from 'node:util';
import { checkNode, DATA, ensureNpmPackages, giveUp, ROOT, say } from './lib/system.mjs';
import { freePort, startDatabase } from './lib/database.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';

const USUAL_PORT = 4173;
const RUNNING = join(DATA, 'running.json');
const DEMO_SIGN_IN = { email: 'demo@saltmarsh.example', password: 'saltmarsh' };

const { values } = parseArgs({
	options: { port: { type: 'string' }, 'no-demo': { type: 'boolean' }, dev: { type: 'boolean' } }
});
const port = values.port === undefined ? undefined : Number(values.port);
if (port !== undefined && !(Number.isInteger(port) && port > 0 && port < 65536))
	giveUp(`"${values.port}" is not a port; give a number from 1 to 65535.`);

checkNode();
const other = alreadyRunning();
if (other) {
	say(`already running at ${other}`);
	process.exit(0);
}
mkdirSync(DATA, { recursive: true, mode: 0o700 });
ensureNpmPackages();
const database = await startDatabase({ dir: DATA });
const databaseUrl = await database.open('fendrel');

/** @type {{ stop: () => Promise<void> } | undefined} */
let application;
let stopping = false;
async function stopAll() {
	if (stopping) return;
	stopping = true;
	say('stopping ...');
	rmSync(RUNNING, { force: true });
	await application?.stop();
	await database.stop();
	process.exit(0);
}
process.on('SIGINT', stopAll);
process.on('SIGTERM', stopAll);
process.on('SIGHUP', stopAll);

const demo = !values['no-demo'];
if (values.dev) await develop();
else await start();

async function start() {
	buildIfNeeded();
	const served = serve({ databaseUrl, port: port ?? (await usualOrFreePort()), demo });
	application = served;
	await served.ready;
	if (stopping) return;
	writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, address: served.address }));
	say(`ready at ${served.address}`);
	if (demo)
		say(
			`demo sign-in (offered on the page while demo data is loaded): ${DEMO_SIGN_IN.email} / ${DEMO_SIGN_IN.password}`
		);
	say('Ctrl-C stops everything.');
	const code = await served.ended;
	if (stopping) return;
	say(`the application ended (${code}); stopping the database.`);
	await database.stop();
	rmSync(RUNNING, { force: true });
	process.exit(1);
}

async function develop() {
	const vite = spawn('npx', ['vite', 'dev', '--port', String(port ?? USUAL_PORT)], {
		cwd: join(ROOT, 'web'),
		stdio: 'inherit',
		env: { ...process.env, FENDREL_DATABASE_URL: databaseUrl, FENDREL_DEMO: demo ? '1' : '0' }
	});
	application = { stop: async () => void vite.kill() };
	vite.once('exit', stopAll);
}

async function usualOrFreePort() {
	try {
		await fetch(`http://localhost:${USUAL_PORT}`);
		return await freePort();
	} catch {
		return USUAL_PORT;
	}
}

function alreadyRunning() {
	if (!existsSync(RUNNING)) return undefined;
	try {
		const { pid, address } = JSON.parse(readFileSync(RUNNING, 'utf8'));
		process.kill(pid, 0);
		// The number may have passed to another program after a restart of the machine.
		if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')) throw new Error('not ours');
		return /** @type {string} */ (address);
	} catch {
		rmSync(RUNNING, { force: true });
		return undefined;
	}
}
