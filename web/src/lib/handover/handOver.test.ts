import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { v7 as uuid } from 'uuid';
import type { Reading } from './schema';
import { Sync } from './sync.svelte';

const VISIT = '01a20724-b3f2-7056-bbd9-dd8fdf185feb';

function reading(note: number): Reading {
	return {
		id: uuid(),
		note,
		string: 'middle',
		takenAt: new Date(1_790_000_000_000 + note),
		source: 'simulated',
		accepted: true,
		found: false,
		pitch: 440,
		pitchError: 0.01,
		target: 440,
		deviation: 0,
		fundamental: 439.9,
		inharmonicity: 4e-4,
		inharmonicityError: 1e-5,
		moment: 0.5,
		listened: null,
		falseBeat: null,
		falseBeatDepth: null,
		spread: null,
		spreadError: null,
		partials: []
	};
}

/** A server that stores by id and can be told how to answer. */
class FakeServer {
	readonly stored = new Map<string, Reading>();
	calls = 0;
	answer: 'well' | 'away' | 'loses its answer' | 503 | 401 = 'well';

	fetch = async (_: unknown, init?: RequestInit): Promise<Response> => {
		this.calls++;
		if (this.answer === 'away') throw new TypeError('Failed to fetch');
		if (typeof this.answer === 'number') return new Response('{}', { status: this.answer });
		const { readings } = JSON.parse(String(init?.body)) as { readings: Reading[] };
		for (const each of readings) this.stored.set(each.id, each);
		if (this.answer === 'loses its answer') throw new TypeError('network changed');
		return new Response('{}');
	};
}

let server: FakeServer;
let sync: Sync;

beforeEach(() => {
	vi.useFakeTimers();
	server = new FakeServer();
	vi.stubGlobal('fetch', server.fetch);
	sync = new Sync(VISIT);
});
afterEach(() => {
	sync.stop();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('sending readings', () => {
	it('stores each as it is made', async () => {
		await sync.add(reading(60));
		await sync.flush();
		expect(server.stored.size).toBe(1);
		expect(sync.waiting).toBe(0);
		expect(sync.trouble).toBeUndefined();
	});

	it('keeps them while the server is away, says so, and sends them by itself later', async () => {
		server.answer = 'away';
		await sync.add(reading(60));
		await sync.add(reading(61));
		expect(await sync.flush()).toBe(false);
		expect(sync.waiting).toBe(2);
		expect(sync.trouble).toMatch(/Go on tuning/);
		server.answer = 'well';
		await vi.advanceTimersByTimeAsync(60_000);
		expect(server.stored.size).toBe(2);
		expect(sync.waiting).toBe(0);
		expect(sync.trouble).toBeUndefined();
	});

	it('stores once what had to be sent twice', async () => {
		server.answer = 'loses its answer';
		const sent = reading(60);
		await sync.add(sent);
		await sync.flush();
		server.answer = 'well';
		expect(await sync.flush()).toBe(true);
		expect(server.calls).toBeGreaterThan(1);
		expect([...server.stored.keys()]).toEqual([sent.id]);
	});

	it('sends a long wait in batches, oldest first', async () => {
		server.answer = 503;
		for (let note = 20; note < 110; note++) await sync.add(reading(note));
		server.answer = 'well';
		server.calls = 0;
		await vi.advanceTimersByTimeAsync(60_000);
		expect([...server.stored.values()].map(({ note }) => note)).toEqual(Array.from({ length: 90 }, (_, i) => 20 + i));
		expect(server.calls).toBe(3);
	});

	it('waits longer and longer, never longer than a quarter of a minute', async () => {
		server.answer = 'away';
		await sync.add(reading(60));
		await sync.flush();
		server.calls = 0;
		await vi.advanceTimersByTimeAsync(300_000);
		expect(server.calls).toBeGreaterThanOrEqual(20);
		expect(server.calls).toBeLessThan(30);
	});

	it('says what to do when one is signed out', async () => {
		server.answer = 401;
		await sync.add(reading(60));
		await sync.flush();
		expect(sync.trouble).toMatch(/Sign in again/);
	});
});
