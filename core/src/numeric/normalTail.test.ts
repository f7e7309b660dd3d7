import { describe, expect, it } from 'vitest';
import { normalTail } from './normalTail';

describe('the tail of the normal distribution', () => {
	// Abramowitz & Stegun 1964, table 26.1.
	it.each([
		[0, 0.5],
		[1, 0.1586552539],
		[1.96, 0.0249978951],
		[3, 0.001349898],
		[-1, 0.8413447461]
	])('above %f lies %f', (z, chance) => expect(normalTail(z)).toBeCloseTo(chance, 6));
});
