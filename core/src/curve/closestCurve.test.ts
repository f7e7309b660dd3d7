import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialSharpness } from '../strings/stiffString';
import { cents } from '../units/quantity';
import { closestCurve } from './closestCurve';
import { PRIORITIES, priorityById } from './priorities';
import { curveSolver, type CurveWish } from './tuningCurve';

const solver = curveSolver({
	lowest: 21,
	highest: 108,
	sharpnessAt: (note, partial) => partialSharpness(typicalInharmonicity('upright', note), partial)
});

function stands(wish: CurveWish, { seed = 1, scatter = 0.8, level = -6, every = 1, stray = [] as number[] } = {}) {
	const random = createRandom(seed);
	return solver.solve(wish).deviations.flatMap((value, i) => {
		const off = scatter * random.normal() + (stray.includes(21 + i) ? 18 : 0);
		return i % every === 0 ? [{ note: 21 + i, deviation: cents(value + level + off) }] : [];
	});
}

describe('like this piano was', () => {
	it.each(PRIORITIES.map(({ id }) => id))('finds that %s was the priority, and the level', (id) => {
		const found = closestCurve(solver, stands({ priority: priorityById(id) }))!;
		expect(found.wish.priority.id).toBe(id);
		expect(found.wish.blend?.share ?? 0).toBeLessThan(0.35);
		expect(found.level).toBeCloseTo(-6, 0);
		expect(found.left).toBeLessThan(1.1);
	});

	it('finds a blend whose curve lies within half a cent, whatever it calls it', () => {
		const wish = { priority: priorityById('octaves'), blend: { with: priorityById('twelfths'), share: 0.4 } };
		for (let seed = 1; seed <= 5; seed++) {
			const found = closestCurve(solver, stands(wish, { seed, scatter: 0.5 }))!;
			const [a, b] = [solver.solve(wish).deviations, solver.solve(found.wish).deviations];
			const rms = Math.sqrt(a.reduce((sum, value, i) => sum + (value - b[i]) ** 2, 0) / a.length);
			expect(rms).toBeLessThan(0.5);
		}
	});

	it('finds a taste for more on top, and leaves stray notes out', () => {
		const wish = { priority: priorityById('balanced'), topStretch: cents(8) };
		const found = closestCurve(solver, stands(wish, { every: 2, stray: [45, 61] }))!;
		expect(found.wish.topStretch).toBeGreaterThan(5);
		expect(found.wish.topStretch).toBeLessThan(11);
		expect(found.stray).toEqual([45, 61]);
	});

	it('says nothing from a few notes, or from one part of the keyboard', () => {
		const all = stands({ priority: priorityById('balanced') });
		expect(closestCurve(solver, all.slice(0, 40))).toBeUndefined();
		expect(closestCurve(solver, [all[0], all[40], all[80]])).toBeUndefined();
		expect(closestCurve(solver, [])).toBeUndefined();
	});
});
