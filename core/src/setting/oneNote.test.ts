import { describe, expect, it } from 'vitest';
import { usualStringing } from '../strings/stringing';
import { stopReasons, stringsPlace } from './oneNote';

const strikes = (...offs: number[]) => offs.map((off) => ({ off, error: 0.1, level: -20 }) as never);

describe('one note at home', () => {
	it('stops where the string does not follow, does not hold, or has too far to go', () => {
		expect(stopReasons(strikes(-8, -5, -1.2, 0.2), -2, 1)).toEqual([]);
		expect(stopReasons(strikes(-8, -8.1, -7.9), -2, 1)).toEqual(['notFollowing']);
		expect(stopReasons(strikes(0.2, -2, 0.4, -3, 0.1, -2.4), -2, 1)).toEqual(['notHolding']);
		expect(stopReasons(strikes(-44, -20), 0, 1)).toEqual(['farOff']);
		expect(stopReasons([], -14, 1)).toEqual(['allOut']);
	});

	it('finds the strings from the nearer end of those strung alike', () => {
		const upright = usualStringing('upright', 21, 108);
		expect(stringsPlace(upright, 45)).toEqual({ strings: 3, wound: false, count: 2, from: 'left', isBreak: true });
		expect(stringsPlace(upright, 108)).toMatchObject({ count: 1, from: 'right', isBreak: false });
		expect(stringsPlace(upright, 43)).toMatchObject({
			strings: 2,
			wound: true,
			count: 1,
			from: 'right',
			isBreak: true
		});
		expect(stringsPlace(upright, 21)).toMatchObject({ strings: 1, count: 1, from: 'left', isBreak: false });
	});
});
