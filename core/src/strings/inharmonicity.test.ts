import { describe, expect, it } from 'vitest';
import { STRING_KINDS, typicalInharmonicity } from './inharmonicity';
import { stringFromFirstPartial } from './stiffString';
import { hz } from '../units/quantity';

describe('typical inharmonicity', () => {
	it('has the published values of an upright', () => {
		// Rigaud et al. 2013: 5.1e-4 at A0, 1.5e-4 at C3, 7.2e-4 at A4, 2.6e-2 at C8.
		for (const [note, b] of [
			[21, 5.1e-4],
			[48, 1.5e-4],
			[69, 7.2e-4],
			[108, 2.6e-2]
		])
			expect(Math.abs(typicalInharmonicity('upright', note) / b - 1)).toBeLessThan(0.03);
	});

	it.each(STRING_KINDS)('of a %s falls to one valley and rises again', (kind) => {
		const values = Array.from({ length: 61 }, (_, i) => typicalInharmonicity(kind, 29 + i));
		const lowest = values.indexOf(Math.min(...values));
		expect(values.slice(0, lowest + 1).every((b, i, all) => i === 0 || b < all[i - 1])).toBe(true);
		expect(values.slice(lowest).every((b, i, all) => i === 0 || b > all[i - 1])).toBe(true);
	});
});

describe('a string', () => {
	it('is never of negative inharmonicity', () => {
		expect(() => stringFromFirstPartial(hz(440), -1e-4)).toThrow('-0.0001');
	});
});
