import { chooseDay } from '../src/day/chooseDay';
import { searchStops } from '../src/day/searchStops';
import { simulatedRound } from '../src/day/simulatedRound';

/* Days of eight hours among simulated instruments: how near to its bound each is, and, of ten places, whether the search finds the best. */
const SEEDS = Array.from({ length: 10 }, (_, i) => i + 1);

function gapsOf(places: number, instruments: number) {
	const gaps = SEEDS.map((seed) => {
		const { gain, bound } = chooseDay(simulatedRound(seed, places, instruments));
		return gain > 0 ? bound / gain - 1 : 0;
	});
	return { places, instruments, worst: Math.max(...gaps), mean: gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length };
}

function searchedBesideExact() {
	const off = SEEDS.map((seed) => {
		const asked = simulatedRound(seed, 10, 300);
		return searchStops(asked).bound / chooseDay(asked).gain - 1;
	});
	return { below: Math.min(...off), above: Math.max(...off) };
}

console.log(
	JSON.stringify({
		gaps: [10, 15, 25, 40, 60].map((places) => gapsOf(places, 300)),
		searched: searchedBesideExact()
	})
);
