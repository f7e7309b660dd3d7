import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCsv, writeCsv, writeLines } from './csv';

const LIMITS = { most: 50, bytes: 500_000 };
const rowsOf = (text: string) => {
	const read = readCsv(text, LIMITS);
	if ('problem' in read) throw new Error(read.problem);
	return read.rows;
};

describe('tables as text', () => {
	it('no cell is a formula to a spreadsheet, and each is read back as it was', () => {
		const text = writeCsv([{ name: '=1+2', note: "'=x", tip: '+49 30', at: '@sum(a1)', off: -3.5, plain: '’=' }]);
		expect(text.split('\n')[1]).toBe("'=1+2,''=x,'+49 30,'@sum(a1),-3.5,’=");
		expect(rowsOf(text)[1]).toEqual(['=1+2', "'=x", '+49 30', '@sum(a1)', '-3.5', '’=']);
	});

	it('lines without names come back too; a figure is no formula, a word that looks like one is', () => {
		const lines = [
			['Instrument', 'stands, cents'],
			['Chapel “grand”, No. 1', -3.2],
			['=1+1', 0.4]
		];
		const text = writeLines(lines);
		expect(text.split('\n').slice(1, 3)).toEqual(['"Chapel “grand”, No. 1",-3.2', "'=1+1,0.4"]);
		expect(rowsOf(text)).toEqual(lines.map((line) => line.map(String)));
	});

	it('comes back whatever is written', () => {
		// A space that ends the last cell is a part of it.
		expect(rowsOf(writeCsv([{ a: '=x', b: '=x ' }])).slice(1)).toEqual([['=x', '=x ']]);
		const cell = fc.string({ unit: 'grapheme', maxLength: 12 }).map((text) => `x${text}`);
		const risky = fc.tuple(fc.constantFrom('=', '+', '-', '@', "'=", "''-"), cell).map((parts) => parts.join(''));
		fc.assert(
			fc.property(
				fc.array(fc.record({ a: fc.oneof(cell, risky), b: risky }), { minLength: 1, maxLength: 8 }),
				(rows) => {
					expect(rowsOf(writeCsv(rows)).slice(1)).toEqual(rows.map(({ a, b }) => [a, b]));
				}
			)
		);
	});

	it('says what cannot be read, and is bounded', () => {
		for (const nothing of ['', '""', '""""', ',,,', ';;\n;;', '"', '\uFEFF ,"" '])
			expect(readCsv(nothing, LIMITS)).toEqual({ problem: 'There is nothing to read.' });
		expect(readCsv(`a${','.repeat(390_000)}`, LIMITS)).toHaveProperty('problem');
		expect(readCsv(`a,b\n${'1'.padEnd(1000, ',')}`, LIMITS)).toHaveProperty('problem');
		expect(readCsv('a,b\n'.repeat(51), LIMITS)).toMatchObject({
			problem: expect.stringContaining('more than 50 lines')
		});
		expect(readCsv('x'.repeat(500_001), LIMITS)).toMatchObject({
			problem: expect.stringContaining('larger than 500 kB')
		});
		expect(rowsOf('a;b\n1,5;2\n\n')).toEqual([
			['a', 'b'],
			['1,5', '2']
		]);
	});
});
