import { mean } from 'd3-array';
import { describe, expect, it } from 'vitest';
import { cholesky, logDeterminant, solveLower } from '../numeric/cholesky';
import { createRandom } from '../numeric/random';
import { fitDrift, NINETY, type DriftSeries } from './drift';
import { leaveAt } from './leaveAt';
import { asLastTime, simulatedYears } from './simulatedYears';

const rms = (of: readonly number[]) => Math.sqrt(of.reduce((sum, each) => sum + each * each, 0) / of.length);

/** The last visit of each instrument left out, and told by the others. */
function leftOut(series: readonly DriftSeries[]) {
	const fitted = fitDrift(series.map((each) => ({ ...each, visits: each.visits.slice(0, -1) })));
	return series.map(({ id, visits }) => {
		const last = visits.at(-1)!;
		const { cents, error } = fitted.get(id)!.at(last.at, last.humidity);
		return {
			off: cents - last.found,
			isWithin: Math.abs(cents - last.found) <= NINETY * error,
			naive: (asLastTime(visits.slice(0, -1)) ?? 0) - last.found
		};
	});
}

describe('drift over simulated years whose law is another one', () => {
	it.each([true, false])(
		'is told by eight visits, its bands true; humidity told: %s',
		(isHumidityTold) => {
			const told = leftOut(simulatedYears({ houses: 40, instruments: 10, visits: 8, seed: 3, isHumidityTold }));
			const within = told.filter(({ isWithin }) => isWithin).length / told.length;
			const gain = rms(told.map(({ off }) => off)) / rms(told.map(({ naive }) => naive));
			expect(within).toBeGreaterThan(0.87);
			expect(within).toBeLessThan(0.93);
			expect(gain).toBeLessThan(0.75);
		},
		120_000
	);

	it('tells what it is from: the trend, the wave, the air, with errors that are true', () => {
		// A law that is the fitted one, so that its numbers are known.
		const day = 86_400_000;
		const series = Array.from({ length: 30 }, (_, i): DriftSeries => {
			const random = createRandom(100 + i);
			let added = 0;
			const visits = Array.from({ length: 10 }, (_, k) => {
				const at = Date.UTC(2018, 2, 1) + (k * 160 + 40 * random.uniform()) * day;
				const years = k === 0 ? 0 : (at - Date.UTC(2018, 2, 1)) / (365.25 * day);
				const humidity = 50 + 8 * random.normal();
				const found = -4 * years + 0.5 * (humidity - 50) + added + 0.5 * random.normal();
				const left = 0.2 * random.normal();
				added += left - found;
				return { at, found, left, humidity };
			});
			return { id: String(i), group: 'one', visits };
		});
		const all = [...fitDrift(series).values()];
		for (const { causes } of all) {
			expect(Math.abs(causes.trend.cents + 4)).toBeLessThan(3 * causes.trend.error);
			expect(Math.abs(causes.humidity.cents - 5)).toBeLessThan(3 * causes.humidity.error);
			expect(causes.wave).toBeLessThan(1.5);
		}
		expect(mean(all, ({ causes }) => causes.humidity.cents)).toBeCloseTo(5, 0);
	});

	it('knows little of an instrument that it has hardly met, and says so', () => {
		const [drift] = fitDrift([
			{ id: 'a', group: 'x', visits: [{ at: 0, found: 0, left: 0, humidity: undefined }] }
		]).values();
		const [soon, late] = [drift.at(30 * 86_400_000), drift.at(3 * 365 * 86_400_000)];
		expect(late.error).toBeGreaterThan(soon.error);
		expect(late.error).toBeGreaterThan(10);
		expect(fitDrift([{ id: 'b', group: 'x', visits: [] }]).size).toBe(0);
	});

	it('is no worse than looking back where there are only two visits', () => {
		const told = leftOut(simulatedYears({ houses: 40, instruments: 4, visits: 3, seed: 5, isHumidityTold: true }));
		expect(rms(told.map(({ off }) => off))).toBeLessThan(rms(told.map(({ naive }) => naive)));
	});
});

describe('the triangle of a matrix', () => {
	it('solves and measures it; a matrix that is not positive has none', () => {
		const matrix = [
			[4, 2],
			[2, 5]
		];
		const lower = cholesky(matrix)!;
		expect([...solveLower(lower, [2, 5])]).toEqual([1, 2]);
		expect(logDeterminant(lower)).toBeCloseTo(Math.log(16), 12);
		expect(cholesky([[-1]])).toBeUndefined();
	});
});

describe('the pitch to leave it at', () => {
	const day = 86_400_000;

	it('is right on the average until the next visit', () => {
		// Sinks 4 cents in half a year: left two above, it ends two below.
		const sinks = { at: (at: number) => ({ cents: -8 * (at / (365 * day)), error: 1 }) };
		expect(leaveAt(sinks, 0, 182 * day)).toMatchObject({ cents: expect.closeTo(2, 1), error: 1 });
		// A wave that comes back says nothing over a whole year, from where it stands in the middle.
		const wave = { at: (at: number) => ({ cents: 5 * Math.sin((2 * Math.PI * at) / (364 * day)), error: 1 }) };
		expect(leaveAt(wave, 0, 364 * day).cents).toBeCloseTo(0, 6);
		// From its crest it will come down.
		expect(leaveAt(wave, 91 * day, 273 * day).cents).toBeCloseTo(5, 1);
	});
});
