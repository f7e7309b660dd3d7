import { describe, expect, it } from 'vitest';
import { estimate, paceOf } from './estimate';

const SET = { visit: 15, note: 4, tuning: 75, pass: 30 };

describe('time and price', () => {
	it('goes with the work', () => {
		const of = (kind: Parameters<typeof estimate>[0]['kind'], notes = 0, passes = 0) =>
			estimate({ kind, notes, passes }, SET);
		expect(of('leave')).toBe(15);
		expect(of('barred')).toBe(15);
		expect(of('spot', 3)).toBe(27);
		expect(of('touchUp', 40)).toBe(90);
		expect(of('tune')).toBe(90);
		expect(of('correct', 0, 1)).toBe(120);
		expect(of('moveAndReturn', 0, 2)).toBe(150);
	});

	it('takes the workshop’s own visits, once there are enough of a kind', () => {
		const plain = [80, 100, 90].map((minutes) => ({ minutes, passes: 0 }));
		const raised = [
			{ minutes: 120, passes: 1 },
			{ minutes: 155, passes: 2 },
			{ minutes: 125, passes: 1 }
		];
		expect(paceOf([], SET)).toEqual({ tariff: SET, tunings: 0, raises: 0 });
		expect(paceOf(plain.slice(1), SET).tunings).toBe(0);
		expect(paceOf([...plain, ...raised], SET)).toEqual({
			tariff: { ...SET, tuning: 75, pass: 32.5 },
			tunings: 3,
			raises: 3
		});
	});

	it('does not count a visit that was left open overnight, or tried out', () => {
		const plain = [80, 100, 90].map((minutes) => ({ minutes, passes: 0 }));
		const odd = [2, 900, 1].map((minutes) => ({ minutes, passes: 0 }));
		expect(paceOf([...plain, ...odd], SET)).toEqual(paceOf(plain, SET));
	});
});
