import { hz, renderStrike, type KeptStrike, type StringReading } from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { inProcess } from '$lib/tests/inProcess';
import { lastStrikeJobs } from './lastStrike.jobs';

const RATE = 16_000;
const string = { flexiblePitch: hz(220), inharmonicity: 3e-4 };
const samples = renderStrike({
	...{ note: 57, strings: [string], sampleRate: RATE, seconds: 2, strength: 0.8, seed: 1 }
});
/** The sound of a strike that fell at a time. */
const strikeAt = (struckAt: number): KeptStrike => ({
	reading: { note: 57, struckAt, pitch: hz(220) } as StringReading,
	...{ string, samples: samples.slice(), sampleRate: RATE, settledFrom: 4000 }
});

describe('the worker that looks closer', () => {
	let worker: ReturnType<typeof inProcess<import('./lastStrike').LastStrikeTasks>>;
	let listener: MessagePort;
	let port: MessagePort;
	beforeEach(() => {
		const { port1, port2 } = new MessageChannel();
		[listener, port] = [port1, port2];
		const jobs = lastStrikeJobs();
		void jobs.keep(port, { signal: new AbortController().signal, tell: () => {}, pause: async () => {} });
		worker = inProcess(jobs);
	});
	afterEach(() => {
		listener.close();
		port.close();
	});
	const give = (struckAt: number) => listener.postMessage(strikeAt(struckAt));

	it('waits for a sound that comes later than the word of it', async () => {
		const look = worker.run('look', { struckAt: 2, strings: 1 });
		give(1);
		give(2);
		expect((await look)!.reading.struckAt).toBe(2);
		expect((await look)!.analysis.partials.length).toBeGreaterThan(3);
		const alone = await worker.run('partial', 2);
		expect(alone!.samples.length).toBeGreaterThan(RATE);
	});

	it('says nothing of a strike whose place a later one has taken', async () => {
		const later = worker.run('look', { struckAt: 3, strings: 1 });
		give(3);
		await later;
		expect(await worker.run('look', { struckAt: 1, strings: 1 })).toBeUndefined();
		// The partials that can be heard stay those of the last one that was looked at.
		expect(await worker.run('partial', 1)).toBeDefined();
	});

	it('gives up waiting when nobody waits any more, and has no partial before the first strike', async () => {
		const stop = new AbortController();
		const look = worker.run('look', { struckAt: 9, strings: 1 }, { signal: stop.signal });
		stop.abort();
		await expect(look).rejects.toThrow('abort');
		expect(await worker.run('partial', 1)).toBeUndefined();
	});
});
