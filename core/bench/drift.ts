import { deviation } from 'd3-array';
import { fitDrift, NINETY } from '../src/drift/drift';
import { asLastTime, simulatedYears, type SimulatedHouses } from '../src/drift/simulatedYears';

/* The last visit of each of four hundred simulated instruments left out, and told by the others. */
const rms = (of: readonly number[]) => Math.hypot(...of) / Math.sqrt(of.length);

function leftOut(houses: Omit<SimulatedHouses, 'seed'>, seeds: readonly number[]) {
	const runs = seeds.map((seed) => {
		const series = simulatedYears({ ...houses, seed });
		const fitted = fitDrift(series.map((each) => ({ ...each, visits: each.visits.slice(0, -1) })));
		const told = series.map(({ id, visits }) => {
			const last = visits.at(-1)!;
			const { cents, error } = fitted.get(id)!.at(last.at, last.humidity);
			return { off: cents - last.found, error, naive: (asLastTime(visits.slice(0, -1)) ?? 0) - last.found };
		});
		return {
			within: told.filter(({ off, error }) => Math.abs(off) <= NINETY * error).length / told.length,
			off: rms(told.map(({ off }) => off)),
			naive: rms(told.map(({ naive }) => naive))
		};
	});
	const mean = (of: (run: (typeof runs)[number]) => number) =>
		runs.reduce((sum, run) => sum + of(run), 0) / runs.length;
	return {
		...houses,
		...{ within: mean(({ within }) => within), differs: deviation(runs, ({ within }) => within) ?? 0 },
		...{ off: mean(({ off }) => off), naive: mean(({ naive }) => naive) }
	};
}

const SEEDS = [1, 2, 3, 4];
console.log(
	JSON.stringify(
		[
			{ houses: 40, instruments: 10, visits: 8, isHumidityTold: true },
			{ houses: 40, instruments: 10, visits: 8, isHumidityTold: false },
			{ houses: 400, instruments: 1, visits: 8, isHumidityTold: true },
			{ houses: 400, instruments: 1, visits: 8, isHumidityTold: false },
			{ houses: 100, instruments: 4, visits: 3, isHumidityTold: true }
		].map((each) => leftOut(each, SEEDS))
	)
);
