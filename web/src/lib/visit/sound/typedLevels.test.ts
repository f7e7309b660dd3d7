import { callNotesAs, cents, equalHz, fileNoteName, hz, hzAbove, USUAL_NOTE_STYLE } from '@fendrel/core';
import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { asTyped, readTypedLevels } from './typedLevels';

const targetOf = (note: number) => (note >= 21 && note <= 108 ? equalHz(note, hz(440)) : undefined);
const read = (text: string) => {
	const { unit, levels, problems } = readTypedLevels(text, targetOf);
	return { unit, levels: levels.map(({ note, level }) => [note, Number(level.toFixed(1))]), problems };
};

describe('pitches from elsewhere', () => {
	it('are read in cents and in Hz, with comma or point, headings and empty lines passed over', () => {
		expect(read('note;cents\nA4;−31\nBb3; -29,5\n\nc#5 +2.5 cents')).toEqual({
			unit: 'cents',
			levels: [
				[58, -29.5],
				[69, -31],
				[73, 2.5]
			],
			problems: []
		});
		expect(read('A4 432,19\nA3 216.1\n"C5", 513.96')).toMatchObject({
			unit: 'Hz',
			levels: [
				[57, -31],
				[69, -31],
				[72, -31]
			]
		});
	});

	it('come back as they were written, in either unit', () => {
		fc.assert(
			fc.property(
				fc.uniqueArray(fc.integer({ min: 33, max: 108 }), { minLength: 3, maxLength: 20 }),
				fc.integer({ min: -2000, max: 2000 }),
				fc.boolean(),
				(notes, tenths, inHz) => {
					const level = tenths / 10;
					const text = notes
						.map((note) => {
							const value = inHz ? hzAbove(targetOf(note)!, cents(level)).toFixed(4) : level.toFixed(1);
							return `${fileNoteName(note)}\t${value} ${inHz ? 'Hz' : 'c'}`;
						})
						.join('\n');
					const told = readTypedLevels(text, targetOf);
					expect(told.problems).toEqual([]);
					expect(told.levels.map(({ note }) => note)).toEqual([...notes].sort((a, b) => a - b));
					for (const each of told.levels) expect(Math.abs(each.level - level)).toBeLessThan(0.06);
				}
			)
		);
	});

	it('name what is not understood by its line, and keep the rest', () => {
		const { levels, problems } = read(
			'A4 -31\nH4 -3\nC9 2\nE4\nC4 523.3 Hz\nG4 310 Hz\nF4 4000 cents\nA3 -31\nD4 -3\nD4 20\nB4 two\n'
		);
		expect(levels).toEqual([
			[57, -31],
			[69, -31]
		]);
		expect(problems).toEqual([
			{ line: 2, why: '“H4 -3” begins with no note.' },
			{ line: 3, why: 'C9 is not on this keyboard.' },
			{ line: 4, why: '“E4”: no value was understood.' },
			{ line: 5, why: 'C4: 523.3 Hz is C5, in another octave.' },
			{ line: 6, why: 'G4: 310 Hz is far from it (392.0 Hz at A4 = 440).' },
			{ line: 7, why: 'F4: 4000 cents is no string’s. Was it given in Hz?' },
			{ line: 10, why: 'D4 stands there twice: −3.0 in line 9, +20.0 here. Neither is taken.' },
			{ line: 11, why: '“B4 two”: no value was understood.' }
		]);
	});

	it('takes a piano two hundred cents flat, and nothing that is no survey', () => {
		expect(read('A4 -200\nA3 392').levels).toEqual([[69, -200]]);
		expect(read('x'.repeat(200_000)).problems).toEqual([{ line: 1, why: 'This is too long to be a survey.' }]);
		expect(read('')).toEqual({ unit: 'cents', levels: [], problems: [] });
		expect(read(',,,,\n""""').levels).toEqual([]);
	});
});

describe('a file of pitches', () => {
	afterEach(() => callNotesAs(() => USUAL_NOTE_STYLE));
	const file = 'note;cents\nB3; -4,2\n"Bb3", -3.1\nH2 1.0';

	it('is as it was where notes are called so too', () => {
		expect(asTyped(file)).toBe(file);
	});

	it('calls B by the name that its reader has for it', () => {
		callNotesAs(() => ({ letters: 'german', accidentals: 'usual' }));
		expect(asTyped(file)).toBe('note;cents\nH3; -4,2\n"B3", -3.1\nH2 1.0');
	});
});
