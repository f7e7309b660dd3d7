// @ts-check
// Where things lie, and what the commands say.
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** Databases, locks and logs; another folder for tests of the commands themselves. */
export const DATA = process.env.FENDREL_DATA ?? join(ROOT, '.data');

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
 * The path of a program, looked for in PATH and in the system folders that a user's PATH leaves out.
 * @param {string} name
 */
export function findProgram(name) {
	const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/usr/bin'];
	return folders.map((folder) => join(folder, name)).find((path) => existsSync(path));
}
