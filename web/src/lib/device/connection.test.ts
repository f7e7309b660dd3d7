import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Connection } from './connection.svelte';
import { NOW_HEADER } from './nowHeader';

let answer: (signal: AbortSignal) => Promise<Response>;
let connection: Connection;
beforeEach(() => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] });
	vi.stubGlobal('fetch', (_: unknown, { signal }: RequestInit) => answer(signal!));
	connection = new Connection();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});
const never = (signal: AbortSignal) =>
	new Promise<Response>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason)));
const json = (body: unknown, status = 200, headers = {}) => Response.json(body, { status, headers });

describe('the way to the server', () => {
	it('says what came, and that the server is there', async () => {
		answer = async () => json({ seq: 3 });
		expect(await connection.ask('/x')).toEqual({ kind: 'told', body: { seq: 3 } });
		expect([connection.state, connection.since]).toEqual(['there', undefined]);
	});

	it('has a limit: slow after four seconds, away after ten, and there again', async () => {
		answer = never;
		const asked = connection.ask('/x');
		await vi.advanceTimersByTimeAsync(5000);
		expect(connection.state).toBe('slow');
		await vi.advanceTimersByTimeAsync(5001);
		expect(await asked).toEqual({ kind: 'away' });
		expect(connection.state).toBe('away');
		expect(connection.since).toBeInstanceOf(Date);
		answer = async () => json({});
		await connection.ask('/x');
		expect([connection.state, connection.since]).toEqual(['there', undefined]);
	});

	it('tells apart what stands in the way', async () => {
		const cases = [
			[401, { message: 'Somebody else.' }, { kind: 'signed out', message: 'Somebody else.' }, 'signed out'],
			[503, {}, { kind: 'no database' }, 'no database'],
			[500, {}, { kind: 'away' }, 'away'],
			[404, { message: 'None.' }, { kind: 'refused', status: 404, message: 'None.' }, 'there']
		] as const;
		for (const [status, body, told, state] of cases) {
			answer = async () => json(body, status);
			expect(await connection.ask('/x')).toEqual(told);
			expect(connection.state).toBe(state);
		}
		answer = async () => Promise.reject(new TypeError('Failed to fetch'));
		expect(await connection.ask('/x')).toEqual({ kind: 'away' });
		// An answer that breaks off in the middle is none.
		answer = async () => new Response('{"half":', { status: 200 });
		expect(await connection.ask('/x')).toEqual({ kind: 'away' });
	});

	it('who no longer wants to know learns nothing about it', async () => {
		answer = never;
		const stop = new AbortController();
		const asked = connection.ask('/x', { signal: stop.signal });
		stop.abort();
		expect(await asked).toEqual({ kind: 'away' });
		expect(connection.state).toBe('there');
	});

	it('measures the clock against every answer', async () => {
		vi.setSystemTime(Date.UTC(2025, 10, 25));
		answer = async () => json({}, 200, { [NOW_HEADER]: String(Date.UTC(2026, 10, 25)) });
		await connection.ask('/x');
		expect(Math.abs(connection.clockOff - 365 * 86_400_000)).toBeLessThan(2000);
	});
});
