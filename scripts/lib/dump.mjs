// @ts-check
// A database as one stream of text, and back: by MariaDB's own programs.
import { spawn } from 'node:child_process';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { takeFolder } from './children.mjs';
import { socketOf, startDatabase, statementsBy } from './database.mjs';
import { DATA, findProgram, giveUp } from './system.mjs';

/** A database that answers: where, and what it is called. @typedef {{ socket: string, name: string }} Connection */

/** The first line of every backup. */
const HEADER = '-- Fendrel backup, format 1\n';
const program = (/** @type {string} */ name) =>
	findProgram(name) ?? giveUp(`${name} is missing; install mariadb-client.`);

/**
 * Works on the application's database: the one that runs, or one that is started for it.
 * @param {(connection: Connection) => Promise<void>} work
 * @param {{ whileRunning: boolean }} options whether it may be done while the application runs
 */
export async function withDatabase(work, { whileRunning }) {
	const other = await takeFolder(DATA);
	if (other && !whileRunning) giveUp('Fendrel is running. Stop it with Ctrl-C, then try again.');
	const database = other ? undefined : await startDatabase({ dir: DATA });
	await database?.open('fendrel');
	await work({ socket: socketOf(DATA), name: 'fendrel' });
}

/** @param {import('node:child_process').ChildProcess} child @param {string} what @returns {Promise<void>} */
function ended(child, what) {
	let said = '';
	child.stderr?.on('data', (text) => (said += text));
	return new Promise((resolve, reject) => {
		child.once('error', reject);
		child.once('close', (status) =>
			status === 0 ? resolve() : reject(new Error(`${what}: ${said.trim().slice(0, 500) || `ended with ${status}`}`))
		);
	});
}

/**
 * All of a database as it stands at one moment, also while others write to it.
 * @param {Connection} connection
 */
export async function* dumpOf({ socket, name }) {
	const child = spawn(
		program('mariadb-dump'),
		[
			...['--no-defaults', `--socket=${socket}`, '--user=root', '--default-character-set=utf8mb4'],
			// One transaction sees one moment; bytes go out as digits; the same content gives the same text.
			...['--single-transaction', '--quick', '--hex-blob', '--skip-comments', '--skip-dump-date', '--order-by-primary'],
			name
		],
		{ stdio: ['ignore', 'pipe', 'pipe'] }
	);
	const end = ended(child, 'mariadb-dump');
	end.catch(() => {});
	yield Buffer.from(HEADER);
	yield* /** @type {import('node:stream').Readable} */ (child.stdout);
	await end;
}

/** @param {Connection} connection @param {string} sql @returns {Promise<string>} */
async function asked({ socket, name }, sql) {
	const child = spawn(
		program('mariadb'),
		['--no-defaults', `--socket=${socket}`, '--user=root', '--batch', '--skip-column-names', name, `--execute=${sql}`],
		{ stdio: ['ignore', 'pipe', 'pipe'] }
	);
	let printed = '';
	child.stdout.on('data', (text) => (printed += text));
	await ended(child, 'mariadb');
	return printed;
}

/** @param {Connection} connection */
const tablesOf = async (connection) => (await asked(connection, 'SHOW TABLES')).split('\n').filter(Boolean);

/** @param {Connection} connection whether nothing is kept there yet */
export async function isEmpty(connection) {
	const tables = await tablesOf(connection);
	if (!tables.includes('users')) return tables.length === 0;
	return (await asked(connection, 'SELECT COUNT(*) FROM users')).trim() === '0';
}

/**
 * Brings back what a stream holds, in place of what is there: when all of it has been read, and not before.
 * @param {Connection} connection
 * @param {import('node:stream').Readable} file
 * @param {import('node:stream').Transform} unpacked
 */
export async function restoreInto({ socket, name }, file, unpacked) {
	const aside = `${name}_restoring`;
	const sql = statementsBy(program('mariadb'), socket);
	await sql(`DROP DATABASE IF EXISTS \`${aside}\`; CREATE DATABASE \`${aside}\` CHARACTER SET utf8mb4`);
	try {
		const child = spawn(
			program('mariadb'),
			['--no-defaults', `--socket=${socket}`, '--user=root', '--default-character-set=utf8mb4', aside],
			{ stdio: ['pipe', 'ignore', 'pipe'] }
		);
		const end = ended(child, 'mariadb');
		end.catch(() => {});
		try {
			await pipeline(file, unpacked, withoutHeader(), /** @type {import('node:stream').Writable} */ (child.stdin));
		} catch (fault) {
			child.kill();
			// What MariaDB says of it is the cause of a broken pipe.
			if (/** @type {NodeJS.ErrnoException} */ (fault).code === 'EPIPE') await end;
			throw fault;
		}
		await end;
		const [there, restored] = [await tablesOf({ socket, name }), await tablesOf({ socket, name: aside })];
		if (!restored.includes('users')) throw new Error('the file holds no tables of Fendrel');
		await sql(
			`SET FOREIGN_KEY_CHECKS = 0;` +
				there.map((table) => `DROP TABLE \`${name}\`.\`${table}\`;`).join('') +
				`RENAME TABLE ${restored.map((table) => `\`${aside}\`.\`${table}\` TO \`${name}\`.\`${table}\``).join(', ')}`
		);
	} finally {
		await sql(`DROP DATABASE IF EXISTS \`${aside}\``);
	}
}

/** Takes the first line off, and refuses what does not begin with it. */
function withoutHeader() {
	let head = Buffer.alloc(0);
	let isOver = false;
	return new Transform({
		transform(part, _, done) {
			if (isOver) return done(null, part);
			head = Buffer.concat([head, part]);
			if (head.length < HEADER.length) return done();
			isOver = true;
			if (head.subarray(0, HEADER.length).toString() !== HEADER) return done(new Error('this is no backup of Fendrel'));
			done(null, head.subarray(HEADER.length));
		},
		flush: (done) => done(isOver ? null : new Error('this is no backup of Fendrel'))
	});
}
