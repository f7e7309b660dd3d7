// @ts-check
// Builds the application when its sources are newer, and serves it.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { keepRunning, runCommand, startChild } from './children.mjs';
import { giveUp, ROOT, say } from './system.mjs';

export const BUILD = join(ROOT, 'web', 'build');
/** As long as a busy machine may take to load the demo data. */
const READY_SECONDS = 180;
const STAMP = join(BUILD, '.sources');
const SOURCES = [
	'core/src',
	'web/src',
	'web/static',
	'web/svelte.config.js',
	'web/vite.config.ts',
	'package-lock.json'
];

/** A mark of all sources by path, size and time. */
function sourcesMark() {
	const hash = createHash('sha256');
	const visit = (/** @type {string} */ path) => {
		const full = join(ROOT, path);
		if (!existsSync(full)) return;
		const info = statSync(full);
		if (info.isDirectory()) for (const name of readdirSync(full).sort()) visit(join(path, name));
		else hash.update(`${path} ${info.size} ${info.mtimeMs}\n`);
	};
	SOURCES.forEach(visit);
	return hash.digest('hex');
}

export async function buildIfNeeded() {
	const mark = sourcesMark();
	if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === mark) return;
	say('building the application ...');
	const { status, printed } = await runCommand('npm', ['run', 'build', '-w', 'web'], { quiet: true });
	if (status !== 0) {
		console.error(printed);
		giveUp('the application could not be built; what went wrong stands above.');
	}
	writeFileSync(STAMP, mark);
}

const PORT_FILE = 'port';

/** @param {string} dir @returns {number | undefined} the port at which devices knew the application last */
export function portBefore(dir) {
	const file = join(dir, PORT_FILE);
	const port = existsSync(file) ? Number(readFileSync(file, 'utf8')) : NaN;
	return Number.isInteger(port) && port > 0 && port < 65536 ? port : undefined;
}

/** @param {string} dir @param {number} port */
export function rememberPort(dir, port) {
	writeFileSync(join(dir, PORT_FILE), String(port));
}

/** @typedef {import('./children.mjs').Kept & { readonly address: string }} Application */

const ANSWERS_WITHIN_MS = 2000;

/**
 * Serves the built application, and starts it again when it dies.
 * @param {{ databaseUrl: string, port: number, demo: boolean, env?: Record<string, string>, quiet?: boolean }} options
 * @returns {Promise<Application>} once it answers
 */
export async function serve({ databaseUrl, port, demo, env = {}, quiet = false }) {
	const address = `http://localhost:${port}`;
	const launch = () =>
		startChild('application', process.execPath, [join(ROOT, 'web', 'server.js')], {
			cwd: ROOT,
			stdio: quiet ? ['ignore', 'ignore', 'inherit'] : ['ignore', 'inherit', 'inherit'],
			// A group of its own: Ctrl-C reaches only the command, which stops things in order.
			detached: true,
			env: {
				...process.env,
				NODE_ENV: 'production',
				HOST: '127.0.0.1',
				PORT: String(port),
				ORIGIN: address,
				BODY_SIZE_LIMIT: '2M',
				// Pages left open hold connections; Ctrl-C does not wait half a minute for them.
				SHUTDOWN_TIMEOUT: '2',
				FENDREL_DATABASE_URL: databaseUrl,
				FENDREL_DEMO: demo ? '1' : '0',
				...env
			}
		});
	const ready = async (/** @type {() => boolean} */ isOver) => {
		for (let tries = 0; tries < READY_SECONDS * 10 && !isOver(); tries++) {
			try {
				const answer = await fetch(`${address}/health`, { signal: AbortSignal.timeout(ANSWERS_WITHIN_MS) });
				if (answer.ok) return !isOver();
			} catch {
				// Not listening yet.
			}
			await pause(100);
		}
		return false;
	};
	return { address, ...(await keepRunning('the application', launch, ready, 'its messages stand above')) };
}
