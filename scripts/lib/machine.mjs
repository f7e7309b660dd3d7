// @ts-check
// What the commands need of the machine: packages from npm and Debian, installed when missing.
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { runCommand } from './children.mjs';
import { findProgram, giveUp, ROOT, say } from './system.mjs';

export async function ensureNpmPackages() {
	const lock = join(ROOT, 'package-lock.json');
	const installed = join(ROOT, 'node_modules', '.package-lock.json');
	if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return;
	say('installing npm packages (a minute or so the first time) ...');
	const { status } = await runCommand('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']);
	if (status !== 0) giveUp('the npm packages could not be installed; what npm said stands above.');
}

/**
 * Installs a Debian package when its program is missing.
 * @param {string} program
 * @param {string[]} debianPackages
 */
export async function ensureProgram(program, ...debianPackages) {
	const found = findProgram(program);
	if (found) return found;
	const root = process.getuid?.() === 0;
	const prefix = root ? [] : findProgram('sudo') ? ['sudo'] : undefined;
	if (!findProgram('apt-get') || !prefix)
		giveUp(
			`${program} is missing. Install it (on Debian: apt-get install ${debianPackages.join(' ')}) and start again.`
		);
	say(`installing ${debianPackages.join(' ')} from Debian (${program} is missing) ...`);
	for (const args of [['update'], ['install', '-y', '--no-install-recommends', ...debianPackages]]) {
		const [command, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', ...args];
		const { status, printed } = await runCommand(command, rest, { quiet: true });
		if (status === 0) continue;
		console.error(printed);
		giveUp(`${debianPackages.join(' ')} could not be installed. Install it by hand and start again.`);
	}
	return (
		findProgram(program) ?? giveUp(`${debianPackages.join(' ')} is installed, but ${program} is nowhere to be found.`)
	);
}
