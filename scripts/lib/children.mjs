// @ts-check
// The processes that a command starts: known by name, stopped in order whatever ends the command, started again when
// they die by themselves, and found again by the next command when this one was killed.
import { spawn } from 'node:child_process';
import { linkSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { constants } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { giveUp, ROOT, say } from './system.mjs';

/** @typedef {import('node:child_process').ChildProcess} ChildProcess */

/** A process that was ended politely has so long before it is ended at once. */
const PATIENCE_MS = 15_000;
/** Dying more often than that within a minute is no accident. */
const MOST_DEATHS = 4;
const MINUTE = 60_000;

/** @type {Map<ChildProcess, string>} */
const children = new Map();
/** Names in the order in which they were first started: what rests on what, also when something was started again. @type {string[]} */
const order = [];
/** Those that are kept running, and how each is stopped: in order, the last first. @type {Set<ChildProcess>} */
const servers = new Set();
/** @type {(() => Promise<void>)[]} */
const stops = [];
/** @type {string | undefined} */
let lockFile;
/** @type {string | undefined} */
let address;
let stopping = false;

/**
 * Starts a process that this one answers for: it ends with this one at the latest.
 * @param {string} name
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions} options
 */
export function startChild(name, command, args, options) {
	const child = spawn(command, args, options);
	children.set(child, name);
	if (!order.includes(name)) order.push(name);
	writeLock();
	const gone = () => {
		children.delete(child);
		writeLock();
	};
	child.once('exit', gone);
	child.once('error', gone);
	return child;
}

/**
 * Runs a command to its end in the project's folder.
 * @param {string} command
 * @param {string[]} args
 * @param {{ env?: Record<string, string>, quiet?: boolean, input?: string }} [options] `quiet`: what it prints is kept, not shown
 * @returns {Promise<{ status: number | null, printed: string }>}
 */
export function runCommand(command, args, { env = {}, quiet = false, input } = {}) {
	return new Promise((resolve) => {
		const out = quiet ? 'pipe' : 'inherit';
		const child = startChild(command, command, args, {
			cwd: ROOT,
			stdio: [input === undefined ? 'ignore' : 'pipe', out, out],
			env: { ...process.env, ...env }
		});
		let printed = '';
		child.stdout?.on('data', (text) => (printed += text));
		child.stderr?.on('data', (text) => (printed += text));
		child.stdin?.on('error', () => {});
		if (input !== undefined) child.stdin?.end(input);
		child.once('error', (error) => resolve({ status: 127, printed: `${printed}${error.message}` }));
		child.once('close', (status) => void unlessStopping().then(() => resolve({ status, printed })));
	});
}

/** A command that is being stopped goes no further: it ends when everything it started has ended. */
const unlessStopping = () => (stopping ? new Promise(() => {}) : Promise.resolve());

/** @param {ChildProcess} child */
const isOver = (child) => child.exitCode !== null || child.signalCode !== null || child.pid === undefined;

/**
 * Ends a process, politely first.
 * @param {ChildProcess | undefined} child
 * @param {NodeJS.Signals} [signal]
 * @returns {Promise<void>}
 */
export function endChild(child, signal = 'SIGTERM') {
	return new Promise((resolve) => {
		if (!child || isOver(child)) return resolve();
		const stubborn = setTimeout(() => child.kill('SIGKILL'), PATIENCE_MS);
		child.once('exit', () => {
			clearTimeout(stubborn);
			resolve();
		});
		child.kill(signal);
	});
}

/**
 * @typedef {object} Kept
 * @property {() => number | undefined} pid
 * @property {() => Promise<void>} stop
 * @property {() => Promise<void>} kill ends it at once, as a crash would, and leaves it down
 * @property {() => Promise<void>} revive starts it again after kill
 */

/**
 * Keeps a process running: once it has been ready it is started again whenever it dies, until it dies too often.
 * @param {string} name as a sentence calls it
 * @param {() => ChildProcess} launch
 * @param {(isOver: () => boolean) => Promise<boolean>} ready settles false when it does not answer
 * @param {string} whereToLook
 * @returns {Promise<Kept>}
 */
export async function keepRunning(name, launch, ready, whereToLook) {
	/** @type {ChildProcess} */
	let child;
	let wanted = true;
	let wasReady = false;
	/** @type {number[]} */
	let deaths = [];

	function start() {
		const started = launch();
		child = started;
		servers.add(started);
		started.once('exit', () => {
			if (!wanted || stopping || !wasReady || child !== started) return;
			const now = Date.now();
			deaths = [...deaths.filter((at) => now - at < MINUTE), now];
			if (deaths.length > MOST_DEATHS) return void giveUpOn(`${name} stopped ${deaths.length} times within a minute`);
			say(`${name} stopped by itself; starting it again ...`);
			setTimeout(() => wanted && !stopping && child === started && start(), 1000);
		});
	}
	/** @param {string} what */
	const giveUpOn = async (what) => {
		await stopAll();
		giveUp(`${what}; ${whereToLook}.`);
	};
	async function begin() {
		wanted = true;
		start();
		const answered = await ready(() => isOver(child));
		if (!answered && wanted && !stopping)
			await giveUpOn(isOver(child) ? `${name} ended while starting` : `${name} did not answer in time`);
		wasReady = true;
		await unlessStopping();
	}
	/** @param {NodeJS.Signals} signal */
	const end = async (signal) => {
		wanted = false;
		await endChild(child, signal);
	};
	const stop = () => end('SIGTERM');
	stops.push(stop);
	await begin();
	return { pid: () => child.pid, stop, kill: () => end('SIGKILL'), revive: begin };
}

/** Ends everything that was started, the last first. */
export async function stopAll() {
	stopping = true;
	await Promise.all([...children.keys()].filter((child) => !servers.has(child)).map((child) => endChild(child)));
	for (const stop of stops.splice(0).reverse()) await stop();
}

/** From here on a signal stops what was started before the command ends. */
export function answerSignals() {
	for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
		process.on(signal, () => {
			if (stopping) return;
			say('stopping ...');
			void stopAll().then(() => process.exit(signal === 'SIGINT' ? 0 : 128 + constants.signals[signal]));
		});
}
// Even a command that breaks off leaves nothing running.
process.on('exit', () => {
	for (const child of children.keys()) child.kill('SIGTERM');
	if (lockFile) rmSync(lockFile, { force: true });
});

/** When a process began, in ticks since the machine started: its number alone may have passed to another. @param {number} pid */
function beginningOf(pid) {
	try {
		const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
		const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
		return fields[0] === 'Z' ? undefined : fields[19];
	} catch {
		return undefined;
	}
}

/** @typedef {{ readonly name: string, readonly pid: number, readonly began: string | undefined }} Known */

/** @param {Known | undefined} known */
const runs = (known) => known?.began !== undefined && beginningOf(known.pid) === known.began;

/** @param {string} name @param {number} pid @returns {Known} */
const know = (name, pid) => ({ name, pid, began: beginningOf(pid) });

function writeLock() {
	if (!lockFile) return;
	const known = [...children]
		.flatMap(([{ pid }, name]) => (pid === undefined ? [] : [know(name, pid)]))
		.sort((a, b) => order.indexOf(a.name) - order.indexOf(b.name));
	writeFileSync(lockFile, JSON.stringify({ holder: know('holder', process.pid), address, children: known }));
}

/** Tells the next command where this one's application answers. @param {string} at */
export function announce(at) {
	address = at;
	writeLock();
}

/**
 * Takes a folder for this command alone. What a killed command has left running there is stopped first.
 * @param {string} dir
 * @returns {Promise<{ readonly address: string | undefined, readonly pid: number } | undefined>} who holds it, when somebody does
 */
export async function takeFolder(dir) {
	mkdirSync(dir, { recursive: true, mode: 0o700 });
	const file = join(dir, 'running.json');
	for (;;) {
		// Written whole before it has its name: nobody reads half of it.
		const draft = `${file}.${process.pid}`;
		writeFileSync(draft, JSON.stringify({ holder: know('holder', process.pid), children: [] }));
		try {
			linkSync(draft, file);
			lockFile = file;
			return undefined;
		} catch (error) {
			if (/** @type {NodeJS.ErrnoException} */ (error).code !== 'EEXIST') throw error;
		} finally {
			rmSync(draft, { force: true });
		}
		const before = readLock(file);
		if (runs(before.holder)) return { address: before.address, pid: /** @type {Known} */ (before.holder).pid };
		await stopLeftOver(before.children);
		rmSync(file, { force: true });
	}
}

/** @param {string} file @returns {{ holder?: Known, address?: string, children: readonly Known[] }} */
function readLock(file) {
	try {
		const { holder, address: at, children: known = [] } = JSON.parse(readFileSync(file, 'utf8'));
		return { holder, address: at, children: known };
	} catch {
		return { children: [] };
	}
}

/** @param {readonly Known[]} left */
async function stopLeftOver(left) {
	const running = left.filter(runs);
	if (running.length === 0) return;
	say(`stopping what an earlier command has left running: ${running.map(({ name }) => name).join(', ')} ...`);
	// The last was started last, and rests on those before it.
	for (const known of running.reverse()) {
		process.kill(known.pid, 'SIGTERM');
		for (let waited = 0; runs(known) && waited < PATIENCE_MS; waited += 100) await pause(100);
		if (runs(known)) process.kill(known.pid, 'SIGKILL');
	}
}
