import { cents, defaultTwin, USUAL_HABITS, type KeptStrike, type ListenerEvent } from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Ear } from './ear';
import { Listening } from './listening.svelte';

const ear = {
	context: { sampleRate: 48_000 },
	input: {},
	expect: vi.fn(),
	attend: vi.fn(),
	correct: vi.fn(),
	reference: vi.fn(),
	close: vi.fn()
};
let hear: (events: ListenerEvent[], strikes?: KeptStrike[]) => void;
vi.mock('./ear', () => ({
	Ear: {
		open: vi.fn((_clock: unknown, _setup: unknown, onHeard: typeof hear) => {
			hear = (events, strikes = []) => onHeard(events, strikes);
			return Promise.resolve(ear as unknown as Ear);
		})
	}
}));
vi.mock('./microphone', () => ({
	MicrophoneFault: class extends Error {},
	openMicrophone: vi.fn(() => Promise.resolve({ label: 'A microphone', deviceId: 'one', stop: vi.fn() }))
}));
vi.mock('./simulated', () => ({ SimulatedInstrument: class {} }));
vi.mock('./soundClock', () => ({ cardClock: () => ({}), pacedClock: () => ({}) }));

const kept = new Map<string, string>();
let told: ListenerEvent[];
let listening: Listening;
beforeEach(async () => {
	vi.clearAllMocks();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => kept.set(key, value),
		removeItem: (key: string) => kept.delete(key)
	});
	told = [];
	listening = new Listening({
		setup: { lowest: 21, highest: 108, a4: 440, inharmonicity: [] },
		habits: USUAL_HABITS,
		twin: defaultTwin('upright', 21, 108, 1, 440),
		countOf: () => 3,
		moved: {},
		onMoved: () => {},
		onEvents: (events) => told.push(...events),
		onStrike: () => {}
	});
	await listening.choose('microphone', 'one');
	await listening.start();
});
afterEach(() => {
	kept.clear();
	vi.unstubAllGlobals();
});

const strike = (at: number): ListenerEvent => ({ kind: 'strike', at });
const ended = (at: number): ListenerEvent => ({ kind: 'ended', at });
const level = (at: number, db: number): ListenerEvent => ({
	kind: 'level',
	at,
	level: db,
	noise: -70,
	clipped: false,
	hum: undefined
});

describe('a microphone while the page itself plays', () => {
	it('is not taken notice of, nor is what still sounds afterwards, until the next strike', () => {
		hear([strike(1)]);
		listening.hush(true);
		hear([strike(2), level(2.1, -20)]);
		listening.hush(false);
		hear([ended(3)]);
		hear([ended(4), strike(5), ended(6)]);
		expect(told).toEqual([strike(1), level(2.1, -20), strike(5), ended(6)]);
	});

	it('hears all of it again after it was stopped in between', async () => {
		listening.hush(true);
		await listening.stop();
		await listening.start();
		hear([strike(1)]);
		expect(told).toEqual([strike(1)]);
	});
});

describe('the level of a strike', () => {
	it('is its loudest tenth of a second, told once it is over', () => {
		hear([strike(1), level(1.1, -34)]);
		expect(listening.strikeLevel).toBeUndefined();
		hear([level(1.2, -28), level(1.4, -40), level(2, -3)]);
		expect(listening.strikeLevel).toBe(-28);
	});
});

describe('the clock', () => {
	it('is corrected for the microphone that is open, from then on and the next time', async () => {
		expect(ear.correct).toHaveBeenLastCalledWith(48_000);
		listening.keepClock(1.5);
		expect(listening.clock).toBe(1.5);
		// A clock that hears sharp takes fewer samples a second than it says.
		expect(ear.correct.mock.lastCall![0]).toBeCloseTo(48_000 / 2 ** (1.5 / 1200), 6);
		await listening.stop();
		expect(listening.clock).toBe(0);
		await listening.start();
		expect(listening.clock).toBe(1.5);
	});

	it('is measured while nothing else is listened to', async () => {
		const tone = { frequency: 440.1, error: 0.001, offset: cents(0.4), offsetError: cents(0.004) };
		ear.reference.mockImplementation(() => {
			hear([strike(1)]);
			return Promise.resolve(tone);
		});
		expect(await listening.reference(440, 8)).toEqual(tone);
		expect(told).toEqual([]);
	});

	it('gives up measuring when the microphone is stopped, and hears again afterwards', async () => {
		ear.reference.mockReturnValue(new Promise(() => {}));
		const heard = listening.reference(440, 8);
		await listening.stop();
		expect(await heard).toBeUndefined();
		expect(await listening.reference(440, 8)).toBeUndefined();
		await listening.start();
		hear([strike(9)]);
		expect(told).toEqual([strike(9)]);
	});
});
