import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hz } from '../units/quantity';
import { stringLoad, stringProblem, tensionRatio, type StringData } from './tension';
import { WIRE } from './wire';

/** A usual A4 of an upright: 1.0 mm music wire, 404 mm. */
const A4_STRING: StringData = { material: 'steel', core: 0.001, length: 0.404 };

describe('tension and strength', () => {
	it('agree with the textbook for a plain string', () => {
		const { massPerMetre, tension, breakingShare, inharmonicity } = stringLoad(A4_STRING, hz(440));
		// mu = 7850 pi d^2 / 4 = 6.165 g/m; T = (2 * 0.404 * 440)^2 mu = 779 N; strength 2211 MPa * 0.7854 mm2 = 1737 N.
		expect(massPerMetre! * 1000).toBeCloseTo(6.165, 3);
		expect(tension).toBeCloseTo(779.3, 0);
		expect(breakingShare).toBeCloseTo(0.449, 3);
		// B = pi^3 E d^4 / (64 T L^2) = 7.7e-4: what pianos have at A4.
		expect(inharmonicity! * 1e4).toBeCloseTo(7.69, 1);
	});

	it('follow the laws of strings', () => {
		const core = fc.double({ min: 0.0007, max: 0.0016, noNaN: true });
		const stress = fc.double({ min: 5e7, max: 9e8, noNaN: true });
		fc.assert(
			fc.property(core, stress, fc.double({ min: 60, max: 2000, noNaN: true }), (d, sigma, f) => {
				const l = Math.sqrt(sigma / WIRE.steel.density) / (2 * f);
				fc.pre(l > 0.04 && l < 2.5);
				const at = (data: Partial<StringData>, pitch = f) =>
					stringLoad({ material: 'steel', core: d, length: l, ...data }, hz(pitch));
				expect(at({}, 2 * f).tension! / at({}).tension!).toBeCloseTo(4, 9);
				expect(at({ length: l / 1.2 }).tension! / at({}).tension!).toBeCloseTo(1 / 1.44, 9);
				// B falls with the square of the tension's root: an octave lower it is four times as large.
				expect(at({}, f / 2).inharmonicity! / at({}).inharmonicity!).toBeCloseTo(4, 6);
				// A winding adds mass and tension, and takes from B.
				const wound = at({ outer: 2 * d });
				expect(wound.tension!).toBeGreaterThan(at({}).tension!);
				expect(wound.inharmonicity!).toBeLessThan(at({}).inharmonicity!);
			})
		);
		expect(tensionRatio(100)).toBeCloseTo(1.1225, 4);
		expect(tensionRatio(0)).toBe(1);
	});

	it('give a partial answer to partial data, and no strength where none is sourced', () => {
		expect(stringLoad({ material: 'steel', core: 0.001 }, hz(440))).toMatchObject({
			tension: undefined,
			breakingShare: undefined,
			inharmonicity: undefined,
			isNearBreaking: false
		});
		const brass = stringLoad({ material: 'brass', core: 0.0005, length: 0.9 }, hz(120));
		expect(brass.tension).toBeGreaterThan(0);
		expect(brass.breakingShare).toBeUndefined();
		expect(
			stringLoad({ material: 'brass', core: 0.0005, length: 0.9, strength: 8e8 }, hz(120)).breakingShare
		).toBeGreaterThan(0);
		for (const [name, { density, strength }] of Object.entries(WIRE)) {
			expect(density).toBeGreaterThan(900);
			expect(strength !== undefined).toBe(name === 'steel');
		}
	});

	it('refuse lengths in the wrong unit, and say so', () => {
		expect(stringProblem({ material: 'steel', length: 2000 })).toMatch(/2\d* ?0*.*another unit/);
		expect(stringProblem({ material: 'steel', length: 0.0002 })).toContain('another unit');
		expect(stringProblem({ material: 'steel', core: 1 })).toContain('0.1 and 3 mm');
		expect(stringProblem({ material: 'steel', core: 0.001, outer: 0.0005 })).toContain('winding');
		expect(stringProblem({ material: 'gut', strength: 300 })).toContain('MPa');
		expect(stringProblem(A4_STRING)).toBeUndefined();
		// 2 m is a bass string's length: at A4 it shows only by the stress that it would need.
		expect(stringProblem({ ...A4_STRING, length: 2 }, hz(27.5))).toBeUndefined();
		expect(stringProblem({ ...A4_STRING, length: 2 }, hz(440))).toContain('another unit');
		expect(stringProblem({ material: 'steel', length: 2 }, hz(440))).toContain('another unit');
		expect(stringProblem(A4_STRING, hz(440))).toBeUndefined();
		// What was right at one pitch is worked out at any other, however strained.
		expect(stringLoad({ ...A4_STRING, length: 2 }, hz(440)).breakingShare).toBeGreaterThan(5);
		expect(() => stringLoad({ material: 'steel', core: Number.NaN }, hz(440))).toThrow('NaN');
	});
});
