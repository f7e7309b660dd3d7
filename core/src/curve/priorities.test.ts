import { describe, expect, expectTypeOf, it } from 'vitest';
import { CURVE_INTERVALS, type CurveIntervalName } from './curveIntervals';
import { PRIORITIES, PRIORITY_IDS, type Priority } from './priorities';

describe('names of intervals and priorities', () => {
	it('are unions: a mistyped one does not compile', () => {
		expectTypeOf<'6:3'>().toExtend<CurveIntervalName>();
		expectTypeOf<'6:5'>().not.toExtend<CurveIntervalName>();
		expectTypeOf<string>().not.toExtend<CurveIntervalName>();
		expectTypeOf<string>().not.toExtend<Priority['id']>();
		expect(CURVE_INTERVALS.map(({ name, lowerPartial, upperPartial }) => [name, lowerPartial, upperPartial])).toEqual(
			CURVE_INTERVALS.map(({ name }) => [name, ...name.split(':').map(Number)])
		);
	});

	it('stand in one list, each once', () => {
		expect(PRIORITIES.map(({ id }) => id)).toEqual([...PRIORITY_IDS]);
	});
});
