import {
	ALL_PARTIALS,
	cents,
	centsBetween,
	equalHz,
	hz,
	hzAbove,
	KEYBOARD,
	REGISTRATIONS,
	temperamentById,
	usualStringing,
	USUAL_ORDER,
	type Due,
	type Keyboard,
	type ListenerEvent,
	type StringReading,
	type Stringing,
	type PlannedOrder
} from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { planFor } from '$lib/tuning/plan';
import { tellsString } from '$lib/tuning/strings';
import type { Item } from '$lib/record/record';
import { Setting } from './setting.svelte';
import { VisitRecord } from '../visitRecord.svelte';

const plan = planFor({
	kind: 'upright',
	lowest: 21,
	highest: 108,
	a4: 440,
	temperament: temperamentById('equal'),
	measured: []
});
const ALL_TOGETHER = [{ to: 127, partial: ALL_PARTIALS, moment: 0.6 }];
const registrationNamed = (wanted: string) => REGISTRATIONS.find(({ id }) => id === wanted)!.choirs;
let sent: Item[];
let setting: Setting<Keyboard>;
let dues: (Due | undefined)[];
let record: VisitRecord;
const kept = () => sent.map((item) => (item.kind === 'act' ? item.act : item.kind === 'reading' ? item.reading : item));
const readings = () => sent.flatMap((item) => (item.kind === 'reading' ? item.reading : []));
const acts = () => sent.flatMap((item) => (item.kind === 'act' ? item.act : []));

beforeEach(() => {
	vi.useFakeTimers();
	sent = [];
	dues = [];
	let counter = 0;
	record = new VisitRecord('visit', [], {
		stamp: () => ({ id: `${++counter}`, device: 'device', counter, at: counter }),
		add: async (_, made) => void sent.push(...made.map(({ item }) => item as Item)),
		placed: (_, at) => at
	});
	setting = settingBy();
});
const UPRIGHT = usualStringing('upright', 21, 108);
/** The same work in another order, or on other strings. */
const settingBy = (order?: PlannedOrder, touch?: ReadonlyMap<number, number>, stringing: Stringing = UPRIGHT) =>
	new Setting({
		family: KEYBOARD,
		body: { lowest: 21, highest: 108, stringing },
		record,
		plan,
		tolerance: cents(1),
		habits: () => ALL_TOGETHER,
		source: () => 'microphone',
		onDue: (due) => dues.push(due),
		unisonLimit: () => 0.5,
		order,
		touch
	});
afterEach(() => {
	setting.stop();
	vi.useRealTimers();
});

let clock = 0;
const pitchOf = (note: number, off: number) => hzAbove(equalHz(note, hz(440)), cents(off));
const struck = (): ListenerEvent => ({ kind: 'strike', at: ++clock });
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
		flexiblePitch: pitchOf(note, off - 0.5),
		inharmonicity: 4e-4,
		inharmonicityError: 1e-6,
		partials: []
	} satisfies StringReading
});
const strike = (note: number, off: number) =>
	setting.hear([struck(), settling(note, off), reading(note, off), ended()]);

describe('a string that is set', () => {
	it('is read, raised, struck again and accepted when it holds; the next note comes by itself', () => {
		expect(setting.step.note).toBe(69);
		strike(69, -5);
		expect(setting.strikes.advice).toBe('raise');
		expect(setting.strikes.now).toBeCloseTo(-5, 6);
		strike(69, 0.3);
		expect(setting.strikes.advice).toBe('strike again');
		strike(69, 0.2);
		expect(setting.strikes.advice).toBe('holds');
		// Three strikes, three readings; the last is taken as it stands, and stored no second time.
		expect(readings()).toHaveLength(3);
		expect(acts()).toMatchObject([
			{ do: 'accept', purpose: 'set', reading: readings()[2].id, sounders: ['69/middle'] }
		]);
		expect(setting.isSet(69)).toBe(true);
		vi.advanceTimersByTime(2000);
		expect(setting.step.note).toBe(57);
		expect(setting.strikes.shown).toEqual([]);
	});

	it('stores everything measured, against the target of the plan', () => {
		strike(69, -5);
		const [stored] = readings();
		expect(stored).toMatchObject({
			sounders: ['69/middle'],
			source: 'microphone',
			target: 440,
			inharmonicity: 4e-4,
			moment: 0.6
		});
		expect(stored.deviation).toBeCloseTo(-5, 6);
		expect(centsBetween(hz(440), hz(stored.pitch))).toBeCloseTo(-5, 6);
		expect(setting.summary.notes.get(69)).toMatchObject({ found: expect.closeTo(-5, 6), set: false });
	});
});

describe('another key than the due one', () => {
	it('becomes due when it is struck twice, and gives way again to the one before', () => {
		strike(72, 0);
		expect(setting.step.note).toBe(69);
		expect(setting.notice).toMatchObject({ text: 'That was C5; A4 is due.', heard: 72 });
		strike(72, 0);
		expect(setting.step.note).toBe(72);
		expect(setting.notice?.text).toContain('struck twice');
		setting.previous();
		expect(setting.step.note).toBe(69);
	});

	it('stays a test where it belongs to the step, however often it is struck', () => {
		setting.next();
		expect(setting.step).toMatchObject({ note: 57, against: 69 });
		for (let i = 0; i < 4; i++) strike(69, 0);
		expect(setting.step.note).toBe(57);
	});

	it('is struck twice in a row, and the due one not between', () => {
		strike(72, 0);
		strike(69, -5);
		strike(72, 0);
		expect(setting.step.note).toBe(69);
	});

	it('changes nothing while the due one is locked', () => {
		setting.others.isLocked = true;
		strike(72, 0);
		strike(72, 0);
		expect(setting.step.note).toBe(69);
	});
});

describe('a note to touch', () => {
	beforeEach(() => {
		setting.stop();
		setting = settingBy(
			undefined,
			new Map([
				[60, 0],
				[64, 0]
			])
		);
	});

	it('is left when its first strike lies within the tolerance', () => {
		const due = setting.step.note;
		strike(due, 0.8);
		expect(setting.isSet(due)).toBe(true);
		expect(setting.notice?.text).toContain('stands within 1 cent: it is left');
		vi.advanceTimersByTime(2000);
		expect(setting.step.note).not.toBe(due);
	});

	it('is set like any other when it lies outside', () => {
		const due = setting.step.note;
		strike(due, 1.4);
		expect(setting.isSet(due)).toBe(false);
		strike(due, 0.8);
		expect(setting.isSet(due)).toBe(false);
		expect(setting.strikes.advice).toBe('lower');
	});

	it('waits for the look at its strings when several sound', () => {
		const due = setting.step.note;
		setting.leaveOpen(setting.choices.find(({ sounders }) => sounders.length > 1)!);
		strike(due, 0.2);
		expect(setting.isSet(due)).toBe(false);
		setting.hearUnison(due, { partials: [], spread: undefined, unresolved: cents(0.2) } as never);
		expect(setting.isSet(due)).toBe(true);
	});
});

describe('a unison to touch', () => {
	it('is taken once, when its strings lie together', () => {
		setting.stop();
		const order = { ...USUAL_ORDER, unisons: 'asOneGoes' as const };
		setting = settingBy(order, new Map([[60, 0]]));
		strike(60, 0.2);
		vi.advanceTimersByTime(2000);
		expect(setting.step.unison).toBe(true);
		setting.leaveOpen(setting.choices.at(-1)!);
		const before = acts().filter((act) => act.do === 'accept').length;
		strike(60, 0.1);
		setting.hearUnison(60, { partials: [], spread: undefined, unresolved: cents(0.2) } as never);
		expect(acts().filter((act) => act.do === 'accept')).toHaveLength(before + 1);
	});
});

describe('a register of its own octave', () => {
	const stringing = { ...usualStringing('harpsichord', 21, 108), choirs: registrationNamed('three') };
	const order = { ...USUAL_ORDER, unisons: 'asOneGoes' as const };
	const leave = (note: number) => {
		for (let strikes = 0; strikes < 3 && setting.step.note === note; strikes++) strike(note, 0.1);
		vi.advanceTimersByTime(2000);
	};

	it('is due an octave up, after the others are brought together; the record counts from its key', () => {
		setting = settingBy(order, undefined, stringing);
		expect(dues.at(-1)).toMatchObject({ note: 69 });
		leave(69);
		expect(setting.step).toMatchObject({ note: 69, unison: true, register: 'upper' });
		for (let strikes = 0; strikes < 2; strikes++) strike(69, 0.1);
		vi.advanceTimersByTime(2000);
		expect(setting.open.id).toBe('open');
		strike(69, 0.1);
		setting.hearUnison(69, { partials: [], spread: undefined, unresolved: cents(0.2) } as never);
		vi.advanceTimersByTime(2000);
		expect(setting.step).toMatchObject({ note: 69, register: 'four' });
		expect(setting.open.id).toBe('four');
		expect(dues.at(-1)!.note).toBe(81);
		expect(dues.at(-1)!.pitch).toBeCloseTo(880, 6);
		// An eight-foot that is still drawn is none of it.
		const before = readings().length;
		strike(69, 0.1);
		expect(readings()).toHaveLength(before);
		expect(setting.notice?.text).toBe('A4 sounded at its own pitch: draw the 4′ alone.');
		strike(81, -3);
		expect(setting.strikes.advice).toBe('raise');
		const told = readings().at(-1)!;
		expect(told).toMatchObject({ sounders: ['69/four'], target: 440 });
		expect(told.deviation).toBeCloseTo(-3, 6);
		for (let strikes = 0; strikes < 3 && setting.step.note === 69; strikes++) strike(81, 0.1);
		vi.advanceTimersByTime(2000);
		expect(setting.isDone({ ...order, note: 69, unison: true, register: 'four' } as never)).toBe(true);
		expect(setting.step.note).not.toBe(69);
		expect(dues.at(-1)!.note).toBe(setting.step.note);
		// What it was left at stands beside the eight-foot's, not an octave away.
		expect(Math.abs(setting.summary.notes.get(69)!.left!)).toBeLessThan(0.2);
		const left = record.groups.get(69)!.left!;
		expect(left.figure!.pitch).toBeCloseTo(440 * 2 ** (0.1 / 1200), 3);
		expect(record.report.events.get(left.figure!.id)).toMatchObject({ pitch: expect.closeTo(880, 0) });
		expect(tellsString({ sounders: told.sounders, inharmonicity: 4e-4, inharmonicityError: 1e-6 } as never)).toBe(
			false
		);
	});
});

describe('a string that is set by ear', () => {
	it('is taken by nobody but whoever hears it, however well it stands', () => {
		setting = settingBy({ ...USUAL_ORDER, byEar: 'all' });
		for (let strikes = 0; strikes < 4; strikes++) strike(69, 0.1);
		expect(setting.strikes.advice).toBe('holds');
		vi.advanceTimersByTime(5000);
		expect([setting.step.note, acts()]).toEqual([69, []]);
		setting.keep();
		expect(acts()).toMatchObject([{ do: 'accept', reading: readings()[3].id }]);
		expect(setting.step.note).toBe(57);
	});
});

describe('a strike that may have been of two keys', () => {
	const unsure = (note: number, off: number, or: number): ListenerEvent => ({
		...(reading(note, off) as Extract<ListenerEvent, { kind: 'reading' }>),
		or
	});

	it('is kept by nobody until somebody says which it was', () => {
		setting.hear([struck(), unsure(69, -60, 68), ended()]);
		expect(setting.asked?.notes).toEqual([69, 68]);
		expect(readings()).toEqual([]);
		setting.answer(69);
		expect(readings()).toHaveLength(1);
		expect(setting.strikes.advice).toBe('raise');
		expect(setting.asked).toBeUndefined();
	});

	it('is told as the other key, and forgotten at the next strike', () => {
		setting.hear([struck(), settling(69, -60), unsure(69, -60, 68), ended()]);
		setting.answer(68);
		expect(setting.notice?.text).toBe('That was G♯4; A4 is due.');
		expect(setting.strikes.shown).toEqual([]);
		setting.hear([struck(), unsure(69, -60, 68), struck()]);
		expect(setting.asked).toBeUndefined();
		expect(readings()).toEqual([]);
	});

	it('is the due one when that is kept', () => {
		setting.hear([struck(), settling(69, -60), unsure(69, -60, 68), ended()]);
		setting.keep();
		expect(readings()).toHaveLength(1);
		expect(acts()).toMatchObject([{ do: 'accept', reading: readings()[0].id }]);
		expect(setting.step.note).toBe(57);
	});

	it('tells whoever listens where the notes stand, once one has been read', () => {
		strike(69, -40);
		const about = dues.at(-1)?.about ?? [];
		expect(about.map(({ note }) => note)).toEqual([66, 67, 68, 69, 70, 71, 72]);
		const own = about.find(({ note }) => note === 69)!;
		expect(centsBetween(hz(440), own.low)).toBeCloseTo(-50, 0);
		expect(centsBetween(hz(440), own.high)).toBeCloseTo(10, 0);
	});
});

describe('keeping a note as it stands', () => {
	it('takes the last figure', () => {
		strike(69, -2);
		setting.keep();
		expect(readings()).toHaveLength(1);
		expect(acts()).toMatchObject([{ do: 'accept', reading: readings()[0].id }]);
		expect(setting.step.note).toBe(57);
	});

	it('waits for the figure of a strike that still sounds', () => {
		setting.hear([struck(), settling(69, -2)]);
		setting.keep();
		expect(kept()).toEqual([]);
		setting.hear([reading(69, -2.1)]);
		expect(readings()).toHaveLength(1);
		expect(acts()).toMatchObject([{ do: 'accept', reading: readings()[0].id }]);
		expect(setting.step.note).toBe(57);
	});

	it('is by ear when nothing was read', () => {
		setting.keep();
		expect(readings()).toEqual([]);
		expect(acts()).toMatchObject([{ do: 'accept', reading: null, setTo: 440 }]);
		expect(setting.isSet(69)).toBe(true);
	});
});

describe('what is not the due note', () => {
	it('is named and not stored; one can go to it', () => {
		strike(70, 0);
		expect(setting.notice).toEqual({ text: 'That was B♭4; A4 is due.', heard: 70 });
		expect(kept()).toEqual([]);
		setting.goTo(70);
		expect(setting.step.note).toBe(70);
		strike(70, 1.5);
		expect(readings()).toHaveLength(1);
	});

	it.each(['no note', 'two notes', 'unsteady', 'steady tone'] as const)('says what to do about: %s', (why) => {
		setting.hear([struck(), { kind: 'refused', at: clock, why }]);
		expect(setting.notice?.text).toMatch(/\. (Strike|Mute|Wait)/);
		expect(kept()).toEqual([]);
	});
});

describe('several strings open', () => {
	it('are one reading of all of them, and taken together', () => {
		setting.leaveOpen(setting.choices.at(-1)!);
		strike(69, 0.2);
		setting.keep();
		const all = ['69/middle', '69/left', '69/right'];
		expect(kept()).toMatchObject([{ sounders: all }, { do: 'accept', sounders: all, reading: readings()[0].id }]);
		expect([...record.report.sounders.values()].every(({ left }) => left?.figure)).toBe(true);
	});
});
