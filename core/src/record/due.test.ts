import { describe, expect, it } from 'vitest';
import { FOLLOW_UP_DAYS, fallsDue } from './due';

describe('when it falls due', () => {
	const DAY = 86_400_000;
	const again = { inUse: 6, hardly: 12, stage: 1 };
	const after = (played: 'daily' | 'hardly' | null, purpose: 'home' | 'stage', moved: number) =>
		fallsDue(0, { played, purpose }, again, moved, 100) / DAY;

	it('goes by how it is played, and by how far it was moved', () => {
		expect(after('daily', 'home', 5)).toBeCloseTo(182.6, 1);
		expect(after(null, 'home', 5)).toBeCloseTo(182.6, 1);
		expect(after('hardly', 'home', 5)).toBeCloseTo(365.25, 1);
		expect(after('hardly', 'stage', 5)).toBeCloseTo(30.4, 1);
		expect(after('hardly', 'home', 120)).toBe(FOLLOW_UP_DAYS.last);
	});
});
