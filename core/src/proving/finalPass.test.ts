import { describe, expect, it } from 'vitest';
import { finalWalk, standsOut } from './finalPass';

const notes = Array.from({ length: 88 }, (_, i) => 21 + i);
const stringsAt = (note: number) => (note < 30 ? 1 : note < 45 ? 2 : 3);

describe('the final pass', () => {
	it('goes over every unison, octave and double octave once, from the bottom to the top', () => {
		const unisons = finalWalk('unisons', notes, stringsAt);
		expect(unisons).toHaveLength(79);
		expect(unisons[0]).toEqual({ note: 30 });
		const octaves = finalWalk('octaves', notes, stringsAt);
		expect(octaves).toHaveLength(76);
		expect(octaves[0]).toMatchObject({ lower: 21, upper: 33, kind: { lowerPartial: 10, upperPartial: 5 } });
		expect(octaves.at(-1)).toMatchObject({ lower: 96, upper: 108, kind: { lowerPartial: 2, upperPartial: 1 } });
		expect(finalWalk('doubleOctaves', notes, stringsAt)).toHaveLength(64);
		expect(finalWalk('chords', notes, stringsAt)).toHaveLength(24);
		const few = finalWalk('chords', [60, 62, 64, 67], stringsAt);
		expect(few).toMatchObject([{ chord: { notes: [60, 64, 67] } }]);
	});

	it('has nothing to go over where a keyboard is short, or has one string a note', () => {
		expect(finalWalk('doubleOctaves', [60, 61, 62], stringsAt)).toEqual([]);
		expect(finalWalk('unisons', notes, () => 1)).toEqual([]);
	});

	it('says what stands out, and nothing that its error hides', () => {
		expect(standsOut(1.2, 0.1, 0.5)).toBe(true);
		expect(standsOut(1.2, 0.4, 0.5)).toBe(false);
		expect(standsOut(0.8, 0.01, 0.5)).toBe(false);
		expect(standsOut(-0.3, 0.05, 0.3)).toBe(true);
	});
});
