import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { twoBranchInharmonicity, typicalInharmonicity } from './inharmonicity';
import { keyboardInharmonicity } from './keyboardInharmonicity';

/** A piano somewhat off its kind's typical scale. */
const TRUE = { bassSlope: -0.095, bassLevel: -5.6, trebleSlope: 0.088, trebleLevel: -13.2 };
const truth = (note: number, offset = 0, breakNote = 44) =>
	twoBranchInharmonicity(note < breakNote ? { ...TRUE, bassLevel: TRUE.bassLevel + offset } : TRUE, note);

function measure(seed: number, notes: readonly number[], { noise = 0.03, scatter = 0.05, offset = 0 } = {}) {
	const random = createRandom(seed);
	return notes.map((note) => {
		const real = truth(note, offset) * Math.exp(scatter * random.normal());
		return { note, b: real * Math.exp(noise * random.normal()), error: noise * real };
	});
}
const ALL = Array.from({ length: 76 }, (_, i) => 21 + i);
const EVERY_THIRD = ALL.filter((note) => note % 3 === 0);

describe('inharmonicity of a keyboard', () => {
	it('recovers the branches within stated errors as often as they claim', () => {
		const expected = [
			TRUE.bassSlope,
			TRUE.bassLevel + 30 * TRUE.bassSlope,
			TRUE.trebleSlope,
			TRUE.trebleLevel + 80 * TRUE.trebleSlope
		];
		let [within, all] = [0, 0];
		for (let seed = 1; seed <= 80; seed++) {
			const { parameters, errors } = keyboardInharmonicity('upright', measure(seed, ALL));
			expected.forEach((value, i) => {
				all++;
				if (Math.abs(parameters[i] - value) < errors[i]) within++;
			});
		}
		// One standard error covers 68 %; the bisquare weights make the errors a little wide.
		expect(within / all).toBeGreaterThan(0.58);
		expect(within / all).toBeLessThan(0.82);
	});

	it('fills in what was not measured, near the truth and with an error that says how near', () => {
		for (let seed = 1; seed <= 10; seed++) {
			const found = keyboardInharmonicity('upright', measure(seed, EVERY_THIRD));
			for (const note of ALL) {
				const off = Math.abs(Math.log(found.at(note) / truth(note)));
				expect(off).toBeLessThan(0.35);
				expect(found.errorAt(note)).toBeLessThan(0.2);
			}
			// The top octave by extrapolation: less sure, but on the scale.
			expect(Math.abs(Math.log(found.at(108) / truth(108)))).toBeLessThan(0.5);
			expect(found.errorAt(108)).toBeGreaterThan(found.errorAt(70));
		}
	});

	it('keeps what was measured surely and draws what was not towards the model', () => {
		const points = measure(3, ALL, { scatter: 0 });
		const sure = points.map((each) =>
			each.note === 60 ? { ...each, b: truth(60) * 1.06, error: truth(60) * 0.002 } : each
		);
		expect(keyboardInharmonicity('upright', sure).at(60) / truth(60)).toBeCloseTo(1.06, 2);
		const vague = points.map((each) => (each.note === 60 ? { ...each, b: truth(60) * 1.5, error: truth(60) } : each));
		expect(keyboardInharmonicity('upright', vague).at(60) / truth(60)).toBeLessThan(1.05);
	});

	it('names the string that does not belong, and is not led astray by it', () => {
		const strange = measure(5, ALL).map((each) => (each.note === 50 ? { ...each, b: each.b * 2.2 } : each));
		const found = keyboardInharmonicity('upright', strange);
		expect(found.outliers.map(({ note }) => note)).toEqual([50]);
		expect(found.outliers[0].measured / found.outliers[0].expected).toBeGreaterThan(1.8);
		expect(Math.abs(Math.log(found.at(50) / truth(50)))).toBeLessThan(0.1);
		expect(Math.abs(Math.log(found.modelAt(50) / truth(50)))).toBeLessThan(0.1);
		expect(found.jumps.map(({ from, to }) => [from, to])).toEqual([
			[49, 50],
			[50, 51]
		]);
	});

	it('follows a string out of line once two strikes have told the same, and not when they differ', () => {
		const at50 = (before: number | undefined) => {
			const struck = measure(5, ALL).map((each) => {
				if (each.note !== 50) return each;
				const b = 2.2 * each.b;
				return { ...each, b, before: before === undefined ? undefined : { b: before * b, error: each.error } };
			});
			const { outliers, at } = keyboardInharmonicity('upright', struck);
			return { confirmed: outliers[0].confirmed, times: at(50) / truth(50) };
		};
		expect(at50(1.04).confirmed).toBe(true);
		expect(at50(1.04).times).toBeGreaterThan(1.7);
		for (const before of [undefined, 0.45, 1.5]) {
			expect(at50(before).confirmed).toBe(false);
			expect(at50(before).times).toBeLessThan(1.15);
		}
	});

	it('finds a step at the break, its place and its size, and none where there is none', () => {
		for (let seed = 1; seed <= 6; seed++) {
			const found = keyboardInharmonicity('upright', measure(seed, ALL, { offset: 0.5, scatter: 0.03 }));
			expect(Math.abs(found.breakNote! - 44)).toBeLessThanOrEqual(1);
			expect(found.parameters[4]).toBeGreaterThan(0.25);
			expect(keyboardInharmonicity('upright', measure(seed, ALL, { scatter: 0.03 })).breakNote).toBeUndefined();
		}
	});

	it('stands on three notes, on one end alone, on none, and says how little it knows', () => {
		const none = keyboardInharmonicity('grand', []);
		for (const note of [21, 60, 108]) expect(none.at(note)).toBeCloseTo(typicalInharmonicity('grand', note), 9);
		const three = keyboardInharmonicity('upright', measure(1, [48, 60, 72]));
		expect(three.errorAt(60)).toBeLessThan(0.1);
		expect(three.errorAt(21)).toBeGreaterThan(3 * three.errorAt(60));
		const top = keyboardInharmonicity('upright', measure(1, [84, 88, 92, 96]));
		expect(top.errorAt(24)).toBeGreaterThan(0.3);
		expect(Number.isFinite(top.at(24))).toBe(true);
	});

	it('refuses what is no inharmonicity, and works with the rest', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(0, -1e-4, 1, Number.NaN, Infinity),
				fc.constantFrom(0, -1, Number.NaN),
				(b, error) => {
					const good = measure(2, EVERY_THIRD);
					const found = keyboardInharmonicity('upright', [
						...good,
						{ note: 61, b, error: 1e-5 },
						{ note: 62, b: 4e-4, error }
					]);
					expect(found.refused.map(({ note }) => note)).toEqual([61, 62]);
					expect(found.at(61)).toBeCloseTo(keyboardInharmonicity('upright', good).at(61), 12);
				}
			)
		);
	});
});
