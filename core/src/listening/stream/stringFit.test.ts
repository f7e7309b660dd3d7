import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { partialHz } from '../../strings/stiffString';
import { centsBetween } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { fitHoldingB, fitString, plausiblePartials } from './stringFit';

const string = (flexiblePitch: number, b: number) => ({ flexiblePitch: hz(flexiblePitch), inharmonicity: b });
const partialsOf = (flexiblePitch: number, b: number, count: number, error = 0.001) =>
	Array.from({ length: count }, (_, i) => ({
		partial: i + 1,
		frequency: partialHz(string(flexiblePitch, b), i + 1) as number,
		error
	}));
const UNKNOWN = { value: 3e-4, doubt: 0.5 };

describe('F and B from partials', () => {
	it('are found exactly from exact partials, for any string', () => {
		const flexiblePitch = fc.double({ min: 27, max: 1000, noNaN: true });
		const logB = fc.double({ min: Math.log(2e-5), max: Math.log(1e-2), noNaN: true });
		fc.assert(
			fc.property(flexiblePitch, logB, fc.integer({ min: 4, max: 16 }), (f, log, count) => {
				const b = Math.exp(log);
				const fit = fitString(partialsOf(f, b, count, 1e-6 * f), UNKNOWN)!;
				// 1e-6 cent and 1e-4: what is left is the cost of a straight line in squares of frequencies.
				return (
					Math.abs(centsBetween(partialHz(string(f, b), 1), fit.pitch)) < 1e-6 &&
					(fit.inharmonicity === undefined || Math.abs(fit.inharmonicity / b - 1) < 1e-4)
				);
			})
		);
	});

	it('survive one partial that belongs to something else', () => {
		const partials = partialsOf(220, 4e-4, 10);
		partials[4] = { ...partials[4], frequency: partials[4].frequency * 1.01 };
		const fit = fitString(partials, UNKNOWN)!;
		expect(Math.abs(centsBetween(partialHz(string(220, 4e-4), 1), fit.pitch))).toBeLessThan(0.02);
		expect(fit.inharmonicity! / 4e-4).toBeCloseTo(1, 2);
	});

	it('leave B open with two partials, and then trust the first one', () => {
		const fit = fitString(partialsOf(2000, 1e-2, 2), UNKNOWN)!;
		expect(fit.inharmonicity).toBeUndefined();
		// B is wrong by a factor of 30 here; the second partial must hardly pull.
		expect(Math.abs(centsBetween(partialHz(string(2000, 1e-2), 1), fit.pitch))).toBeLessThan(2);
		expect(fitString([], UNKNOWN)).toBeUndefined();
	});

	it('state errors of pitch that cover the truth', () => {
		const random = createRandom(4);
		let within = 0;
		const runs = 1000;
		for (let run = 0; run < runs; run++) {
			const noisy = partialsOf(220, 4e-4, 8, 0.02).map((each) => ({
				...each,
				frequency: each.frequency + 0.02 * random.normal()
			}));
			const fit = fitString(noisy, UNKNOWN)!;
			if (Math.abs(centsBetween(partialHz(string(220, 4e-4), 1), fit.pitch)) < 2 * fit.pitchError) within++;
		}
		// Two standard errors cover 95 %; the misfit factor makes it a little more.
		expect(within / runs).toBeGreaterThan(0.93);
	});
});

describe('F with B held', () => {
	it('agrees with the full fit when B is right', () => {
		const partials = partialsOf(110, 2e-4, 12);
		const held = fitHoldingB(partials, { value: 2e-4, doubt: 0.01 })!;
		expect(Math.abs(centsBetween(partialHz(string(110, 2e-4), 1), held.pitch))).toBeLessThan(1e-9);
		expect(held.flexiblePitch).toBeCloseTo(110, 9);
	});

	it('leaves out a partial eight cents astray', () => {
		const partials = partialsOf(110, 2e-4, 6);
		partials[2] = { ...partials[2], frequency: partials[2].frequency * 2 ** (30 / 1200) };
		const held = fitHoldingB(partials, { value: 2e-4, doubt: 0.01 })!;
		expect(Math.abs(centsBetween(partialHz(string(110, 2e-4), 1), held.pitch))).toBeLessThan(0.05);
	});
});

describe('partials of a short string', () => {
	const B = 8e-3;
	const partials = (strange?: number) =>
		[1, 2, 3, 4].map((partial) => ({
			partial,
			frequency: partial * 2000 * Math.sqrt(1 + B * partial * partial) * (partial === strange ? 0.96 : 1),
			error: 0.2
		}));

	it('lose the one that no such string has, when there are too few to outvote it', () => {
		expect(plausiblePartials(partials(4), B).map(({ partial }) => partial)).toEqual([1, 2, 3]);
		expect(plausiblePartials(partials(), B)).toHaveLength(4);
		// A string that is merely stiffer than usual keeps them all.
		expect(plausiblePartials(partials(), B / 2)).toHaveLength(4);
		expect(plausiblePartials(partials().slice(0, 2), B / 9)).toHaveLength(2);
	});
});
