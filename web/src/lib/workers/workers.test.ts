import { afterEach, describe, expect, it, vi } from 'vitest';
import { isGivenUp, WorkerClient } from './client';
import { handing, type Task } from './protocol';
import { serve, type Handlers } from './serve';

type Counting = {
	count: Task<number, number, number>;
	other: Task<string, string>;
	deaf: Task<void, never>;
	wrong: Task<void, never>;
	samples: Task<Float32Array<ArrayBuffer>, Float32Array<ArrayBuffer>>;
};

/** What the workers did, in their order. */
let log: string[] = [];
const handlers: Handlers<Counting> = {
	async count(to, { tell, pause }) {
		for (let i = 1; i <= to; i++) {
			tell(i);
			await pause();
		}
		log.push(`counted to ${to}`);
		return to;
	},
	other: (text) => text.toUpperCase(),
	deaf: () => new Promise(() => {}),
	wrong() {
		throw new RangeError('count: -1 asked for');
	},
	samples: (given) => handing(given, given.buffer)
};

/** Stands in for a worker: the same messages, through a channel. */
class ChannelWorker {
	onmessage: ((event: MessageEvent) => void) | null = null;
	onerror: ((event: { message: string }) => void) | null = null;
	onmessageerror: (() => void) | null = null;
	private readonly channel = new MessageChannel();
	private ended = false;
	constructor(readonly loads = true) {
		this.channel.port1.onmessage = (event) => !this.ended && this.onmessage?.(event);
		if (loads) serve<Counting>(handlers, this.channel.port2);
	}
	postMessage(message: unknown, handed: Transferable[]): void {
		this.channel.port1.postMessage(message, handed);
	}
	terminate(): void {
		this.ended = true;
		this.channel.port1.close();
		this.channel.port2.close();
	}
}
let made: ChannelWorker[] = [];
function open(loads = true) {
	log = [];
	made = [];
	return new WorkerClient<Counting>(() => {
		made.push(new ChannelWorker(loads));
		return made.at(-1) as unknown as Worker;
	});
}
let client: WorkerClient<Counting>;
afterEach(() => client.close());
const givenUp = (job: Promise<unknown>) =>
	job.then(
		() => 'done',
		(fault) => (isGivenUp(fault) ? 'given up' : (fault as Error).message)
	);

describe('a worker and its page', () => {
	it('opens with the first job, tells its progress and gives its result', async () => {
		client = open();
		expect(made).toHaveLength(0);
		const told: number[] = [];
		expect(await client.run('count', 3, { onProgress: (i) => told.push(i) })).toBe(3);
		expect(told).toEqual([1, 2, 3]);
		expect(await client.run('other', 'a')).toBe('A');
		expect(made).toHaveLength(1);
	});

	it('lets the newest of a task win, and other tasks be', async () => {
		client = open();
		const old = [givenUp(client.run('count', 50)), givenUp(client.run('count', 60))];
		const other = client.run('other', 'b');
		expect(await client.run('count', 2)).toBe(2);
		expect(await Promise.all(old)).toEqual(['given up', 'given up']);
		expect(await other).toBe('B');
		expect(log).toEqual(['counted to 2']);
		expect(made).toHaveLength(1);
	});

	it('stops a job whose signal is aborted, before it began and in its midst', async () => {
		client = open();
		expect(await givenUp(client.run('count', 5, { signal: AbortSignal.abort() }))).toBe('given up');
		const stop = new AbortController();
		const job = givenUp(client.run('count', 1000, { signal: stop.signal, onProgress: (i) => i === 3 && stop.abort() }));
		expect(await job).toBe('given up');
		expect(await client.run('count', 1)).toBe(1);
		expect(log).toEqual(['counted to 1']);
	});

	it('ends a worker that does not stop, and begins anew what else it had in hand', async () => {
		client = open();
		await client.run('other', 'awake');
		const stop = new AbortController();
		const deaf = givenUp(client.run('deaf', undefined, { signal: stop.signal }));
		const counting = client.run('count', 500);
		stop.abort();
		expect(await deaf).toBe('given up');
		await vi.waitFor(() => expect(made).toHaveLength(2), { timeout: 5000 });
		expect(await counting).toBe(500);
	});

	it('says why a job failed, and that a worker could not be loaded', async () => {
		client = open();
		await expect(client.run('wrong', undefined)).rejects.toThrow('count: -1 asked for');
		expect(await client.run('other', 'c')).toBe('C');
		client.close();
		client = open(false);
		const job = givenUp(client.run('other', 'd'));
		made[0].onerror!({ message: '' });
		expect(await job).toBe('The background work could not be started.');
	});

	it('hands over what is marked, there and back', async () => {
		client = open();
		const samples = Float32Array.from([1, 2, 3]);
		const back = await client.run('samples', handing(samples, samples.buffer));
		expect(samples).toHaveLength(0);
		expect([...back]).toEqual([1, 2, 3]);
	});

	it('runs nothing once it is closed', async () => {
		client = open();
		const job = givenUp(client.run('count', 1000));
		client.close();
		expect(await job).toBe('given up');
		expect(await givenUp(client.run('other', 'e'))).toBe('given up');
		expect(made.length).toBeLessThan(2);
	});
});
