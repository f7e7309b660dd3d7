import { breakOf, CHOIRS, ONE_CHOIR, stringsAt, usualStringing } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { stringingPicture } from '$lib/charts/stringing';
import { stringingSchema } from './keptStringing';
import { parted, readRows, rowsOf, withoutRow } from './sections';

const keyboard = { lowest: 21, highest: 108, choirs: ONE_CHOIR };
const usual = usualStringing('upright', 21, 108);
const read = (rows: Parameters<typeof readRows>[0]) => {
	const answer = readRows(rows, keyboard);
	if ('problem' in answer) throw new Error(answer.problem);
	return answer.value;
};

describe('stringing by sections', () => {
	it('is read as it is written', () => {
		expect(read(rowsOf(usual))).toEqual(usual);
		expect(stringingSchema.parse(usual)).toEqual(usual);
	});

	it('is parted, changed, joined again', () => {
		const more = parted(rowsOf(usual), 2, 21, 108);
		expect(more).toHaveLength(4);
		const wider = read(more.map((row, i) => (i === 2 ? { ...row, strings: 2, wound: true } : row)));
		expect(stringsAt(wider, 44)).toBe(2);
		expect(breakOf(wider)).toBe(76);
		expect(read(withoutRow(more, 2))).toMatchObject({
			sections: [{ to: 30 }, { to: 75, strings: 2 }, { to: 108, strings: 3 }]
		});
		expect(read(withoutRow(rowsOf(usual), 0)).sections).toHaveLength(2);
		const one = [{ to: 'C8', strings: 1, wound: false }];
		expect(withoutRow(one, 0)).toBe(one);
		expect(parted([{ ...one[0], to: 'A0' }, one[0]], 0, 21, 108)).toHaveLength(2);
	});

	it('says what is wrong, and where', () => {
		const wrong = (at: number, to: string) =>
			readRows(
				rowsOf(usual).map((row, i) => (i === at ? { ...row, to } : row)),
				keyboard
			);
		expect(wrong(0, 'H2')).toEqual({ problem: '“H2” is not a note. Write where the section ends, such as E2.' });
		expect(wrong(1, 'C1')).toMatchObject({ problem: expect.stringContaining('below where it begins') });
	});
});

describe('the picture of the strings', () => {
	const frame = { width: 900, height: 150, margin: { top: 24, right: 14, bottom: 34, left: 14 } };
	it('draws each string once, within the frame, and the break between its notes', () => {
		const { strings, breakAt, named, x } = stringingPicture(usual, new Set([45]), frame);
		expect(strings).toHaveLength(10 + 2 * 13 + 3 * 65);
		expect(new Set(strings.map(({ key }) => key)).size).toBe(strings.length);
		expect(strings.every((line) => line.x > 0 && line.x < 900 && line.y1 < line.y2 && line.y2 < 150)).toBe(true);
		expect(breakAt!.x).toBeGreaterThan(x(43));
		expect(breakAt!.x).toBeLessThan(x(44));
		expect(named.map(({ text }) => text)).toEqual(['1 wound', '2 wound', '3 plain']);
	});

	it('lays the registers one above the other', () => {
		const double = { ...usualStringing('harpsichord', 29, 89), choirs: CHOIRS.slice(0, 2) };
		const { strings, breakAt } = stringingPicture(double, new Set(), frame);
		expect(strings).toHaveLength(2 * 61);
		expect(new Set(strings.map(({ y1 }) => y1)).size).toBe(2);
		expect(breakAt).toBeUndefined();
	});
});
