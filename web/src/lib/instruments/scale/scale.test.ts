import fc from 'fast-check';
import { keyboardInharmonicity, tableLoad, typicalInharmonicity, equalHz, hz } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { stringTableSchema, tableRowOf, type StringLine } from './stringLine';
import { EMPTY_LINE, readLine, readTable, tableCsv, withLines, type LineContext } from './table';
import { basisWords, faultWords, loadWords, scaleVerdict, warningWords } from './scaleWords';

const context: LineContext = { lowest: 21, highest: 108, a4: 440, stringsAt: new Map([[69, 3]]) };
const typed = (change: Partial<typeof EMPTY_LINE>) => readLine({ ...EMPTY_LINE, note: 'A4', ...change }, context);
const lineOf = (note: number, core: number | null, length: number | null): StringLine => ({
	note,
	strings: 3,
	material: 'steel',
	core,
	length,
	outer: null,
	strength: null
});

describe('a line of strings as it is typed', () => {
	it('is read with comma or point, and what is left empty is unknown', () => {
		expect(typed({ core: '0,975', length: '404' })).toEqual({ value: lineOf(69, 0.975, 404) });
		expect(typed({})).toEqual({ value: lineOf(69, null, null) });
		expect(typed({ strings: '2', wire: 'Brass' })).toMatchObject({ value: { strings: 2, material: 'brass' } });
	});

	it.each([
		[{ note: 'H9' }, 'is not a note'],
		[{ note: 'C9' }, 'not on this keyboard'],
		[{ strings: '4' }, '1 to 3 strings'],
		[{ wire: 'string' }, 'is none of'],
		[{ core: 'thick' }, 'is not a valid diameter'],
		[{ core: '-1' }, 'is not a valid diameter'],
		[{ core: '12' }, 'between 0.1 and 3 mm'],
		[{ length: '2000' }, 'another unit'],
		[{ length: '0.404' }, 'another unit'],
		[{ core: '1', winding: '0.8' }, 'winding']
	])('is refused with the reason: %o', (change, reason) => {
		const read = typed(change);
		expect('problem' in read && read.problem).toContain(reason);
	});
});

describe('a table of strings as text', () => {
	it('comes back from CSV as it went', () => {
		const lines = fc.uniqueArray(
			fc.record({
				note: fc.integer({ min: 60, max: 72 }),
				strings: fc.constantFrom(1, 2, 3),
				material: fc.constantFrom('steel' as const, 'iron' as const),
				core: fc.option(fc.integer({ min: 30, max: 60 }).map((value) => value / 40)),
				length: fc.option(fc.integer({ min: 500, max: 900 }).map((value) => value / 2)),
				outer: fc.constant(null),
				strength: fc.option(fc.integer({ min: 800, max: 2500 }))
			}),
			{ selector: ({ note }) => note, minLength: 1 }
		);
		fc.assert(
			fc.property(lines, (all) => {
				const read = readTable(tableCsv(all), context);
				expect('lines' in read && read.lines).toEqual([...all].sort((a, b) => a.note - b.note));
				expect(stringTableSchema.safeParse({ strings: all }).success).toBe(true);
			})
		);
	});

	it('is read from a spreadsheet’s tabs, with other headings, or without any', () => {
		for (const text of [
			'Note\tDiameter\tSpeaking length\nA4\t0,975\t404',
			'\uFEFFnote;core (mm);length_mm\r\nA4;0,975;404\r\n',
			'A4,3,steel,0.975,404'
		])
			expect(readTable(text, context)).toEqual({ lines: [lineOf(69, 0.975, 404)], said: '1 note read.' });
	});

	it('is taken whole or not at all, each fault with its line', () => {
		const read = readTable('note,core,length\nA4,0.975,404\nX1,1,400\nA4,1,400\nC5,9,300', context);
		expect('problems' in read && read.problems).toEqual([
			expect.stringMatching(/^Line 3: “X1” is not a note/),
			expect.stringMatching(/^Line 4: A4 stands in it twice/),
			expect.stringMatching(/^Line 5: C5: .*between 0\.1 and 3 mm/)
		]);
		for (const [text, reason] of [
			['', 'nothing to read'],
			['note,colour\nA4,red', 'No column is called “colour”'],
			['note,core', 'no strings below it']
		])
			expect(JSON.stringify(readTable(text, context))).toContain(reason);
	});

	it('puts lines in the place of those for the same notes', () => {
		const lines = withLines([lineOf(72, 1, 300), lineOf(69, 1, 400)], [lineOf(69, 0.975, 404)]);
		expect(lines.map(({ note, core }) => [note, core])).toEqual([
			[69, 0.975],
			[72, 1]
		]);
	});
});

describe('a scale in words', () => {
	const measured = (change: Record<number, number> = {}) =>
		Array.from({ length: 60 }, (_, i) => {
			const b = typicalInharmonicity('upright', 30 + i) * (change[30 + i] ?? 1);
			return { note: 30 + i, b, error: 0.01 * b };
		});

	it('names the string that does not belong, once', () => {
		const found = keyboardInharmonicity('upright', measured({ 50: 2 }));
		const faults = faultWords(found);
		expect(faults).toHaveLength(1);
		expect(faults[0]).toMatch(
			/^D3 is (1\.9|2\.0)\d times as stiff .* too thick a wire, or a kink\? Strike it once more: until/
		);
		const twice = measured({ 50: 2 }).map((each) => ({ ...each, before: { b: 1.01 * each.b, error: each.error } }));
		expect(faultWords(keyboardInharmonicity('upright', twice))[0]).toMatch(
			/suggest, as two strikes tell: .* or a kink\? The curve follows it\.$/
		);
		expect(scaleVerdict(found, [{ ...measured()[0], partials: [], by: 'strike' }])).toBe(
			'D3 does not go with its neighbours.'
		);
	});

	it('names a jump by its size and place, and what was left out', () => {
		const shifted = Object.fromEntries(Array.from({ length: 10 }, (_, i) => [30 + i, 1.5]));
		const all = [...faultWords(keyboardInharmonicity('upright', measured(shifted)))].join(' ');
		expect(all).toMatch(/between E♭2 and E2|Break below E2/);
		const odd = keyboardInharmonicity('upright', [...measured(), { note: 95, b: 0.9, error: 0.01 }]);
		expect(faultWords(odd)).toEqual([expect.stringContaining('B6: a B of 0.9 is no string’s')]);
	});

	it('says what it rests on, and that nothing has been read', () => {
		expect(basisWords([], 'grand piano')).toBe('No string has been read. This is a typical grand piano.');
		expect(scaleVerdict(keyboardInharmonicity('grand', []), [])).toBe('Its strings have not been read yet.');
	});

	it('adds up a raise, and warns of what it brings near breaking', () => {
		const rows = [lineOf(69, 1, 400), lineOf(76, 1, 337)].map(tableRowOf);
		const load = tableLoad(rows, (note) => equalHz(note, hz(440)), 100, new Map([[70, 3]]));
		expect(loadWords(load, 100)).toMatch(
			/^6 strings known: together \d+ N \(\d+ kgf\)\. A raise of 100 cents adds \d+ N .* Of 3 more strings the tension is not known\.$/
		);
		expect(warningWords(load.warnings)).toEqual([
			expect.stringMatching(/^E5: the raise goes to 79 % of the breaking load/)
		]);
		expect(warningWords(tableLoad(rows, (note) => equalHz(note, hz(440)), 0, new Map()).warnings)).toEqual([]);
	});
});
