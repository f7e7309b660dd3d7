import { describe, expect, it } from 'vitest';
import { finish } from '../../fixtures/finish';
import { targetTable } from '../curve/targetTable';
import { beatOf } from '../intervals/beats';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { temperamentById } from '../temperament/library';
import { hz } from '../units/quantity';
import { DEFAULT_EAR } from './ear';
import { OCTAVES } from './octaves';
import { bearingPlan, COMPUTED, type PlanOptions } from './plan';
import { SCHOOLS } from './schools';
import { simulatePlan } from './simulate';

/** From equal to wolves, wide fifths and ratios: one of each making. */
const VARIED = [
	'equal',
	'vallotti',
	'werckmeister-4',
	'kirnberger-2',
	'ordinaire',
	'meantone-third',
	'meantone-quarter',
	'pythagorean',
	'just-ptolemaic'
];
const SCHOOL_IDS = [...SCHOOLS.map(({ id }) => id), COMPUTED];

function situation(id: string, change: Partial<PlanOptions> = {}, stiffness = 1) {
	const temperament = temperamentById(id);
	const table = targetTable({
		lowest: 21,
		highest: 108,
		a4: hz(440),
		temperament,
		inharmonicityAt: (note) => stiffness * typicalInharmonicity('upright', note)
	});
	const strings = (note: number) => table[note - 21].string;
	const options = { school: 'circle', start: 69, low: 53, high: 65, strings, temperament, ear: DEFAULT_EAR, ...change };
	return { strings, options, plan: bearingPlan(options) };
}

describe('bearing plans', () => {
	it.each(SCHOOL_IDS)(
		'%s reaches every note once, only from notes that are set, at the rates of the strings',
		(school) => {
			for (const id of VARIED)
				for (const { low, high } of OCTAVES)
					for (const start of [69, 72, 64]) {
						const { plan, strings } = situation(id, { school, low, high, start });
						expect(plan.unreached).toEqual([]);
						const set = new Set<number>([start]);
						for (const { note, by } of plan.steps.slice(1)) {
							expect(set.has(note)).toBe(false);
							for (const { edge } of by) {
								expect(set.has(edge.lower === note ? edge.upper : edge.lower)).toBe(true);
								expect(edge.rate).toBeCloseTo(beatOf(strings(edge.lower), strings(edge.upper), edge.kind).rate, 12);
							}
							expect(by.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
							set.add(note);
						}
						for (let note = low; note <= high; note++) expect(set.has(note)).toBe(true);
					}
		}
	);

	it('goes the ways of the schools', () => {
		const order = (school: string, id = 'equal') => situation(id, { school }).plan.steps.map(({ note }) => note);
		expect(order('circle')).toEqual([69, 57, 62, 55, 60, 53, 58, 63, 56, 61, 54, 59, 64, 65]);
		expect(order('thirds-led').slice(0, 5)).toEqual([69, 53, 57, 56, 60]);
		expect(order('thirds-chain').slice(1, 5)).toEqual([57, 53, 61, 65]);
		// Meantone: pure thirds first; and no school ever crosses the wolf.
		const pure = situation('meantone-quarter', { school: 'pure-first' }, 0).plan.steps;
		expect(pure[2].by[0].edge.kind.name).toBe('major third');
		expect(Math.abs(pure[2].by[0].edge.rate)).toBeLessThan(1e-9);
		for (const school of SCHOOL_IDS)
			for (const { by } of situation('meantone-quarter', { school }).plan.steps)
				for (const { edge } of by)
					expect(
						[8, 3].includes(edge.lower % 12) && [8, 3].includes(edge.upper % 12) && edge.kind.semitones !== 12
					).toBe(false);
	});

	it('has thirds beat slower than the tenth before them and contiguous thirds 4 to 5, as the ear expects', () => {
		const { plan } = situation('equal', { school: 'thirds-chain' });
		const rate = (low: number) =>
			plan.steps.flatMap(({ by }) => by).find(({ edge }) => edge.lower === low && edge.kind.semitones === 4)!.edge.rate;
		expect(rate(57) / rate(53)).toBeCloseTo(1.26, 1);
	});

	it('suspects the note that carries most of the error, and turns it the right way', () => {
		const { plan } = situation('equal');
		const last = plan.steps.at(-2)!;
		const closing = last.checks.find(({ edge }) => edge.upper === 69 && edge.lower === 64)!;
		expect(closing.suspect).toBe(64);
		// E4-A4 too wide: E4 is flat.
		expect(closing.centsPerBeat).toBeLessThan(0);
	});

	it('refuses what is no plan', () => {
		expect(() => situation('equal', { school: 'nobody' })).toThrow('nobody');
		expect(() => situation('equal', { high: 60 })).toThrow('53 to 60');
		expect(() => situation('equal', { start: 69.5 })).toThrow('69.5');
	});
});

describe('errors of plans', () => {
	const scatterOnly = { ...DEFAULT_EAR, bias: 0 };

	it.each(SCHOOL_IDS)('%s: the simulation agrees with the errors that were propagated by algebra', (school) => {
		for (const ear of [scatterOnly, DEFAULT_EAR]) {
			const { plan, strings } = situation('vallotti', { school, ear });
			const simulated = finish(simulatePlan(plan, strings, ear, 20_000, 7)).result;
			// 20,000 runs: a standard deviation is known to 0.5 %; 3 % leaves room for curvature.
			plan.steps
				.slice(1)
				.forEach(({ error }, i) => expect(Math.abs(simulated.notes[i + 1].error / error - 1)).toBeLessThan(0.03));
		}
	});

	it('have the sizes known for a trained ear, scatter alone', () => {
		const errors = (school: string) => {
			const { plan, strings } = situation('equal', { school, ear: scatterOnly });
			return finish(simulatePlan(plan, strings, scatterOnly, 10_000, 1)).result;
		};
		const circle = errors('circle');
		expect(circle.overall).toBeCloseTo(0.6, 1);
		expect(Math.abs(circle.closing! - 0.85)).toBeLessThan(0.05);
		expect(Math.abs(errors('thirds-led').closing! - 1.7)).toBeLessThan(0.1);
		expect(errors(COMPUTED).overall).toBeCloseTo(0.3, 1);
	});

	it('are least for the computed plan, in temperaments of every making', () => {
		for (const id of VARIED) {
			const overall = (school: string) => {
				const { plan, strings } = situation(id, { school });
				return finish(simulatePlan(plan, strings, DEFAULT_EAR, 500, 3)).result.overall;
			};
			const computed = overall(COMPUTED);
			for (const { id: school } of SCHOOLS) expect(computed).toBeLessThan(overall(school) * 1.02);
		}
	});

	it('repeat for a seed and report progress', () => {
		const { plan, strings } = situation('equal');
		const one = finish(simulatePlan(plan, strings, DEFAULT_EAR, 3000, 5));
		expect(finish(simulatePlan(plan, strings, DEFAULT_EAR, 3000, 5))).toEqual(one);
		expect(one.shares).toEqual([1 / 3, 2 / 3, 1]);
		expect(() => finish(simulatePlan(plan, strings, DEFAULT_EAR, 0, 5))).toThrow('0 runs');
	});
});
