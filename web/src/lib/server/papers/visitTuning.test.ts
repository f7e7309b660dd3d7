import MidiPackage from '@tonejs/midi';
import { equalHz, hz } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { tuningFile, tuningKeys } from './visitTuning';

const A440 = hz(440);
const left = (notes: readonly number[], cents: (note: number) => number) =>
	new Map(notes.map((note) => [note, equalHz(note, A440) * 2 ** (cents(note) / 1200)]));
const run = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

describe('a visit as MIDI tunes a keyboard', () => {
	it('has each key where its note was left, and what lies between where its neighbours were', () => {
		const keys = tuningKeys(
			left(
				run(40, 80).filter((note) => note % 2 === 0),
				(note) => note - 60
			)
		)!;
		expect(keys).toHaveLength(128);
		for (const note of run(40, 80)) expect(keys[note]).toBeCloseTo(note + (note - 60) / 100, 9);
		// Beyond the ends as at the ends.
		expect(keys[0]).toBeCloseTo(-0.2, 9);
		expect(keys[127]).toBeCloseTo(127.2, 9);
		expect(tuningKeys(left(run(60, 70), () => 0))).toBeUndefined();
	});

	it('is a bulk dump of 408 bytes, and a file that a MIDI parser reads', () => {
		const keys = tuningKeys(left(run(21, 108), () => -3))!;
		const bulk = tuningFile(keys, 'Room 12', 'bulk');
		expect(bulk).toHaveLength(408);
		// Key 69: a semitone below, and 0.97 of one more, in 16384ths.
		const at = 22 + 3 * 69;
		expect(bulk[at]).toBe(68);
		expect((bulk[at + 1] * 128 + bulk[at + 2]) / 16384).toBeCloseTo(0.97, 3);
		expect(() => new MidiPackage.Midi(tuningFile(keys, 'Room 12', 'file'))).not.toThrow();
	});
});
