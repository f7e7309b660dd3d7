import fc from 'fast-check';
import { describe, expect, expectTypeOf, it } from 'vitest';
import { noteName, parseNote } from './note';
import { centsBetween, equalHz, hzAbove, nearestNote } from './pitch';
import { beatsPerSecond, cents, hz, type Cents, type Hz } from './quantity';

const frequency = fc.double({ min: 8, max: 20_000, noNaN: true }).map(hz);
const offset = fc.double({ min: -4800, max: 4800, noNaN: true }).map(cents);

describe('pitch', () => {
	it('goes there and back: hzAbove and centsBetween', () => {
		// 1e-9 cent: double rounding of a logarithm of numbers near 1.
		fc.assert(fc.property(frequency, offset, (f, c) => Math.abs(centsBetween(f, hzAbove(f, c)) - c) < 1e-9));
	});

	it('knows the equal-tempered scale', () => {
		expect(equalHz(69, hz(440))).toBe(440);
		expect(equalHz(60, hz(440))).toBeCloseTo(261.6256, 4);
		expect(equalHz(21, hz(440))).toBe(27.5);
		// A semitone below 440 is the usual low pitch: 415.30 Hz.
		expect(equalHz(68, hz(440))).toBeCloseTo(415.305, 3);
	});

	it('finds the note again from any frequency within half a semitone', () => {
		fc.assert(
			fc.property(fc.integer({ min: 12, max: 108 }), fc.double({ min: -49, max: 49, noNaN: true }), (note, off) => {
				const found = nearestNote(hzAbove(equalHz(note, hz(442)), cents(off)), hz(442));
				return found.note === note && Math.abs(found.off - off) < 1e-9;
			})
		);
	});

	it('refuses what is not a quantity, by name and value', () => {
		expect(() => hz(0)).toThrow('0');
		expect(() => hz(Number.NaN)).toThrow('NaN');
		expect(() => cents(Infinity)).toThrow('Infinity');
		expect(() => beatsPerSecond(Number.NaN)).toThrow('NaN');
	});

	it('does not let units mix', () => {
		expectTypeOf<Cents>().not.toExtend<Hz>();
		expectTypeOf(equalHz).parameter(1).toEqualTypeOf<Hz>();
	});
});

describe('note names', () => {
	it('goes there and back over the whole range', () => {
		fc.assert(fc.property(fc.integer({ min: 12, max: 119 }), (note) => parseNote(noteName(note)) === note));
	});

	it('reads what people type and nothing else', () => {
		expect(parseNote(' f3 ')).toBe(53);
		expect(parseNote('Bb2')).toBe(46);
		expect(parseNote('A#2')).toBe(46);
		expect(parseNote('c#4')).toBe(61);
		for (const text of ['', 'H4', 'A', '4', 'C##4', 'C4x']) expect(parseNote(text)).toBeUndefined();
	});
});
