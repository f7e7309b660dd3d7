import { centsBetween, equalHz, hz, partialHz, stringFromFirstPartial } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { PIECES, pieceOf } from './pieces';
import { twinAction } from './twinKeys';
import { inState, plannedState, readStates } from './twinState';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), 4e-4);
const read = (off: number, notes: readonly number[]) =>
	notes.map((note) => ({ note, pitch: equalHz(note, hz(440)) * 2 ** (off / 1200) }));

describe('states of a twin', () => {
	const visit = { id: 'v', at: new Date('2026-05-03T09:00:00Z') };

	it('are how it was left and found, where enough was read', () => {
		const states = readStates(
			[
				{ ...visit, found: read(-12, [40, 50, 60, 70, 80]), left: read(0, [60, 60, 60]) },
				{ ...visit, id: 'w', found: [], left: read(1, [40, 50, 60, 70, 80]) }
			],
			strings
		);
		expect(states.map(({ id, name }) => [id, name])).toEqual([
			['found v', 'as found on 3 May 2026'],
			['left w', 'as left on 3 May 2026']
		]);
		const [chord] = inState(states[0], [{ at: 0, seconds: 1, notes: [60, 64] }]);
		for (const { note, string } of chord.voices)
			expect(centsBetween(partialHz(strings(note), 1), partialHz(string, 1))).toBeCloseTo(-12, 6);
	});

	it('play every passage in every key on the planned strings', () => {
		const planned = plannedState('Equal', strings);
		for (const { chords } of PIECES)
			for (let key = 0; key < 12; key++)
				for (const { voices } of inState(planned, chords(key))) expect(voices.length).toBeGreaterThan(0);
		const [cadence] = PIECES;
		// Roots above F lie below: G is five semitones down.
		expect(cadence.chords(7)[0].notes).toEqual(cadence.chords(0)[0].notes.map((note) => note - 5));
	});
});

describe('a piece from a file', () => {
	const compass = { lowest: 29, highest: 89 };
	const note = (note: number, at: number) => ({ note, at, seconds: 0.5 });

	it('begins with its first note, and says what it leaves out', () => {
		expect(
			pieceOf('a.mid', [note(100, 0), note(60, 2), note(64, 3), note(67, 5), note(67, 100)], compass)
		).toMatchObject({
			left: '1 note beyond its keyboard is left out; its first 3 seconds are heard'
		});
		expect(pieceOf('a.mid', [note(60, 2), note(64, 3)], compass)!.chords(0)).toEqual([
			{ at: 0, seconds: 0.5, notes: [60] },
			{ at: 1, seconds: 0.5, notes: [64] }
		]);
		expect(pieceOf('a.mid', [note(10, 0)], compass)).toBeUndefined();
	});
});

describe('keys of the computer', () => {
	it('are a keyboard from C, and leave what is typed alone', () => {
		const key = (name: string, of: object = {}) => ({
			...{ key: name, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, target: null },
			...of
		});
		expect(['a', 'w', 'S', 'k', 'p', 'z', 'ArrowLeft', ' '].map((name) => twinAction(key(name)))).toEqual([
			...[0, 1, 2, 12, 15].map((up) => ({ do: 'note', up })),
			undefined,
			{ do: 'octave', by: -1 },
			{ do: 'switch' }
		]);
		expect(twinAction(key('a', { ctrlKey: true }))).toBeUndefined();
	});
});
