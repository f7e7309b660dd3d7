import { describe, expect, it } from 'vitest';
import type { Act, PlannedRaise, Reading, VisitEvent } from '../record/happened';
import { reportOf } from '../record/report';
import { sounderId } from '../record/sounder';
import { learnFromTrial, trialNotes, triedNotes } from '../raise/trial';
import { couplingOf, NOTHING_LEARNED } from '../raise/learning';
import { equalHz, hzAbove } from '../units/pitch';
import { cents, hz } from '../units/quantity';
import type { PassEvent } from '../raise/pass';
import { eventsOfPasses, noteToReadAgain } from './raisePasses';

const target = (note: number) => equalHz(note, hz(440));

/** A visit told in words: what was planned, read and accepted, one after the other. */
function visit() {
	const events: VisitEvent[] = [];
	let counter = 0;
	const stamp = () => ({ id: `${++counter}`, device: 'd', counter, at: counter });
	const read = (note: number, off: number): Reading => {
		const reading = {
			...stamp(),
			...{ way: 'struck', sounders: [sounderId(note, 'middle')], source: 'simulated' },
			...{ pitch: hzAbove(target(note), cents(off)), target: target(note), deviation: off, listened: null }
		} as unknown as Reading;
		events.push(reading);
		return reading;
	};
	const accept = (reading: Reading, purpose: 'found' | 'raised' | 'set', pass = 1) =>
		events.push({
			...stamp(),
			...{ do: 'accept', sounders: reading.sounders, purpose, pass, reading: reading.id },
			...{ setTo: null, final: null, plan: null }
		} as Act);
	const plan = (pass: number | undefined) => {
		const raise: PlannedRaise | null =
			pass === undefined ? null : { school: 'coupled', order: 'bassFirst', cap: 30, pass };
		const version = { id: `p${counter}`, a4: 440, temperamentId: 't', tolerance: 1, curveId: null, lead: null, raise };
		events.push({ ...stamp(), do: 'plan', plan: version } as Act);
	};
	const passes = () => eventsOfPasses(reportOf(events), target);
	const told = (pass: number) =>
		(passes().get(pass) ?? []).map(({ kind, note, at }) => `${kind} ${note} ${at.toFixed(1)}`);
	return { events, read, accept, plan, passes, told };
}

describe('what happened in the passes of a raise', () => {
	it('is the first reading of each note, and what it was left at; not what was found, nor read while pins were turned', () => {
		const { read, accept, plan, told } = visit();
		accept(read(60, -31), 'found');
		plan(1);
		read(60, -33);
		read(60, -10);
		accept(read(60, 8), 'raised');
		read(61, -34);
		accept(read(61, 8.5), 'raised');
		read(60, 6);
		expect(told(1)).toEqual(['read 60 -33.0', 'set 60 8.0', 'read 61 -34.0', 'set 61 8.5', 'read 60 6.0']);
	});

	it('is told pass by pass, and ends with the raise', () => {
		const { read, accept, plan, told, passes } = visit();
		plan(1);
		accept(read(60, 9), 'raised', 1);
		plan(2);
		accept(read(60, 2), 'raised', 2);
		plan(undefined);
		accept(read(60, 0), 'set', 1);
		expect(told(1)).toEqual(['read 60 9.0', 'set 60 9.0']);
		expect(told(2)).toEqual(['read 60 2.0', 'set 60 2.0']);
		expect([...passes().keys()]).toEqual([1, 2]);
	});

	it('does not set a raised note as tuned', () => {
		const { read, accept, plan, events } = visit();
		plan(1);
		accept(read(60, 9), 'raised', 1);
		expect(reportOf(events).sounders.get(sounderId(60, 'middle'))?.left).toBeUndefined();
	});
});

describe('a trial raise', () => {
	it('takes one note an octave within any compass', () => {
		expect(trialNotes(21, 108)).toEqual([30, 42, 54, 66, 78, 90, 102]);
		expect(trialNotes(30, 53)).toEqual([30, 42]);
	});

	it('says what each string lost, also when some were not read again', () => {
		const { read, accept, plan, passes } = visit();
		plan(0);
		read(66, -31);
		accept(read(66, 0), 'raised', 0);
		read(78, -32);
		accept(read(78, 0.5), 'raised', 0);
		read(66, -3);
		const tried = triedNotes([66, 78, 90], passes().get(0) ?? []);
		const [first, second, third] = tried.map(({ before, raised, after }) =>
			[before, raised, after].map((each) => each?.toFixed(1))
		);
		expect(first).toEqual(['-31.0', '0.0', '-3.0']);
		expect(second).toEqual(['-32.0', '0.5', undefined]);
		expect(third).toEqual([undefined, undefined, undefined]);
		// It lost three of 31 cents where a usual one loses little less: the piano is thought to lose a little more.
		const known = learnFromTrial(NOTHING_LEARNED, tried, (note) => ({ note, strings: 3, row: 'plain' }));
		expect(Math.abs(couplingOf(known).setBack - 1)).toBeLessThan(0.5);
		expect(known.raises).toBe(0);
	});
});

describe('a note to be read again', () => {
	const set = (note: number): PassEvent => ({ kind: 'set', note, at: 0 });
	const upTo = (count: number) => Array.from({ length: count }, (_, i) => set(21 + i));

	it('comes at every eighth note, one that was set fourteen before it', () => {
		expect(noteToReadAgain(upTo(15))).toBeUndefined();
		expect(noteToReadAgain(upTo(16))).toBe(22);
		// Until it is read, or the next one is due.
		expect(noteToReadAgain(upTo(19))).toBe(22);
		expect(noteToReadAgain([...upTo(19), { kind: 'read', note: 22, at: -1 }])).toBeUndefined();
		expect(noteToReadAgain(upTo(24))).toBe(30);
	});
});
