import { describe, expect, it } from 'vitest';
import { changeWords, leaveWords } from './drift';

const visit = (found: number, left: number | undefined, humidity?: number) => ({ at: 0, found, left, humidity });

describe('how an instrument drifts, in words', () => {
	it('lays what the last visit met beside the air', () => {
		expect(changeWords([visit(-9, 0, 48), visit(4.12, 0, 60)])).toBe('Up 4.1 cents with 12 % more humidity.');
		expect(changeWords([visit(0, 1, 60), visit(-3, 0, 52)])).toBe('Down 4.0 cents with 8 % less humidity.');
		expect(changeWords([visit(0, 0), visit(0.3, 0, 52)])).toBe('It stayed.');
		expect(changeWords([visit(0, 0, 52), visit(2, 0, 52.2)])).toBe('Up 2.0 cents in the same air.');
		expect(changeWords([visit(-9, 0)])).toBe('');
		expect(changeWords([visit(-9, undefined), visit(2, 0)])).toBe('');
	});

	it('says where to leave it, and when that is not certain', () => {
		expect(leaveWords({ cents: 1.84, error: 1 }, '14 January')).toBe(
			'Leave it 1.8 cents high: then it is right on the average until 14 January.'
		);
		expect(leaveWords({ cents: -1.2, error: 3 }, '14 January')).toContain('1.2 cents low');
		expect(leaveWords({ cents: -1.2, error: 3 }, '14 January')).toContain('though that is not certain');
		expect(leaveWords({ cents: 0.2, error: 3 }, 'May')).toBe(
			'Leave it on its pitch: that is right on the average until May.'
		);
	});
});
