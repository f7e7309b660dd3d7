import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TEMPERAMENT_OCTAVE } from '../index';
import { lookByTelephone, TELEPHONE_NOTES, telephoneNotes } from './byTelephone';
import { sectionsOf } from './sections';
import { USUAL_NEAR_ENOUGH } from './tolerances';
import { USUAL_THRESHOLDS } from './verdict';

const near = { ...USUAL_NEAR_ENOUGH.home, ...USUAL_THRESHOLDS };
const body = { lowest: 21, highest: 108, breakNote: undefined };
const notes = telephoneNotes(21, 108);
const found = (levelOf: (note: number) => number, spread = 0.4) =>
	notes.map((note) => ({ note, level: levelOf(note), error: 0.1, spread, unison: 2, hasFalseBeat: false }));
const look = (levelOf: (note: number) => number, spread?: number) =>
	lookByTelephone(found(levelOf, spread), body, near, TEMPERAMENT_OCTAVE)!;

describe('notes that an owner plays', () => {
	it('are ten, each once, on the keyboard, and in every section of a piano', () => {
		expect(notes).toHaveLength(TELEPHONE_NOTES);
		for (const { from, to } of sectionsOf(21, 108, undefined))
			expect(notes.some((note) => note >= from && note <= to)).toBe(true);
		fc.assert(
			fc.property(fc.integer({ min: 21, max: 48 }), fc.integer({ min: 77, max: 108 }), (lowest, highest) => {
				const asked = telephoneNotes(lowest, highest);
				expect(new Set(asked).size).toBe(asked.length);
				expect(asked.length).toBe(TELEPHONE_NOTES);
				for (const note of asked) expect(note >= lowest && note <= highest).toBe(true);
			})
		);
	});
});

describe('a look by telephone', () => {
	it('tells level, worst unisons and what the instrument is likely to need', () => {
		const low = look(() => -14);
		expect(low.likely.kind).toBe('move');
		expect(low.state.level).toBeCloseTo(-14, 9);
		expect(low.perhaps).toEqual([]);
		const out = look((note) => (note === 72 ? 0.3 : 0.2), 3.5);
		expect(out.state.unisons).toHaveLength(notes.length);
	});

	it('says both where a limit lies within what it may be off by', () => {
		const edge = look(() => -near.tune + 0.05);
		expect([edge.likely.kind, ...edge.perhaps.map(({ kind }) => kind)].sort()).toEqual(['correct', 'tune']);
		const { likely, perhaps, error } = look(() => -near.tune - 3 * edge.error);
		expect([likely.kind, perhaps, error < 3]).toEqual(['correct', [], true]);
	});

	it('says nothing of nothing', () => {
		expect(lookByTelephone([], body, near, TEMPERAMENT_OCTAVE)).toBeUndefined();
	});
});
