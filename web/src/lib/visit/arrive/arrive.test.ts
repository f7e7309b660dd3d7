import { barring, gatesOf, partsOf, type Climate } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import type { VisitBefore } from '$lib/device/books';
import { arriveHeadline, climateChange, climateExplains } from './arriveWords';
import { nearestLine, readClimateFile } from './climateFile';
import { PICTURE, shapesOf } from './instrumentPicture';

const air = (humidity: number | null): Climate => ({ temperature: 19, humidity, by: 'typed' });
const now = new Date('2026-07-14T10:00:00Z');
const last: VisitBefore = {
	...{ id: 'v', at: Date.parse('2024-05-15T09:00:00Z'), minutes: 80, who: 'Wren', note: '' },
	...{ sections: [], climate: air(50), brief: undefined }
};
const nothing = { climate: undefined, parts: new Map() };

describe('what is said at the door', () => {
	it('is how long it was left, in which air, and what to look at', () => {
		expect(arriveHeadline(last, [], nothing, now)).toBe(
			'Two years untouched. Look it over before you promise anything.'
		);
		expect(arriveHeadline(last, [], { ...nothing, climate: { ...air(71), at: 1 } }, now)).toBe(
			'Two years untouched, 21 % damper than at the last visit. Look it over before you promise anything.'
		);
		expect(arriveHeadline({ ...last, at: Date.parse('2026-01-10') }, [], nothing, now)).toMatch(
			/^Six months since the last tuning\./
		);
		expect(arriveHeadline(undefined, [], nothing, now)).toMatch(/^Nobody has tuned it here before\./);
	});

	it('is what forbids to add tension, before all else', () => {
		const parts = new Map([['plate', { part: 'plate', grade: 'cracked', note: '', at: 1 }]]);
		const gates = gatesOf(partsOf('upright'), { parts, cleared: new Map() });
		expect(barring(gates)).toBeDefined();
		expect(arriveHeadline(last, gates, { ...nothing, parts }, now)).toBe(
			'Plate and frame: cracked. Add no tension until it is repaired.'
		);
	});

	it('explains a change of the air only where there is one, and both were read', () => {
		expect(climateExplains(air(70), air(50), undefined)).toMatch(/^Damp air lifts/);
		expect(climateExplains(air(35), air(50), undefined)).toMatch(/^Dry air/);
		expect(climateExplains(air(52), air(50), undefined)).toBeUndefined();
		expect(climateChange(air(52), air(50))).toBeUndefined();
		expect(climateChange(air(null), air(50))).toBeUndefined();
		expect(climateChange(air(50), undefined)).toBeUndefined();
	});
});

describe('a logger’s file', () => {
	it('is read with points, commas and semicolons, and the line nearest to the visit is taken', () => {
		const told = readClimateFile(
			'Time;Temperature °C;RH %\n2026-07-14T08:00:00Z;18,4;69,5\n2026-07-14T10:05:00Z;18,6;71\nnone;1;2\n'
		);
		if ('problem' in told) throw new Error(told.problem);
		expect(told.lines).toHaveLength(2);
		expect(nearestLine(told.lines, now.getTime())).toMatchObject({ temperature: 18.6, humidity: 71 });
		const plain = readClimateFile('date,temp\n2026-07-14,21.5');
		expect('lines' in plain && plain.lines[0]).toMatchObject({ temperature: 21.5, humidity: null });
	});

	it.each([
		['', 'There is nothing to read.'],
		['"""\n,,,;;;', 'There is nothing to read.'],
		['a,b\n1,2', 'No column is named time or date.'],
		['time,level\n2026-07-14,2', 'No column is named temperature or humidity.'],
		['time,temp\nyesterday,cold', 'No line of this file has a time and a figure.'],
		[','.repeat(5_000_001), 'This is larger than 5 MB. Take a shorter part of it.']
	])('that is none is refused with the reason', (text, problem) => expect(readClimateFile(text)).toEqual({ problem }));
});

it('the picture has a place for every part, inside its frame', () => {
	for (const kind of ['upright', 'harpsichord'] as const) {
		const shapes = shapesOf(kind);
		expect(shapes.map(({ part }) => part).sort()).toEqual(
			partsOf(kind)
				.map(({ id }) => id)
				.sort()
		);
		for (const { x, y, width } of shapes) {
			expect(x + width).toBeLessThanOrEqual(PICTURE.width);
			expect(y).toBeLessThan(PICTURE.height);
		}
	}
});
