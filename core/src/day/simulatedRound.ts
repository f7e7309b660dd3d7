import { createRandom } from '../numeric/random';
import type { DayAsked } from './day';

/** A round as a workshop might have it: places in a county, instruments in them, some of them far off. Ways are as the crow flies. */
export function simulatedRound(seed: number, places: number, instruments: number, minutes = 480): DayAsked {
	const random = createRandom(seed);
	const points = Array.from({ length: places + 1 }, () => [60 * random.uniform(), 60 * random.uniform()] as const);
	const stops = Array.from({ length: places }, (_, i) => ({
		id: `place ${i}`,
		tasks: [] as DayAsked['stops'][number]['tasks'][number][]
	}));
	for (let i = 0; i < instruments; i++) {
		// Some houses have many.
		const at = Math.floor(places * random.uniform() ** 2);
		const gain = Math.max(0, 6 * Math.abs(random.normal()) - 2) * (1 + 2 * random.uniform());
		stops[at].tasks.push({ id: `instrument ${i}`, minutes: 20 + 5 * Math.floor(15 * random.uniform()), gain });
	}
	const ways = points.map(([x, y]) => points.map(([u, v]) => Math.hypot(x - u, y - v)));
	return { stops, ways, minutes };
}
