import { describe, expect, it } from 'vitest';
import { compareBeats } from './compareBeats';
import type { HeardBeat } from './hearPair';

const beat = (rate: number, error: number): HeardBeat => ({
	...{ rate, error, wide: rate > 0 ? 1 : 0, isResolved: true, lowerPartial: 5, upperPartial: 4, heardAt: 1000 },
	...{ expected: rate, expectedError: 1, unisonRate: 0, certainty: 'clear', sense: rate > 0 ? 'wide' : 'narrow' }
});

describe('a test pair', () => {
	it('says which beats faster, whichever side of pure each lies on', () => {
		expect(compareBeats(beat(7, 0.05), beat(-7.6, 0.05))).toMatchObject({ says: 'second is faster' });
		const back = compareBeats(beat(7.6, 0.03), beat(7, 0.04))!;
		expect(back.says).toBe('first is faster');
		expect(back.faster).toBeCloseTo(-0.6);
		expect(back.error).toBeCloseTo(0.05);
	});

	it('says alike only where they surely are, and nothing where nobody can know', () => {
		expect(compareBeats(beat(7, 0.05), beat(7.02, 0.05))!.says).toBe('alike');
		expect(compareBeats(beat(7, 0.3), beat(7.02, 0.3))!.says).toBeUndefined();
		expect(compareBeats(beat(7, 0.3), beat(7.02, 0.3))!.chance).toBeCloseTo(0.52, 2);
		expect(compareBeats({ ...beat(7, 0.1), certainty: 'not to be said' }, beat(7, 0.1))).toBeUndefined();
	});
});
