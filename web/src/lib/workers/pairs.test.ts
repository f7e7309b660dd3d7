import {
	equalHz,
	hz,
	renderStrike,
	stringFromFirstPartial,
	typicalInharmonicity,
	type KeptPair,
	type ChordWord,
	type PairWord
} from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { inProcess } from '$lib/tests/inProcess';
import type { PairTasks } from './pairs';
import { pairJobs } from './pairs.jobs';

const RATE = 12_000;
const LOWEST = 48;
const notes = Array.from({ length: 25 }, (_, i) => LOWEST + i);
const string = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));
const keyboard = {
	...{ lowest: LOWEST, highest: LOWEST + 24, a4: 440, counts: notes.map(() => 1) },
	strings: notes.map((note) => ({ ...string(note) }))
};
const strike = (note: number) =>
	renderStrike({ note, strings: [string(note)], sampleRate: RATE, seconds: 1.4, strength: 0.7, seed: note });
function kept(struckAt: number, ...struck: readonly number[]): KeptPair {
	const sounds = struck.map(strike);
	const samples = sounds[0].map((_, i) => sounds.reduce((sum, sound) => sum + sound[i], 0));
	return { struckAt, lastStruckAt: struckAt, samples, sampleRate: RATE, isFinal: false };
}

describe('the worker that hears two keys', () => {
	let worker: ReturnType<typeof inProcess<PairTasks>>;
	let listener: MessagePort;
	let port: MessagePort;
	let words: (PairWord | ChordWord)[];
	const stop = new AbortController();
	beforeEach(() => {
		const { port1, port2 } = new MessageChannel();
		[listener, port] = [port1, port2];
		words = [];
		const jobs = pairJobs();
		void jobs.hear(port, { signal: stop.signal, tell: (word) => words.push(word), pause: async () => {} });
		worker = inProcess(jobs);
	});
	afterEach(() => {
		listener.close();
		port.close();
	});

	it('tells which they were, and of sounds that wait only the newest', async () => {
		await worker.run('ask', { keyboard, asked: [], chords: false });
		listener.postMessage(kept(1, 53, 57));
		listener.postMessage(kept(2, 55, 59));
		await expect.poll(() => words.at(-1)?.struckAt, { timeout: 10_000 }).toBe(2);
		expect(words.length).toBeLessThanOrEqual(2);
		expect(words.at(-1)).toMatchObject({ kind: 'heard', keys: { lower: 55, upper: 59 }, isAsked: false });
		// What is asked for changes what it is told by.
		await worker.run('ask', { keyboard, asked: [{ lower: 53, upper: 57, meetings: [[5, 4]] }], chords: false });

		listener.postMessage(kept(3, 53, 57));
		await expect.poll(() => words.at(-1)?.struckAt, { timeout: 10_000 }).toBe(3);
		expect(words.at(-1)).toMatchObject({ kind: 'heard', isAsked: true });
	});

	it('tells which chord it was where chords are played', async () => {
		await worker.run('ask', { keyboard, asked: [], chords: true });
		listener.postMessage(kept(1, 53, 57, 60));
		await expect.poll(() => words.length, { timeout: 10_000 }).toBe(1);
		expect(words[0]).toMatchObject({ kind: 'chord', chord: { root: 5, kind: 'major', notes: [53, 57, 60] } });
	});
});
