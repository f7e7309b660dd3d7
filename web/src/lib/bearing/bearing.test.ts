import { bearingPlan, DEFAULT_EAR, temperamentById, TEMPERAMENTS } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { planFor } from '$lib/tuning/plan';
import { madePlan, planErrors, rankPlans } from '$lib/workers/planErrors';
import type { BearingJob } from '$lib/workers/bearing';
import { schoolsFor, sheetQuery } from './sheet';
import { comparisonWords, failureWords, SCHOOL_NAMES, SCHOOL_TEXTS, shortRate, wayTo } from './words';

const job = (id = 'equal', school = 'circle', start = 69): BearingJob => ({
	basis: {
		kind: 'upright',
		lowest: 21,
		highest: 108,
		a4: 440,
		temperament: temperamentById(id),
		fork: start,
		measured: []
	},
	school,
	start,
	low: 53,
	high: 65,
	ear: DEFAULT_EAR
});

describe('the sheet in words', () => {
	it('says the way to every note of every plan, and what a failed check means', () => {
		for (const { id } of TEMPERAMENTS)
			for (const school of schoolsFor(temperamentById(id)))
				for (const step of madePlan(job(id, school)).steps) {
					expect(wayTo(step)).toMatch(/^(from your fork|(up|down) an? .* from .*\d|between .* and .*\d)$/);
					for (const check of step.checks) {
						expect(failureWords(check)).toMatch(/is the likeliest\. Too wide, (raise|lower) it/);
						if (check.compare) expect(comparisonWords(check)).toMatch(/than|as fast as/);
					}
				}
		expect(wayTo(madePlan(job('equal', 'thirds-led')).steps[1])).toBe('down a major tenth from A4');
		expect([shortRate(0.01), shortRate(-1.04), shortRate(7)]).toEqual(['still', '1.0 narrow', '7.0 wide']);
	});

	it('offers pure intervals first only where something is pure', () => {
		expect(schoolsFor(temperamentById('equal'))).not.toContain('pure-first');
		expect(schoolsFor(temperamentById('meantone-quarter'))).toContain('pure-first');
		for (const school of schoolsFor(temperamentById('vallotti'))) {
			expect(SCHOOL_NAMES[school]).toBeTruthy();
			expect(SCHOOL_TEXTS[school]).toBeTruthy();
		}
	});

	it('takes nonsense in an address for nothing said', () => {
		expect(sheetQuery.parse({ school: 'mine', start: '7000', octave: 'x', root: '1.5' })).toEqual({
			school: 'computed',
			start: 69,
			octave: 0,
			root: 0,
			ear: 'careful'
		});
	});

	it('lets the fork stand at its own pitch, whatever the temperament', () => {
		for (const start of [60, 72, 64]) {
			const plan = planFor(job('meantone-quarter', 'circle', start).basis);
			expect(plan.targetOf(start)!.pitch).toBeCloseTo(440 * 2 ** ((start - 69) / 12), 9);
		}
	});
});

describe('the worker', () => {
	it('makes the same plan and errors as the core by itself', () => {
		const one = job('vallotti', 'computed');
		const plan = planFor(one.basis);
		const strings = (note: number) => plan.targetOf(note)!.string;
		expect(madePlan(one)).toEqual(bearingPlan({ ...one, strings, temperament: one.basis.temperament }));
		const errors = planErrors(one, 2000, () => {});
		expect(errors).toEqual(planErrors(one, 2000, () => {}));
		expect(errors.notes).toHaveLength(14);
	});

	it('ranks by closing error and reports its progress to the end', () => {
		const shares: number[] = [];
		const ranking = rankPlans(job(), schoolsFor(temperamentById('equal')), 2000, (share) => shares.push(share));
		expect(ranking.map(({ school }) => school)[0]).toBe('computed');
		const closings = ranking.map(({ closing, overall }) => closing ?? overall);
		expect(closings).toEqual([...closings].sort((a, b) => a - b));
		expect(shares.at(-1)).toBe(1);
		expect(shares).toEqual([...shares].sort((a, b) => a - b));
	});
});
