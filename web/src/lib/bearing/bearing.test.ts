import { DEFAULT_EAR, simulatePlan, temperamentById, TEMPERAMENTS } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { finish } from '../../../../core/fixtures/finish';
import { planFor } from '$lib/tuning/plan';
import { inProcess } from '$lib/tests/inProcess';
import { bearingGround, bearingPlanOn, type BearingWish } from '$lib/tuning/bearingPlan';
import type { ComparisonProgress } from '$lib/workers/bearing';
import { bearingJobs } from '$lib/workers/bearing.jobs';
import { schoolsFor, sheetQuery } from './sheet';
import { comparisonWords, failureWords, SCHOOL_NAMES, SCHOOL_TEXTS, shortRate, wayTo } from '$lib/tuning/bearingWords';

const wishFor = (id = 'equal', school = 'circle', start = 69): BearingWish => ({
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

const planOf = (id: string, school: string) => {
	const wish = wishFor(id, school);
	return bearingPlanOn(bearingGround(wish.basis), wish);
};

describe('the sheet in words', () => {
	it('says the way to every note of every plan, and what a failed check means', () => {
		for (const { id } of TEMPERAMENTS)
			for (const school of schoolsFor(temperamentById(id)))
				for (const step of planOf(id, school).steps) {
					expect(wayTo(step)).toMatch(/^(from your fork|(up|down) an? .* from .*\d|between .* and .*\d)$/);
					for (const check of step.checks) {
						expect(failureWords(check)).toMatch(/is the likeliest\. Too wide, (raise|lower) it/);
						if (check.compare) expect(comparisonWords(check)).toMatch(/than|as fast as/);
					}
				}
		expect(wayTo(planOf('equal', 'thirds-led').steps[1])).toBe('down a major tenth from A4');
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
			const plan = planFor(wishFor('meantone-quarter', 'circle', start).basis);
			expect(plan.targetOf(start)!.pitch).toBeCloseTo(440 * 2 ** ((start - 69) / 12), 9);
		}
	});
});

describe('the worker', () => {
	const worker = inProcess(bearingJobs);
	const compare = async (wish: BearingWish, signal?: AbortSignal) => {
		const told: ComparisonProgress[] = [];
		const schools = schoolsFor(temperamentById('equal'));
		const onProgress = (progress: ComparisonProgress) => void told.push(progress);
		return { ranking: await worker.run('compare', { wish, schools, runs: 2000 }, { signal, onProgress }), told };
	};

	it('ranks by closing error, tells the shown plan’s errors first and its progress to the end', async () => {
		const wish = wishFor('equal', 'thirds-led');
		const { ranking, told } = await compare(wish);
		expect(ranking[0].school).toBe('computed');
		const closings = ranking.map(({ closing, overall }) => closing ?? overall);
		expect(closings).toEqual([...closings].sort((a, b) => a - b));
		const shares = told.map(({ share }) => share);
		expect(shares.at(-1)).toBe(1);
		expect(shares).toEqual([...shares].sort((a, b) => a - b));
		const ground = bearingGround(wish.basis);
		const own = finish(simulatePlan(bearingPlanOn(ground, wish), ground.strings, wish.ear, 2000, 20)).result;
		expect(told.flatMap(({ shown }) => shown ?? [])).toEqual([own]);
		expect(told.findIndex(({ shown }) => shown)).toBeLessThan(4);
		expect(ranking.find(({ school }) => school === 'thirds-led')!.overall).toBe(own.overall);
	});

	it('stops between two thousand runs when nobody waits any more', async () => {
		const stop = new AbortController();
		const stopped = compare(wishFor(), stop.signal);
		stop.abort();
		await expect(stopped).rejects.toThrow('abort');
	});
});
