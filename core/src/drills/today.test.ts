import { describe, expect, it } from 'vitest';
import { DEFAULT_EAR } from '../bearing/ear';
import { gains, planError } from './today';

describe('what to train', () => {
	it('is what lowers the error most: the worst of an otherwise fine ear', () => {
		const fine = { quick: 0.05, slow: 0.08, counted: 0.02, octave: 0.5, left: 0.1 };
		const worst = (of: object) => gains({ ...fine, ...of })[0];
		expect(worst({ octave: 8 })).toMatchObject({ drill: 'octaves', isMeasured: true });
		expect(worst({ left: 3 })).toMatchObject({ drill: 'stillness' });
		expect(worst({ slow: 1.2 })).toMatchObject({ drill: 'rates', register: 'slow' });
		expect(worst({ counted: 0.6 })).toMatchObject({ drill: 'counting' });
	});

	it('never makes a tuning worse, and says what has not been measured', () => {
		const all = gains({ octave: 1, quick: undefined });
		for (const { now, then } of all) expect(then).toBeLessThanOrEqual(now);
		expect(all.filter(({ isMeasured }) => isMeasured).map(({ drill }) => drill)).toEqual(['octaves']);
	});

	it('takes the temperament’s error from the plan itself', () => {
		expect(planError({ floor: 1e-4, share: 1e-4, bias: 1e-4 })).toBeLessThan(0.01);
		expect(planError({ ...DEFAULT_EAR, bias: 0.4 })).toBeGreaterThan(planError(DEFAULT_EAR));
	});
});
