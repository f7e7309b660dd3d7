// @ts-check
// What the commands need of the machine: packages from npm and Debian, installed when missing.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const DATA = join(ROOT, '.data');

/** @param {string} text */
export function say(text) {
	console.log(`fendrel: ${text}`);
}

/**
 * Ends the command with a sentence instead of a stack trace.
 * @param {string} text
 * @returns {never}
 */
export function giveUp(text) {
	console.error(`fendrel: ${text}`);
	process.exit(1);
}

export function checkNode() {
	const [major, minor] = process.versions.node.split('.').map(Number);
	if (major < 20 || (major === 20 && minor < 11))
		giveUp(`Node.js ${process.versions.node} is too old; install 20.11 or newer and start again.`);
}

/**
 * Runs a command in the project's folder, showing what it prints.
 * @param {string} command
 * @param {string[]} args
 * @param {Record<string, string>} [env]
 */
export function run(command, args, env = {}) {
	const { status, error } = spawnSync(command, args, {
		cwd: ROOT,
		stdio: 'inherit',
		env: { ...process.env, ...env }
	});
	if (error) giveUp(`${command} could not be run: ${error.message}`);
	if (status !== 0) giveUp(`"${command} ${args.join(' ')}" ended with ${status}.`);
}

export function ensureNpmPackages() {
	const lock = join(ROOT, 'package-lock.json');
	const installed = join(ROOT, 'node_modules', '.package-lock.json');
	if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return;
	say('installing npm packages (a minute or so the first time) ...');
	run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']);
}

/**
 * Runs a command and shows what it prints only when it fails.
 * @param {string} command
 * @param {string[]} args
 */
export function runQuietly(command, args) {
	const { status, stdout, stderr, error } = spawnSync(command, args, {
		cwd: ROOT,
		encoding: 'utf8',
		maxBuffer: 1 << 26
	});
	if (status === 0) return;
	console.error(`${stdout ?? ''}${stderr ?? ''}`);
	giveUp(`"${command} ${args.join(' ')}" failed${error ? `: ${error.message}` : ''}.`);
}

/**
 * The path of a program, looked for in PATH and in the system folders that a user's PATH leaves out.
 * @param {string} name
 */
export function findProgram(name) {
	const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/usr/bin'];
	return folders.map((folder) => join(folder, name)).find((path) => existsSync(path));
}

/**
 * Installs a Debian package when its program is missing.
 * @param {string} program
 * @param {string} debianPackage
 */
export function ensureProgram(program, debianPackage) {
	const found = findProgram(program);
	if (found) return found;
	const root = process.getuid?.() === 0;
	const prefix = root ? [] : findProgram('sudo') ? ['sudo'] : undefined;
	if (!findProgram('apt-get') || !prefix)
		giveUp(`${program} is missing. Install it (on Debian: apt-get install ${debianPackage}) and start again.`);
	say(`installing ${debianPackage} from Debian (${program} is missing) ...`);
	const apt = (/** @type {string[]} */ ...args) => {
		const [command, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', ...args];
		execFileSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] });
	};
	try {
		apt('update');
		apt('install', '-y', '--no-install-recommends', debianPackage);
	} catch {
		giveUp(`${debianPackage} could not be installed. Install it by hand and start again.`);
	}
	return findProgram(program) ?? giveUp(`${debianPackage} is installed, but ${program} is nowhere to be found.`);
}
