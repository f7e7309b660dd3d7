import { cents, defaultTwin, hz, USUAL_HABITS, type ListenerEvent, type StringReading } from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Heard } from '$lib/workers/listening';
import { SoundFailure } from './faults';
import { LevelWatch } from './levelWatch.svelte';
import { Listening } from './listening.svelte';
import { openMicrophone } from './microphone';

const givenUp = () => new DOMException('Given up', 'AbortError');
/** Stands in for the worker: keeps what it was asked, and tells what a test wants. */
class Worker {
	closed = false;
	asked: [task: string, job: unknown][] = [];
	tell: (heard: Heard) => void = () => {};
	private readonly open = new Set<(fault: unknown) => void>();
	run(task: string, job: unknown, options: { onProgress?: (heard: Heard) => void } = {}) {
		this.asked.push([task, job]);
		if (task === 'listen') this.tell = options.onProgress!;
		return task === 'listen' || task === 'reference'
			? new Promise((_, reject) => this.open.add(reject))
			: Promise.resolve();
	}
	fail(fault: unknown) {
		for (const reject of this.open) reject(fault);
	}
	close() {
		this.closed = true;
		this.fail(givenUp());
	}
	last(task: string) {
		return this.asked.findLast(([each]) => each === task)?.[1];
	}
}
let workers: Worker[] = [];
const worker = () => workers.at(-1)!;
vi.mock('$lib/workers/listening.client', () => ({
	listeningWorker: () => {
		workers.push(new Worker());
		return workers.at(-1);
	}
}));
let contexts: { closed: boolean }[] = [];
vi.mock('./soundClock', () => {
	const clock = (lifetime: AbortSignal) => {
		const context = { sampleRate: 48_000, closed: false };
		contexts.push(context);
		lifetime.addEventListener('abort', () => (context.closed = true));
		return { context, begin: () => Promise.resolve() };
	};
	return { cardClock: clock, pacedClock: clock };
});
vi.mock('./capture', () => ({ openCapture: vi.fn(async () => ({ input: {}, samples: new MessageChannel().port2 })) }));
vi.mock('./microphone', () => ({ openMicrophone: vi.fn() }));
vi.mock('./simulated', () => ({
	SimulatedInstrument: class {
		surround() {}
	}
}));

const kept = new Map<string, string>();
let told: ListenerEvent[];
let looked: StringReading[];
let listening: Listening;
const microphones = vi.mocked(openMicrophone);
const hear = (events: ListenerEvent[], kept: StringReading[] = []) => worker().tell({ events, kept, behind: false });

beforeEach(async () => {
	workers = [];
	contexts = [];
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => kept.set(key, value),
		removeItem: (key: string) => kept.delete(key)
	});
	microphones.mockReset().mockResolvedValue('one');
	told = [];
	looked = [];
	listening = new Listening({
		setup: { lowest: 21, highest: 108, a4: 440, inharmonicity: [] },
		habits: USUAL_HABITS,
		twin: defaultTwin('upright', 21, 108, 1, 440),
		countOf: () => 3,
		moved: {},
		onMoved: () => {},
		onEvents: (events) => told.push(...events),
		strikes: () => new MessageChannel().port1,
		onKept: (reading) => looked.push(reading)
	});
	await listening.choose('microphone', 'one');
	await listening.start();
});
afterEach(() => {
	listening.stop();
	kept.clear();
	vi.unstubAllGlobals();
});

const strike = (at: number): ListenerEvent => ({ kind: 'strike', at });
const ended = (at: number): ListenerEvent => ({ kind: 'ended', at });
const level = (at: number, db: number): ListenerEvent => ({
	...{ kind: 'level', at, level: db, noise: -70, clipped: false, hum: undefined }
});

describe('a blow that is too loud', () => {
	it('is said until the next one, or for some seconds: it is over at once', () => {
		const watch = new LevelWatch();
		const clipped = (at: number): ListenerEvent => ({ ...level(at, 0), clipped: true }) as ListenerEvent;
		watch.hear([clipped(1), strike(1.05), level(1.2, -3), level(3, -20)]);
		expect(watch.clipped).toBe(true);
		watch.hear([level(5.1, -40)]);
		expect(watch.clipped).toBe(false);
		watch.hear([strike(6), clipped(6.1), level(6.5, -10), strike(7), level(7.1, -10)]);
		expect(watch.clipped).toBe(false);
	});
});

describe('the lifetime of a sound', () => {
	/** Everything that was ever opened, and whether it has been closed. */
	const left = () => [...contexts.filter(({ closed }) => !closed), ...workers.filter(({ closed }) => !closed)].length;

	it('ends with all that was opened for it', () => {
		expect([listening.state, left()]).toEqual(['on', 2]);
		listening.stop();
		expect([listening.state, left()]).toEqual(['off', 0]);
	});

	it('ends while the microphone is still being opened, and what comes late is closed at once', async () => {
		listening.stop();
		let opened = (_: string) => {};
		let lifetime: AbortSignal | undefined;
		microphones.mockImplementation((_context, _input, _device, signal) => {
			lifetime = signal;
			return new Promise((resolve) => (opened = resolve));
		});
		const starting = listening.start();
		await vi.waitFor(() => expect(lifetime).toBeDefined());
		expect(listening.state).toBe('opening');
		listening.stop();
		expect(lifetime!.aborted).toBe(true);
		opened('one');
		await starting;
		expect([listening.state, listening.fault, left()]).toEqual(['off', undefined, 0]);
	});

	it('goes on with the source that was chosen while another was being opened', async () => {
		listening.stop();
		microphones.mockImplementationOnce(() => new Promise(() => {}));
		void listening.start();
		await vi.waitFor(() => expect(microphones).toHaveBeenCalledTimes(2));
		await listening.choose('simulated');
		expect([listening.state, listening.source, left()]).toEqual(['on', 'simulated', 2]);
	});

	it('knows what was said while it was being opened', async () => {
		listening.stop();
		let opened = (_: string) => {};
		microphones.mockImplementationOnce(() => new Promise((resolve) => (opened = resolve)));
		const starting = listening.start();
		await vi.waitFor(() => expect(microphones).toHaveBeenCalledTimes(2));
		listening.expect({ note: 60, pitch: hz(261.6) });
		listening.listenBy([]);
		opened('one');
		await starting;
		expect(worker().last('expect')).toEqual({ note: 60, pitch: 261.6 });
		expect(worker().last('listenBy')).toEqual([]);
	});

	it('leaves nothing open when it fails half way, and says what stands in the way', async () => {
		for (const [fault, said] of [
			[new SoundFailure('held by another'), 'held by another'],
			[new TypeError('no such node'), 'no sound']
		] as const) {
			listening.stop();
			microphones.mockRejectedValueOnce(fault);
			await listening.start().catch(() => {});
			expect([listening.state, listening.fault, left()]).toEqual(['off', said, 0]);
		}
		await listening.start();
		worker().fail(new Error('out of memory'));
		await vi.waitFor(() => expect(listening.fault).toBe('no sound'));
		expect([listening.state, left()]).toEqual(['off', 0]);
	});

	it('is over when the microphone goes away', () => {
		const onLost = microphones.mock.lastCall![4];
		onLost();
		expect([listening.state, listening.fault, left()]).toEqual(['off', 'lost', 0]);
	});
});

describe('a microphone while the page itself plays', () => {
	const reading = { note: 69, pitch: hz(440), struckAt: 2 } as StringReading;

	it('is not taken notice of, nor is what still sounds afterwards, until the next strike', () => {
		hear([strike(1)]);
		listening.ignoreWhile(true);
		hear([strike(2), level(2.1, -20)], [reading]);
		listening.ignoreWhile(false);
		hear([ended(3)]);
		hear([ended(4), strike(5), ended(6)], [reading]);
		expect(told).toEqual([strike(1), level(2.1, -20), strike(5), ended(6)]);
		expect(looked).toHaveLength(1);
	});

	it('hears all of it again after it was stopped in between', async () => {
		listening.ignoreWhile(true);
		listening.stop();
		await listening.start();
		hear([strike(1)]);
		expect(told).toEqual([strike(1)]);
	});
});

describe('the level', () => {
	it('of a strike is its loudest tenth of a second, told once it is over', () => {
		hear([strike(1), level(1.1, -34)]);
		expect(listening.levels.strikeLevel).toBeUndefined();
		hear([level(1.2, -28), level(1.4, -40), level(2, -3)]);
		expect(listening.levels.strikeLevel).toBe(-28);
	});

	it('of a muted microphone is said to be silent after four seconds, until something comes in', () => {
		hear([level(1, -119), level(4.9, -119)]);
		expect(listening.fault).toBeUndefined();
		hear([level(5.1, -119)]);
		expect(listening.fault).toBe('silent');
		hear([level(5.2, -60)]);
		expect(listening.fault).toBeUndefined();
	});
});

describe('the clock', () => {
	it('is corrected for the microphone that is open, from then on and the next time', async () => {
		expect(worker().last('correct')).toBe(48_000);
		listening.keepClock(1.5);
		expect(listening.clock).toBe(1.5);
		// A clock that hears sharp takes fewer samples a second than it says.
		expect(worker().last('correct')).toBeCloseTo(48_000 / 2 ** (1.5 / 1200), 6);
		listening.stop();
		expect(listening.clock).toBe(0);
		await listening.start();
		expect(listening.clock).toBe(1.5);
	});

	it('is measured while nothing else is listened to', async () => {
		const tone = { frequency: 440.1, error: 0.001, offset: cents(0.4), offsetError: cents(0.004) };
		vi.spyOn(worker(), 'run').mockImplementation(() => {
			hear([strike(1)]);
			return Promise.resolve(tone);
		});
		expect(await listening.reference(440, 8)).toEqual(tone);
		expect(told).toEqual([]);
	});

	it('gives up measuring when the microphone is stopped, and hears again afterwards', async () => {
		const heard = listening.reference(440, 8);
		listening.stop();
		expect(await heard).toBeUndefined();
		expect(await listening.reference(440, 8)).toBeUndefined();
		await listening.start();
		hear([strike(9)]);
		expect(told).toEqual([strike(9)]);
	});
});
