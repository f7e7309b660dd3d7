import { execFileSync, spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { randomBytes, randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, test } from '@playwright/test';
import { freePort } from '../../scripts/lib/ports.mjs';
import { ROOT } from '../../scripts/lib/system.mjs';

/** The start command in a data folder of its own, and what it says. */
class Starter {
	said = '';
	readonly child: ChildProcess;
	readonly ended: Promise<number | null>;

	constructor(data: string, ...args: string[]) {
		const demo = args.includes('--demo') ? [] : ['--no-demo'];
		const rest = args.filter((arg) => arg !== '--demo');
		this.child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs'), ...demo, ...rest], {
			env: { ...process.env, FENDREL_DATA: data }
		});
		for (const stream of [this.child.stdout!, this.child.stderr!]) stream.on('data', (text) => (this.said += text));
		this.ended = new Promise((resolve) => this.child.once('exit', resolve));
	}

	async says(words: RegExp, timeout = 60_000): Promise<void> {
		await expect.poll(() => this.said, { timeout }).toMatch(words);
	}

	async stop(): Promise<void> {
		this.child.kill('SIGTERM');
		await this.ended;
	}
}

/** Runs a command on a data folder to its end. */
function command(data: string, name: string, ...args: string[]): { readonly ok: boolean; readonly said: string } {
	const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'scripts', `${name}.mjs`), ...args], {
		...{ env: { ...process.env, FENDREL_DATA: data }, encoding: 'utf8' }
	});
	return { ok: status === 0, said: stdout + stderr };
}

/** Processes that work on a data folder, by their command lines. */
function workingOn(data: string): string[] {
	const all = execFileSync('ps', ['-eo', 'pid,args'], { encoding: 'utf8' }).split('\n');
	return all.filter((line) => line.includes(`--datadir=${data}`));
}
const childOf = (data: string, name: string): number => {
	const { children } = JSON.parse(readFileSync(join(data, 'running.json'), 'utf8')) as {
		children: { name: string; pid: number }[];
	};
	return children.find((child) => child.name === name)!.pid;
};
const answers = (port: number) =>
	fetch(`http://localhost:${port}/health`, { signal: AbortSignal.timeout(2000) }).then(
		({ ok }) => ok,
		() => false
	);

test.setTimeout(240_000);
let data: string;
test.beforeEach(() => {
	data = mkdtempSync(join(tmpdir(), 'fendrel-start-'));
});
test.afterEach(() => rmSync(data, { recursive: true, force: true }));

test('whatever dies is started again; a start command that was killed leaves nothing in the way of the next', async () => {
	const port = await freePort();
	const first = new Starter(data, '--port', String(port));
	await first.says(/ready at/);
	const server = childOf(data, 'application');
	process.kill(server, 'SIGKILL');
	await first.says(/the application stopped by itself; starting it again/);
	await expect.poll(() => answers(port), { timeout: 30_000 }).toBe(true);
	expect(childOf(data, 'application')).not.toBe(server);
	process.kill(childOf(data, 'database'), 'SIGKILL');
	await first.says(/the database stopped by itself; starting it again/);
	await expect.poll(() => answers(port), { timeout: 30_000 }).toBe(true);

	const again = new Starter(data);
	expect(await again.ended).toBe(0);
	expect(again.said).toContain(`already running at http://localhost:${port}`);

	first.child.kill('SIGKILL');
	await first.ended;
	const next = new Starter(data, '--port', String(port));
	await next.says(/stopping what an earlier command has left running: database, application/);
	await next.says(/ready at/);
	next.child.kill('SIGTERM');
	await next.ended;
	expect(next.said).not.toMatch(/Error|at .*\.mjs:/);
	await expect.poll(() => workingOn(data)).toEqual([]);
	expect(existsSync(join(data, 'running.json'))).toBe(false);

	// Devices know that address: another one is said, and it is the same again as soon as it can be.
	const holder = createServer(() => {});
	await new Promise<void>((resolve) => holder.listen(port, '127.0.0.1', resolve));
	const elsewhere = new Starter(data);
	await elsewhere.says(
		new RegExp(`before it was http://localhost:${port}: what waits in a browser there is sent when`)
	);
	elsewhere.child.kill('SIGTERM');
	await elsewhere.ended;
	await new Promise((resolve) => holder.close(resolve));
	const back = new Starter(data);
	await back.says(new RegExp(`ready at http://localhost:${port}`));
	back.child.kill('SIGTERM');
	await back.ended;
});

test('stopped in its first seconds it leaves no database behind', async () => {
	const early = new Starter(data);
	await expect.poll(() => workingOn(data).length, { timeout: 60_000 }).toBeGreaterThan(0);
	early.child.kill('SIGTERM');
	expect(await early.ended).not.toBe(0);
	await expect.poll(() => workingOn(data), { timeout: 30_000 }).toEqual([]);
});

test('a port that is held by a silent program: passed over, or said when it was asked for', async () => {
	const silent = createServer(() => {});
	const port = await new Promise<number>((resolve) =>
		silent.listen(0, '127.0.0.1', () => resolve((silent.address() as { port: number }).port))
	);
	const asked = new Starter(data, '--port', String(port));
	expect(await asked.ended).toBe(1);
	expect(asked.said).toContain(`port ${port} is held by another program; choose another one`);
	silent.close();
});

test('a backup holds everything, and comes back whole into an empty database, or not at all', async () => {
	const port = await freePort();
	const address = `http://localhost:${port}`;
	const first = new Starter(data, '--demo', '--port', String(port));
	await first.says(/ready at/, 180_000);
	// A sound of a visit goes with it.
	const form = { email: 'demo@saltmarsh.example', password: 'saltmarsh' };
	const signedIn = await fetch(`${address}/signin`, {
		...{ method: 'POST', body: new URLSearchParams(form), headers: { origin: address }, redirect: 'manual' as const }
	});
	const cookie = signedIn.headers
		.getSetCookie()
		.map((each) => each.split(';')[0])
		.join('; ');
	const visits = await (await fetch(`${address}/visits`, { headers: { cookie } })).text();
	const [, visit] = /href="\/visits\/([0-9a-f-]{36})"/.exec(visits)!;
	const sound = `/api/visits/${visit}/attachments/${randomUUID()}`;
	const bytes = Buffer.concat([Buffer.from('OggS'), randomBytes(60_000)]);
	const kept = await fetch(address + sound, {
		method: 'PUT',
		body: bytes,
		headers: { cookie, origin: address, 'content-type': 'audio/ogg' }
	});
	expect(kept.status).toBe(200);

	const file = join(data, 'one.backup');
	const content = (said: string) => /content ([0-9a-f]{16})/.exec(said)?.[1];
	// While it runs.
	const made = command(data, 'backup', file);
	expect(made.ok, made.said).toBe(true);
	expect(command(data, 'backup', file).said).toContain('name another one');
	expect(command(data, 'restore', file).said).toContain('Fendrel is running');
	await first.stop();
	const before = content(command(data, 'backup', join(data, 'two.backup')).said);
	expect(before).toBeTruthy();

	const whole = readFileSync(file);
	const broken = join(data, 'broken.backup');
	for (const [text, why] of [
		[whole.subarray(0, whole.length - 5000), /unexpected end|incorrect|not restored/],
		[gzipSync('DROP DATABASE mysql;'), /no backup of Fendrel/],
		[Buffer.from('nothing of the kind'), /incorrect header/]
	] as const) {
		writeFileSync(broken, text);
		const { ok, said } = command(data, 'restore', '--over', broken);
		expect(ok).toBe(false);
		expect(said).toMatch(why);
		expect(said).not.toMatch(/at .*\.mjs:/);
	}
	expect(command(data, 'restore', file).said).toContain('holds something already');
	expect(content(command(data, 'backup', join(data, 'three.backup')).said)).toBe(before);

	const empty = mkdtempSync(join(tmpdir(), 'fendrel-restored-'));
	try {
		const restored = command(empty, 'restore', join(data, 'two.backup'));
		expect(restored.ok, restored.said).toBe(true);
		expect(content(command(empty, 'backup', join(empty, 'again.backup')).said)).toBe(before);
		// In place of what is there, too.
		expect(command(empty, 'restore', '--over', join(data, 'two.backup')).ok).toBe(true);
		const next = new Starter(empty, '--port', String(port));
		await next.says(/ready at/);
		const back = await fetch(address + sound, { headers: { cookie } });
		expect(Buffer.from(await back.arrayBuffer()).equals(bytes)).toBe(true);
		await next.stop();
	} finally {
		rmSync(empty, { recursive: true, force: true });
	}
});
