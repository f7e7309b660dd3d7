import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { denseCurve } from '../../fixtures/denseCurve';
import { typicalInharmonicity, type StringKind } from '../strings/inharmonicity';
import { partialSharpness } from '../strings/stiffString';
import { cents, hz } from '../units/quantity';
import { whatGivesWay } from './givesWay';
import { CURVE_INTERVALS } from './curveIntervals';
import { octaveType, PRIORITIES, priorityById } from './priorities';
import { tuningCurve, type CurveOptions, type SharpnessAt } from './tuningCurve';

const sharpness =
	(kind: StringKind, factor = 1): SharpnessAt =>
	(note, partial) =>
		partialSharpness(factor * typicalInharmonicity(kind, note), partial);
const options = (change: Partial<CurveOptions> = {}): CurveOptions => ({
	lowest: 21,
	highest: 108,
	sharpnessAt: sharpness('upright'),
	priority: priorityById('balanced'),
	...change
});
const at = (change: Partial<CurveOptions>, note: number) => {
	const { lowest, deviations } = tuningCurve(options(change));
	return deviations[note - lowest];
};

describe('the tuning curve', () => {
	it.each(PRIORITIES.map(({ id }) => id))('%s: equals a dense solution within 1e-6 cent', (id) => {
		for (const change of [
			{},
			{ lowest: 36, highest: 96, sharpnessAt: sharpness('grand', 0.8) },
			{ fixed: new Map([[60, cents(2)]]) },
			{ blend: { with: priorityById('twelfths'), share: 0.3 } }
		]) {
			const asked = options({ priority: priorityById(id), ...change });
			const reference = denseCurve(asked);
			tuningCurve(asked).deviations.forEach((value, i) => expect(Math.abs(value - reference[i])).toBeLessThan(1e-6));
		}
	});

	it('is flat without stiffness, whatever octave leads', () => {
		for (const id of ['balanced', 'octaves', 'double-octaves', 'single-octaves'])
			for (const value of tuningCurve(options({ sharpnessAt: () => cents(0), priority: priorityById(id) })).deviations)
				expect(Math.abs(value)).toBeLessThan(1e-9);
	});

	it('has the shape that pianos have: flat bass, sharp treble, A4 at nought, more on stiffer strings', () => {
		for (const { id } of PRIORITIES) {
			const change = { priority: priorityById(id) };
			expect(at(change, 69)).toBe(0);
			expect(at(change, 21)).toBeLessThan(-5);
			expect(at(change, 108)).toBeGreaterThan(8);
			expect(at({ ...change, sharpnessAt: sharpness('upright', 2) }, 108)).toBeGreaterThan(at(change, 108));
		}
		// Light strings need almost none.
		expect(Math.abs(at({ sharpnessAt: sharpness('harpsichord') }, 89))).toBeLessThan(2);
	});

	it('gives each priority what it puts first', () => {
		const spread = (id: string, name: string, from: number, to: number, goal?: number) => {
			const asked = options({ priority: priorityById(id) });
			const run = whatGivesWay(tuningCurve(asked), asked.sharpnessAt, hz(440)).find(({ kind }) => kind.name === name)!;
			const off = run.along
				.filter(({ lower, upper }) => lower >= from && upper <= to)
				.map((each) => Math.abs(each.cents - (goal ?? run.kind.equal)));
			return off.reduce((sum, each) => sum + each, 0) / off.length;
		};
		expect(spread('twelfths', '3:1', 55, 100, 0)).toBeLessThan(spread('balanced', '3:1', 55, 100, 0));
		expect(spread('fifths', '3:2', 50, 80, 0)).toBeLessThan(spread('balanced', '3:2', 50, 80, 0));
		expect(spread('double-octaves', '4:1', 60, 104)).toBeLessThan(spread('octaves', '4:1', 60, 104));
		expect(spread('single-octaves', '2:1', 84, 108)).toBeLessThan(spread('balanced', '2:1', 84, 108));
	});

	it('moves continuously with the blend, from one priority to the other', () => {
		const [one, other] = [priorityById('octaves'), priorityById('fifths')];
		const top = (share: number) => at({ priority: one, blend: { with: other, share } }, 100);
		expect(top(0)).toBeCloseTo(at({ priority: one }, 100), 9);
		expect(top(1)).toBeCloseTo(at({ priority: other }, 100), 9);
		for (let share = 0; share < 1; share += 0.05)
			expect(Math.abs(top(Math.min(1, share + 0.05)) - top(share))).toBeLessThan(3);
		expect(() => top(1.2)).toThrow('1.2');
	});

	it('keeps notes that are fixed by hand, and lets the others follow smoothly', () => {
		fc.assert(
			fc.property(fc.integer({ min: 24, max: 105 }), fc.double({ min: -4, max: 4, noNaN: true }), (note, by) => {
				fc.pre(note !== 69 && Math.abs(by) > 0.1);
				const plain = tuningCurve(options()).deviations;
				const value = cents(plain[note - 21] + by);
				const held = tuningCurve(options({ fixed: new Map([[note, value]]) })).deviations;
				expect(held[note - 21]).toBeCloseTo(value, 9);
				// The nearest neighbours go along, by less than the note itself.
				for (const near of [note - 1, note + 1]) {
					if (near === 69) continue;
					const followed = (held[near - 21] - plain[near - 21]) / by;
					expect(followed).toBeGreaterThan(-0.35);
					expect(followed).toBeLessThan(1);
				}
			}),
			{ numRuns: 40 }
		);
	});

	it('adds a taste for more on top by a smooth ramp, and stands on any compass', () => {
		const plain = tuningCurve(options()).deviations;
		const more = tuningCurve(options({ topStretch: cents(6) })).deviations;
		expect(more[87] - plain[87]).toBeCloseTo(6, 9);
		expect(more[60] - plain[60]).toBeCloseTo(0, 9);
		for (const [lowest, highest] of [
			[36, 72],
			[12, 108],
			[72, 96],
			[60, 60],
			[60, 62]
		]) {
			const { deviations, anchor } = tuningCurve(options({ lowest, highest }));
			expect(deviations).toHaveLength(highest - lowest + 1);
			expect(deviations[anchor - lowest]).toBe(0);
			expect(deviations.every(Number.isFinite)).toBe(true);
		}
		expect(() => tuningCurve(options({ lowest: 70, highest: 60 }))).toThrow('70 to 60');
	});
});

describe('what gives way', () => {
	it('says cents and beats of thirteen interval types, with the worst place of each', () => {
		const asked = options();
		const runs = whatGivesWay(tuningCurve(asked), asked.sharpnessAt, hz(440));
		expect(runs.map(({ kind }) => kind.name)).toEqual(CURVE_INTERVALS.map(({ name }) => name));
		for (const { kind, along, worst } of runs) {
			expect(along).toHaveLength(88 - kind.semitones);
			for (const each of along.filter(({ lower }) => lower >= kind.judged[0] && lower <= kind.judged[1]))
				expect(Math.abs(each.cents - kind.equal)).toBeLessThanOrEqual(Math.abs(worst!.cents - kind.equal) + 1e-12);
			expect(along.every(({ cents: wide, rate }) => Math.sign(wide) === Math.sign(rate))).toBe(true);
		}
		// Something has to give way in the bass: no curve has 4:2 and 10:5 both pure on stiff strings.
		const low = (name: string) => runs.find(({ kind }) => kind.name === name)!.along[0].cents;
		expect(low('4:2') - low('10:5')).toBeGreaterThan(5);
	});
});

describe('the octave type', () => {
	it('falls from 10:5 in the low bass to 2:1 at the top, by the formula of the transition', () => {
		// 1 + (4.5 / 2)(1 - tanh((m - 64) / 24)) by hand: at the middle 3.25, far below 5.5, far above 1.
		expect(octaveType(64)).toBeCloseTo(3.25, 9);
		expect(octaveType(21)).toBeCloseTo(5.378, 3);
		expect(octaveType(96)).toBeCloseTo(1.292, 3);
	});
});
