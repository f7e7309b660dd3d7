import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { noteName } from '../units/note';
import { cents } from '../units/quantity';
import { adviceFor, stabilityOf } from './hold';
import { settingOrder } from './order';

describe('advice from strikes', () => {
	it.each([
		[[], 'strike again'],
		[[-3], 'raise'],
		[[2.2], 'lower'],
		[[0.4], 'strike again'],
		[[0.4, 0.5], 'holds'],
		[[-0.9, 0.9], 'strike again'],
		[[3, 0.2], 'strike again'],
		[[0.1, 0.2, -1.4], 'raise']
	] as const)('%j within a cent: %s', (strikes, advice) => expect(adviceFor(strikes, cents(1))).toBe(advice));
});

describe('stability from strike to strike', () => {
	it('is the slope of the last four, with the error of the scatter about it', () => {
		expect(stabilityOf([9, 1.2, 0.8, 0.4, 0])).toEqual({
			strikes: 4,
			drift: expect.closeTo(-0.4),
			error: expect.closeTo(0)
		});
		const scattered = stabilityOf([0, 0.3, 0])!;
		expect(scattered.drift).toBeCloseTo(0);
		// Three strikes, one degree of freedom: left over 0.06, over a spread of 2.
		expect(scattered.error).toBeCloseTo(Math.sqrt(0.06 / 2));
	});
	it('has no error with two strikes, and is none with one', () => {
		expect(stabilityOf([0.5, 0.2])).toEqual({ strikes: 2, drift: expect.closeTo(-0.3), error: undefined });
		expect(stabilityOf([0.5])).toBeUndefined();
	});
});

describe('the order of work', () => {
	it('takes every note of any compass once, and only references that are set already', () => {
		fc.assert(
			fc.property(fc.integer({ min: 12, max: 80 }), fc.integer({ min: 12, max: 60 }), (lowest, size) => {
				const highest = Math.min(108, lowest + size);
				const order = settingOrder(lowest, highest);
				const seen = new Set<number>();
				for (const { note, against } of order) {
					if (against !== undefined && !seen.has(against)) return false;
					seen.add(note);
				}
				return seen.size === highest - lowest + 1 && order.length === seen.size;
			})
		);
	});

	it('goes round the circle from A and crosses no wolf place', () => {
		const steps = settingOrder(21, 108).slice(0, 14);
		expect(steps.map(({ note }) => noteName(note)).join(' ')).toBe('A4 A3 D4 G3 C4 F3 B♭3 E♭4 E4 B3 F♯3 C♯4 G♯3 F4');
		const pairs = steps.map(({ note, against }) => [note % 12, (against ?? -1) % 12].sort((a, b) => a - b).join());
		expect(pairs).not.toContain('3,8');
		expect(steps[2].interval?.name).toBe('fourth');
		expect(steps[3].interval?.name).toBe('fifth');
	});
});
