import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { v7 as uuid } from 'uuid';
import { nowSignedIn, signedOutHere } from '$lib/device/owner';
import { FORMAT, idOf, type Answer } from '$lib/record/format';
import { HandOver } from './handOver.svelte';
import { openOutbox, type Outbox } from './outbox';
import { refusedWords } from './refusedWords';
import { clockWords } from './connectionWords';

const VISIT = '01a20724-b3f2-7056-bbd9-dd8fdf185feb';
const OTHER = '01a20724-b3f2-7056-bbd9-dd8fdf185fec';
const item = (note: number, visitId = VISIT) => ({
	...{ format: FORMAT, visitId, device: uuid(), kind: 'reading' },
	reading: { id: uuid(), sounders: [`${note}/middle`], pitch: 440 }
});

/** A server that stores by id, refuses what it is told to, and can be told how to answer. */
class FakeServer {
	readonly stored = new Map<string, unknown>();
	readonly refuses = new Set<string>();
	/** Of which it cannot even read the request. */
	readonly chokesOn = new Set<string>();
	calls = 0;
	answer: 'well' | 'away' | 'loses its answer' | 'never' | 401 | 503 | 500 = 'well';

	fetch = async (_: unknown, init?: RequestInit): Promise<Response> => {
		this.calls++;
		if (this.answer === 'away') throw new TypeError('Failed to fetch');
		if (this.answer === 'never')
			return new Promise((_resolve, reject) =>
				init?.signal?.addEventListener('abort', () => reject(new Error('aborted')))
			);
		if (typeof this.answer === 'number') return new Response('{}', { status: this.answer });
		const { items } = JSON.parse(String(init?.body)) as { items: unknown[] };
		if (items.some((each) => this.chokesOn.has(idOf(each))))
			return Response.json({ message: 'What was sent is not readable.' }, { status: 400 });
		const answers = items.map((each): Answer => {
			const id = idOf(each);
			if (this.refuses.has(id)) return { id, answer: 'refused', why: 'It cannot be right: pitch.' };
			const there = this.stored.has(id);
			this.stored.set(id, each);
			return { id, answer: there ? 'there' : 'stored' };
		});
		if (this.answer === 'loses its answer') throw new TypeError('network changed');
		return Response.json({ answers });
	};
}

const give = (to: HandOver, visitId: string, items: readonly unknown[]) =>
	to.add(
		visitId,
		items.map((each) => ({ item: each }))
	);

let server: FakeServer;
let handOver: HandOver;
beforeEach(() => {
	// The store's own turns go on in real time; only the pauses between sendings are ours.
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] });
	globalThis.indexedDB = new IDBFactory();
	server = new FakeServer();
	vi.stubGlobal('fetch', server.fetch);
	handOver = new HandOver();
	handOver.start();
});
afterEach(() => {
	handOver.stop();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

/** So much of our time passes, in steps, with the store keeping up. */
async function pass(ms: number): Promise<void> {
	for (let gone = 0; gone < ms; gone += 500) {
		await vi.advanceTimersByTimeAsync(500);
		for (let turn = 0; turn < 12; turn++) await new Promise((resolve) => setImmediate(resolve));
	}
}

describe('handing over', () => {
	it('stores each thing as it is made', async () => {
		await give(handOver, VISIT, [item(60)]);
		expect(await handOver.flush()).toBe(true);
		expect([server.stored.size, handOver.waiting, handOver.trouble]).toEqual([1, 0, undefined]);
	});

	it('sends what comes while it gives back its turn', async () => {
		let late: Promise<void> | undefined;
		vi.stubGlobal('navigator', {
			locks: {
				request: async (_: string, work: () => Promise<boolean>) => {
					const isEmpty = await work();
					if (server.stored.size === 1) late ??= give(handOver, VISIT, [item(61)]);
					await late;
					return isEmpty;
				}
			}
		});
		await give(handOver, VISIT, [item(60)]);
		expect(await handOver.flush()).toBe(true);
		expect([server.stored.size, handOver.waiting]).toEqual([2, 0]);
	});

	it('waits while the server is away, says so and since when, and goes on by itself', async () => {
		server.answer = 'away';
		await give(handOver, VISIT, [item(60)]);
		await give(handOver, OTHER, [item(61, OTHER)]);
		expect(await handOver.flush()).toBe(false);
		expect(handOver.waiting).toBe(2);
		expect(handOver.byVisit.of).toEqual(
			new Map([
				[VISIT, 1],
				[OTHER, 1]
			])
		);
		expect(handOver.since).toBeInstanceOf(Date);
		expect(handOver.trouble).toMatch(/Go on tuning/);
		server.answer = 'well';
		await pass(20_000);
		expect([server.stored.size, handOver.waiting, handOver.trouble]).toEqual([2, 0, undefined]);
	});

	it('sends a long wait in batches, whichever visit it is of, oldest first', async () => {
		server.answer = 503;
		const all = Array.from({ length: 90 }, (_, i) => item(i, i % 2 ? VISIT : OTHER));
		for (const each of all) await give(handOver, each.visitId, [each]);
		expect(handOver.trouble).toMatch(/database/);
		server.answer = 'well';
		await handOver.flush();
		server.calls = 0;
		await pass(20_000);
		expect([...server.stored.keys()]).toEqual(all.map(idOf));
		expect(server.calls).toBeLessThanOrEqual(3);
	});

	it('joins what the simulated lever moved: of each note the last', async () => {
		server.answer = 'away';
		const pins = (n: number) => ({
			format: FORMAT,
			visitId: VISIT,
			kind: 'pins',
			id: uuid(),
			moved: { [57 + n]: n, 70: n }
		});
		await give(handOver, VISIT, [item(60)]);
		for (const n of [1, 2, 3]) await give(handOver, VISIT, [pins(n)]);
		const waiting = await (await openOutbox()).all();
		expect(waiting).toHaveLength(2);
		expect(waiting[1].item).toMatchObject({ moved: { 58: 1, 59: 2, 60: 3, 70: 3 } });
		// Where pins stand is no entry that anybody waits for.
		expect(handOver.waiting).toBe(1);
	});

	it('stores once what had to be sent twice', async () => {
		server.answer = 'loses its answer';
		await give(handOver, VISIT, [item(60)]);
		await handOver.flush();
		server.answer = 'well';
		expect(await handOver.flush()).toBe(true);
		expect(server.calls).toBeGreaterThan(1);
		expect(server.stored.size).toBe(1);
	});

	it('waits longer and longer, never longer than a quarter of a minute', async () => {
		server.answer = 'away';
		await give(handOver, VISIT, [item(60)]);
		await handOver.flush();
		server.calls = 0;
		await pass(300_000);
		expect(server.calls).toBeGreaterThanOrEqual(18);
		expect(server.calls).toBeLessThan(30);
	});

	it.each([401, 500] as const)('keeps everything when the answer is %d', async (answer) => {
		server.answer = answer;
		await give(handOver, VISIT, [item(60)]);
		expect(await handOver.flush()).toBe(false);
		expect([handOver.waiting, handOver.refused.length]).toEqual([1, 0]);
		if (answer === 401) expect(handOver.trouble).toMatch(/Sign in again/);
	});
});

describe('what the server refuses', () => {
	it('is set aside with its reason and holds up nothing; it can be sent again or discarded', async () => {
		const bad = item(61);
		server.refuses.add(idOf(bad));
		await give(handOver, VISIT, [item(60), bad, item(62)]);
		expect(await handOver.flush()).toBe(true);
		expect([server.stored.size, handOver.waiting]).toEqual([2, 0]);
		expect(handOver.refused).toMatchObject([{ id: idOf(bad), visitId: VISIT, why: 'It cannot be right: pitch.' }]);
		expect(refusedWords(handOver.refused[0])).toBe('Reading of C♯4 middle, 440.00 Hz');
		server.calls = 0;
		await pass(60_000);
		expect(server.calls).toBe(0);
		server.refuses.clear();
		await handOver.sendAgain(idOf(bad));
		await handOver.flush();
		expect([server.stored.size, handOver.refused.length]).toEqual([3, 0]);

		const worse = item(63);
		server.refuses.add(idOf(worse));
		await give(handOver, VISIT, [worse]);
		await handOver.flush();
		await handOver.discard(idOf(worse));
		expect([handOver.refused.length, handOver.waiting]).toEqual([0, 0]);
	});

	it('also when a whole batch is unreadable because of it: the others arrive', async () => {
		const poison = item(70);
		server.chokesOn.add(idOf(poison));
		await give(handOver, VISIT, [...Array.from({ length: 20 }, (_, i) => item(i)), poison, item(71)]);
		expect(await handOver.flush()).toBe(true);
		expect([server.stored.size, handOver.waiting]).toEqual([21, 0]);
		expect(handOver.refused.map(({ id }) => id)).toEqual([idOf(poison)]);
		expect(server.calls).toBeLessThan(20);
	});
});

describe('a device that is slow, full, closed', () => {
	it('stopped means stopped: what is under way is broken off, nothing is tried again', async () => {
		server.answer = 'never';
		await give(handOver, VISIT, [item(60)]);
		const sending = handOver.flush();
		handOver.stop();
		expect(await sending).toBe(false);
		server.answer = 'well';
		server.calls = 0;
		await pass(60_000);
		expect([server.calls, server.stored.size]).toEqual([0, 0]);
	});

	it('outlives a reload: the next window sends what waits', async () => {
		server.answer = 'away';
		const made = item(60);
		await give(handOver, VISIT, [made]);
		handOver.stop();
		server.answer = 'well';
		const next = new HandOver();
		next.start();
		await vi.waitFor(() => expect(server.stored.size).toBe(1));
		expect([...server.stored.keys()]).toEqual([idOf(made)]);
		next.stop();
	});

	it('says at once when it does not keep what is made, and sends it all the same', async () => {
		handOver.stop();
		const full: Outbox = {
			...(await openOutbox()),
			add: () => Promise.reject(new DOMException('', 'QuotaExceededError'))
		};
		server.answer = 'away';
		const poor = new HandOver(async () => full);
		poor.start();
		await give(poor, VISIT, [item(60)]);
		expect(poor.trouble).toMatch(/cannot store what you measure.*Keep the page open/);
		expect(poor.waiting).toBe(1);
		server.answer = 'well';
		await vi.waitFor(async () => expect(await poor.flush()).toBe(true));
		expect([server.stored.size, poor.waiting, poor.trouble]).toEqual([1, 0, undefined]);
		poor.stop();
	});

	it('takes over what waited in its first version, in the format of then', async () => {
		handOver.stop();
		globalThis.indexedDB = new IDBFactory();
		const old = await openDB('fendrel', 1, {
			upgrade(made) {
				made.createObjectStore('readings', { keyPath: 'id' }).createIndex('visit', 'visitId');
				made.createObjectStore('places', { keyPath: 'visitId' });
			}
		});
		const reading = (id: string, second: number) => ({ id, note: 60, takenAt: new Date(1000 * second) });
		await old.put('readings', { id: 'a', visitId: VISIT, reading: reading('a', 2) });
		await old.put('readings', { id: 'b', visitId: VISIT, reading: reading('b', 1) });
		await old.put('places', { visitId: VISIT, place: { currentNote: 62, moved: {} } });
		old.close();
		const outbox = await openOutbox();
		const items = (await outbox.all()).map((each) => each.item);
		expect(items).toMatchObject([
			{ format: 1, kind: 'reading', visitId: VISIT, reading: { id: 'b' } },
			{ format: 1, kind: 'reading', visitId: VISIT, reading: { id: 'a' } },
			{ format: 1, kind: 'place', visitId: VISIT, place: { currentNote: 62 } }
		]);
	});

	it('never lets its time fall, whatever the clock is set to', () => {
		vi.setSystemTime(5000);
		const first = handOver.stamp();
		vi.setSystemTime(4000);
		const second = handOver.stamp();
		expect(second.counter).toBe(first.counter + 1);
		expect(second.at).toBeGreaterThanOrEqual(first.at);
	});
});

describe('two people on one device', () => {
	const [mira, tom] = ['Mira', 'Tom'].map((name) => ({ userId: uuid(), name, workshop: 'Saltmarsh' }));
	afterEach(() => signedOutHere());

	it('each hands over what they made; what another has made waits, and is mentioned', async () => {
		await nowSignedIn(mira);
		server.answer = 'away';
		const hers = item(60);
		await give(handOver, VISIT, [hers]);
		await nowSignedIn(tom);
		server.answer = 'well';
		const his = item(61);
		await give(handOver, VISIT, [his]);
		await vi.waitFor(() => expect([...server.stored.keys()]).toEqual([idOf(his)]));
		expect(await handOver.flush()).toBe(true);
		expect([...handOver.ofOthers]).toEqual([['Mira', 1]]);
		expect(handOver.waiting).toBe(0);
		// Signing out says so too, and forgets nothing.
		await signedOutHere();
		await handOver.flush();
		expect([...handOver.ofOthers]).toEqual([['Mira', 1]]);
		await nowSignedIn(mira);
		await handOver.flush();
		expect([...server.stored.keys()]).toEqual([idOf(his), idOf(hers)]);
		expect(handOver.ofOthers.size).toBe(0);
	});
});

describe('a clock that is off', () => {
	it.each([
		[0, undefined],
		[30_000, undefined],
		[-61_000, 'This device’s clock is 1 minute ahead; times are taken from the server.'],
		[7_300_000, 'This device’s clock is 2 hours behind; times are taken from the server.'],
		[365 * 86_400_000, 'This device’s clock is 1 year behind; times are taken from the server.']
	])('by %d ms is said in words', (off, words) => expect(clockWords(off)).toBe(words));
});
