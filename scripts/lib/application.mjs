// @ts-check
// Builds the application when its sources are newer, and serves it.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { giveUp, ROOT, runQuietly, say } from './system.mjs';

const BUILD = join(ROOT, 'web', 'build');
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

export function buildIfNeeded() {
	const mark = sourcesMark();
	if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === mark) return;
	say('building the application ...');
	runQuietly('npm', ['run', 'build', '-w', 'web']);
	writeFileSync(STAMP, mark);
}

/**
 * @typedef {object} Application
 * @property {string} address
 * @property {number | undefined} pid
 * @property {Promise<void>} ready settles when it answers
 * @property {Promise<number | null>} ended
 * @property {() => Promise<void>} stop
 */

/**
 * Serves the built application.
 * @param {{ databaseUrl: string, port: number, demo: boolean, env?: Record<string, string>, quiet?: boolean }} options
 * @returns {Application}
 */
export function serve({ databaseUrl, port, demo, env = {}, quiet = false }) {
	const address = `http://localhost:${port}`;
	const child = spawn(process.execPath, [join(BUILD, 'index.js')], {
		cwd: ROOT,
		stdio: quiet ? ['ignore', 'ignore', 'inherit'] : ['ignore', 'inherit', 'inherit'],
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
	// Even a command that breaks off leaves nothing running.
	const killChild = () => void child.kill('SIGTERM');
	process.once('exit', killChild);
	child.once('exit', () => process.off('exit', killChild));
	/** @type {Promise<number | null>} */
	const ended = new Promise((resolve) => child.once('exit', (code) => resolve(code)));
	const stop = async () => {
		if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
		const stubborn = setTimeout(() => child.kill('SIGKILL'), 6000);
		await ended;
		clearTimeout(stubborn);
	};
	const ready = (async () => {
		for (let tries = 0; tries < 600; tries++) {
			if (child.exitCode !== null) giveUp('the application ended while starting; its message stands above.');
			try {
				const answer = await fetch(`${address}/health`);
				if (answer.ok) return;
			} catch {
				// not listening yet
			}
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
		await stop();
		giveUp('the application did not answer within a minute.');
	})();
	return { address, pid: child.pid, ready, ended, stop };
}
