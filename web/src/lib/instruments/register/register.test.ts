import { readCsv } from '$lib/ui/csv';
import { describe, expect, it } from 'vitest';
import { guessColumns, kindOf, readLines, registerCsv } from './columns';

const NONE = new Map<string, string>();

describe('a register from anywhere', () => {
	it('is read by its headings, each column once', () => {
		expect(guessColumns(['ID', 'Type', 'Building', 'City', 'Brand', 'Year', 'Remarks'])).toEqual({
			...{ name: 0, kind: 1, location: 2, town: 3, maker: 4, madeIn: 5, notes: 6 }
		});
		expect(guessColumns(['a', 'b'])).toEqual({});
	});

	it('knows kinds as people write them', () => {
		expect(['Grand piano', 'upright', 'Flügel', 'Klavier', 'double harpsichord', '', 'fortepiano'].map(kindOf)).toEqual(
			[...['grand', 'upright', 'grand', 'upright', 'harpsichord', 'upright', 'fortepiano']]
		);
		// A layout stands in no column.
		expect(['accordion', 'reeds', 'frets'].map(kindOf)).toEqual([undefined, undefined, undefined]);
	});

	it('says of each line what it becomes, or what is in the way', () => {
		const columns = { name: 0, kind: 1, location: 2, madeIn: 3, usualA4: 4 };
		const rows = [
			['Room 1', 'grand', 'Hall', 'c. 1931', '442 Hz'],
			['room 1', 'upright', '', '', ''],
			['Old', '', '', '', ''],
			['', 'upright', '', '', ''],
			['Organ', 'organ', '', '', ''],
			['Flat', 'upright', '', '', '12']
		];
		const lines = readLines(rows, columns, ['OLD'], new Map([['Hall', 'Saltmarsh']]));
		expect(lines[0].form).toMatchObject({
			kind: 'grand',
			town: 'Saltmarsh',
			madeIn: '1931',
			usualA4: 442,
			lowest: 'A0'
		});
		expect(lines.slice(1).map(({ line, problem }) => [line, problem])).toEqual([
			[3, 'There is one of that name.'],
			[4, 'There is one of that name.'],
			[5, 'Give the instrument a name you will know it by.'],
			[6, '“organ” is no kind of keyboard that is known here.'],
			[7, expect.stringMatching(/^Usual A4, Hz: /)]
		]);
	});

	it('goes out as it comes back', () => {
		const one = {
			...{ name: '=Room', kind: 'grand' as const, place: 'Hall, north', town: 'Quay', maker: '"Marram"', madeIn: 1931 },
			...{ usualA4: 415.3, lowest: 'F1', highest: 'F6', notes: 'two\nlines' }
		};
		const table = readCsv(registerCsv([one]), { most: 10, bytes: 1e6 });
		if ('problem' in table) throw new Error(table.problem);
		const [heading, ...rows] = table.rows;
		const [{ form }] = readLines(rows, guessColumns(heading), [], NONE);
		const { place, madeIn, ...same } = one;
		expect(form).toMatchObject({ ...same, location: place, madeIn: String(madeIn) });
	});
});
