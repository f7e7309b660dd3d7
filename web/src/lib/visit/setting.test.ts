import {
	ALL_PARTIALS,
	cents,
	centsBetween,
	defaultTwin,
	equalHz,
	hz,
	hzAbove,
	temperamentById,
	type ListenerEvent,
	type StringReading
} from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { planFor } from '$lib/tuning/plan';
import type { Reading } from './schema';
import { Setting } from './setting.svelte';

const plan = planFor({
	kind: 'upright',
	lowest: 21,
	highest: 108,
	a4: 440,
	temperament: temperamentById('equal'),
	measured: []
});
const ALL_TOGETHER = [{ to: 127, partial: ALL_PARTIALS, moment: 0.6 }];
let stored: Reading[];
let setting: Setting;

beforeEach(() => {
	vi.useFakeTimers();
	stored = [];
	setting = new Setting({
		twin: defaultTwin('upright', 21, 108, 1, 440),
		lowest: 21,
		highest: 108,
		plan,
		tolerance: cents(1),
		readings: [],
		currentNote: null,
		habits: () => ALL_TOGETHER,
		source: () => 'microphone',
		onReading: (reading) => stored.push(reading),
		onDue: () => {}
	});
});
afterEach(() => {
	setting.stop();
	vi.useRealTimers();
});

let clock = 0;
const pitchOf = (note: number, off: number) => hzAbove(equalHz(note, hz(440)), cents(off));
const blow = (): ListenerEvent => ({ kind: 'blow', at: ++clock });
const settling = (note: number, off: number): ListenerEvent => ({
	kind: 'settling',
	at: clock,
	since: 0.2,
	note,
	pitch: pitchOf(note, off),
	error: cents(0.02),
	listened: undefined
});
const ended = (): ListenerEvent => ({ kind: 'ended', at: clock });
const reading = (note: number, off: number): ListenerEvent => ({
	kind: 'reading',
	at: clock,
	reading: {
		note,
		struckAt: clock,
		moment: 0.6,
		pitch: pitchOf(note, off),
		pitchError: cents(0.02),
		fundamental: pitchOf(note, off - 0.5),
		inharmonicity: 4e-4,
		inharmonicityError: 1e-6,
		partials: []
	} satisfies StringReading
});
const strike = (note: number, off: number) => setting.hear([blow(), settling(note, off), reading(note, off), ended()]);

describe('a string that is set', () => {
	it('is read, raised, struck again and accepted when it holds; the next note comes by itself', () => {
		expect(setting.step.note).toBe(69);
		strike(69, -5);
		expect(setting.advice).toBe('raise');
		expect(setting.now).toBeCloseTo(-5, 6);
		strike(69, 0.3);
		expect(setting.advice).toBe('strike again');
		strike(69, 0.2);
		expect(setting.advice).toBe('holds');
		expect(stored.map(({ accepted }) => accepted)).toEqual([false, false, true]);
		expect(setting.isSet(69)).toBe(true);
		vi.advanceTimersByTime(2000);
		expect(setting.step.note).toBe(57);
		expect(setting.blows).toEqual([]);
	});

	it('stores everything measured, against the target of the plan', () => {
		strike(69, -5);
		expect(stored[0]).toMatchObject({
			note: 69,
			string: 'middle',
			source: 'microphone',
			target: 440,
			inharmonicity: 4e-4,
			moment: 0.6
		});
		expect(stored[0].deviation).toBeCloseTo(-5, 6);
		expect(centsBetween(hz(440), hz(stored[0].pitch!))).toBeCloseTo(-5, 6);
		expect(new Set(stored.map(({ id }) => id)).size).toBe(stored.length);
	});
});

describe('keeping a note as it stands', () => {
	it('takes the last figure', () => {
		strike(69, -2);
		setting.keep();
		expect(stored.at(-1)).toMatchObject({ accepted: true, source: 'microphone' });
		expect(setting.step.note).toBe(57);
	});

	it('waits for the figure of a blow that still sounds', () => {
		setting.hear([blow(), settling(69, -2)]);
		setting.keep();
		expect(stored).toEqual([]);
		setting.hear([reading(69, -2.1)]);
		expect(stored).toHaveLength(1);
		expect(stored[0]).toMatchObject({ accepted: true, source: 'microphone' });
		expect(setting.step.note).toBe(57);
	});

	it('is by ear when nothing was read', () => {
		setting.keep();
		expect(stored[0]).toMatchObject({ accepted: true, source: 'ear', pitch: null, deviation: null });
		expect(setting.isSet(69)).toBe(true);
	});
});

describe('what is not the due note', () => {
	it('is named and not stored; one can go to it', () => {
		strike(70, 0);
		expect(setting.notice).toEqual({ text: 'That was B♭4; A4 is due.', heard: 70 });
		expect(stored).toEqual([]);
		setting.goTo(70);
		expect(setting.step.note).toBe(70);
		strike(70, 1.5);
		expect(stored).toHaveLength(1);
	});

	it.each(['no note', 'two notes', 'unsteady'] as const)('says what to do about: %s', (why) => {
		setting.hear([blow(), { kind: 'refused', at: clock, why }]);
		expect(setting.notice?.text).toMatch(/\. (Strike|Mute|Wait)/);
		expect(stored).toEqual([]);
	});
});

describe('what was kept from before a reload', () => {
	it('is taken in once', () => {
		strike(69, -1.5);
		const before = setting.readings;
		setting.restore(before);
		expect(setting.readings).toHaveLength(before.length);
	});
});
