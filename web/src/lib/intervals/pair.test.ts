import { describe, expect, it } from 'vitest';
import { parsePair } from './pair';

describe('two notes as people type them', () => {
	it('are read with blank, comma or dash, in either order', () => {
		for (const text of ['F3 A3', 'f3-a3', ' a3,  F3 ', 'F3–A3', 'F3; A3'])
			expect(parsePair(text, 21, 108)).toEqual({ value: { lower: 53, upper: 57 } });
		expect(parsePair('Bb2 c#4', 21, 108)).toEqual({ value: { lower: 46, upper: 61 } });
	});

	it('are refused with the reason', () => {
		const why = (text: string) => (parsePair(text, 29, 89) as { problem: string }).problem;
		expect(why('F3')).toContain('Write two notes');
		expect(why('F3 A3 C4')).toContain('Write two notes');
		expect(why('F3 H3')).toContain('“H3” is not a note');
		expect(why('A0 A3')).toBe('A0 lies outside this instrument, which goes from F1 to F6.');
		expect(why('F3 F3')).toContain('same');
		expect(why('F1 F6')).toContain('four octaves');
	});
});
