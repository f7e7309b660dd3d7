import { expect, it } from 'vitest';
import { forkAt } from './fork';
import { centsBetween } from './pitch';
import { hz } from './quantity';

it('a fork falls by a fifth of a cent a degree, and comes back', () => {
	expect(centsBetween(hz(440), forkAt(hz(440), 20, 25))).toBeCloseTo(-0.968, 2);
	expect(forkAt(hz(440), 20, 20)).toBe(440);
	// Koenig's fork of 512 vibrations at 20 degrees, a degree warmer.
	expect(512 - forkAt(hz(512), 20, 21)).toBeCloseTo(0.0573, 4);
});
