import { createRandom, type Random } from '../numeric/random';
import type { DriftSeries, DriftVisit } from './drift';

/*
 * Years of instruments that nobody owns. Their law is none that is fitted: the air follows a wave that is steeper when the heating
 * goes on, with weeks of weather that pass slowly; wood follows the air late; a house is damp or dry by its own; every tuning
 * leaves some of it behind, and strings sink more in the first year.
 */

const DAY = 86_400_000;
const YEAR = 365.25 * DAY;
const DAYS = 6 * 365;
/** The first of January 2019. */
const BEGIN = 1_546_300_800_000;

export interface SimulatedHouses {
	readonly houses: number;
	readonly instruments: number;
	readonly visits: number;
	readonly seed: number;
	/** Whether anybody reads a hygrometer. */
	readonly isHumidityTold: boolean;
}

/** Relative humidity of a room, day by day. */
function airOf(random: Random, level: number, swing: number): Float64Array {
	const air = new Float64Array(DAYS);
	let weather = 0;
	for (let day = 0; day < DAYS; day++) {
		const turn = (2 * Math.PI * (day - 200)) / 365.25;
		const wave = Math.cos(turn) + 0.28 * Math.cos(2 * turn + 0.9);
		weather = 0.95 * weather + 1.1 * random.normal();
		air[day] = level + swing * wave + weather;
	}
	return air;
}

/** What wood has taken up of it: late, by weeks. */
function takenUp(air: Float64Array, days: number): Float64Array {
	const out = new Float64Array(air.length);
	let state = air[0];
	for (let day = 0; day < air.length; day++) out[day] = state += (air[day] - state) / days;
	return out;
}

/** Some houses with instruments that drift, and are tuned. */
export function simulatedYears({
	houses,
	instruments,
	visits,
	seed,
	isHumidityTold
}: SimulatedHouses): readonly DriftSeries[] {
	const random = createRandom(seed);
	return Array.from({ length: houses }, (_, house) => {
		const air = airOf(random, 48 + 6 * random.normal(), 9 + 3 * random.uniform());
		const bite = 0.35 + 0.25 * random.uniform();
		return Array.from({ length: instruments }, (_, i): DriftSeries => {
			const wood = takenUp(air, 14 + 20 * random.uniform());
			const own = bite * (0.8 + 0.4 * random.uniform());
			const sinks = 2 + 3 * random.uniform();
			let day = Math.floor(40 * random.uniform()) + 60;
			const [origin, start] = [wood[day], day];
			let stands = -8 * random.uniform();
			let before = 0;
			const told: DriftVisit[] = [];
			for (let k = 0; k < visits && day < DAYS; k++) {
				const years = (day - start) / 365.25;
				const untouched = own * (wood[day] - origin) - sinks * years - 2 * (1 - Math.exp(-2 * years));
				stands += untouched - before + 0.8 * random.normal();
				before = untouched;
				const found = stands + 0.3 * random.normal();
				stands = 0.3 * random.normal();
				told.push({
					...{ at: BEGIN + day * DAY, found, left: stands },
					humidity: isHumidityTold ? air[day] + 1.5 * random.normal() : undefined
				});
				day += Math.round(YEAR / DAY / 2 + 45 * random.normal() * (random.uniform() < 0.3 ? 2 : 1));
				day = Math.max(day, start + 30 * (k + 1));
			}
			return { id: `${house}/${i}`, group: String(house), visits: told };
		});
	}).flat();
}

/** What somebody would say who only looks back: it will have moved as it did last time. @returns undefined with fewer than two visits */
export function asLastTime(visits: readonly DriftVisit[]): number | undefined {
	const last = visits.at(-1);
	const before = visits.at(-2);
	if (!last || !before) return undefined;
	const left = (each: DriftVisit) => each.left ?? each.found;
	return left(last) + (last.found - left(before));
}
