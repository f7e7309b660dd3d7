import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countBlows, isFirm } from './blows';
import { leverAdvice, staysPut } from './leverWork';

describe('what the hand does', () => {
	it('goes by construction, and by where the bearings grip', () => {
		expect(leverAdvice('upright', 'treble', undefined)).toContain('upright, in line');
		expect(leverAdvice('harpsichord', 'middle', 'sound')).toContain('straight');
		expect(leverAdvice('grand', 'treble', 'gripsTreble')).toContain('small taps');
		expect(leverAdvice('grand', 'bass', 'gripsTreble')).toContain('in line');
		expect(leverAdvice('grand', 'treble', 'grips', true)).not.toContain('small taps');
		expect(leverAdvice('grand', 'bass', 'rusted')).toContain('down until it frees');
	});

	it('notices a pitch that does not follow, and nothing nearer', () => {
		const at = (...offs: number[]) => offs.map((off) => ({ off }));
		expect(staysPut(at(-12, -12.1, -11.9))).toBe(true);
		expect(staysPut(at(-12, -12.1))).toBe(false);
		expect(staysPut(at(-30, -12, -12.1, -12))).toBe(true);
		expect(staysPut(at(-12, -11, -10))).toBe(false);
		expect(staysPut(at(0.5, 0.5, 0.5))).toBe(false);
	});

	it('says so of nobody who moves the string by half a cent or more each time', () => {
		const step = fc.double({ min: 0.5, max: 20, noNaN: true });
		fc.assert(
			fc.property(fc.double({ min: -60, max: 60, noNaN: true }), fc.array(step, { minLength: 3 }), (from, steps) => {
				let off = from;
				const strikes = steps.map((by) => ({ off: (off += from < 0 ? by : -by) }));
				return !staysPut(strikes);
			})
		);
	});

	it('counts blows by their strength', () => {
		expect(countBlows([{ level: -20 }, { level: -22 }, { level: -31 }, {}])).toEqual({ firm: 3, soft: 1 });
		expect(countBlows([])).toEqual({ firm: 0, soft: 0 });
		// A firmer blow makes the one before soft, and is firm itself.
		const blows = [{ level: -34 }, { level: -20 }];
		expect(blows.map((blow) => isFirm(blow, blows))).toEqual([false, true]);
	});
});
