import type { InstrumentKind } from '../record/kinds';
import { createRandom } from '../numeric/random';

/** A room as a logger sees it. */
export interface RoomClimate {
	readonly seed: number;
	/** Unheated: it follows the season; heated: dry in winter. */
	readonly heated: boolean;
}

/** The room that an invented instrument stands in: half of the uprights stand unheated. */
export function roomOf(kind: InstrumentKind, seed: number): RoomClimate {
	return { seed, heated: kind !== 'upright' || seed % 2 === 0 };
}

const DAY = 86_400_000;
const YEAR = 365.2425;
/** Days into the year of the warmest day in the north. */
const WARMEST = 205;
/** Days over which weather changes. */
const WEATHER = 4;

/**
 * The climate of an invented room at a time: seasons, weather and the hour, the same every time it is asked. Degrees Celsius
 * and per cent of relative humidity.
 * @param at milliseconds since 1970
 */
export function loggedClimate(
	{ seed, heated }: RoomClimate,
	at: number
): { readonly temperature: number; readonly humidity: number } {
	const day = at / DAY;
	const season = Math.cos((2 * Math.PI * (day - WARMEST)) / YEAR);
	const hour = Math.cos(2 * Math.PI * (day - Math.floor(day) - 0.62));
	const weather = (salt: number) => {
		const step = Math.floor(day / WEATHER);
		const share = day / WEATHER - step;
		const at = (which: number) => createRandom(seed * 8191 + salt * 131 + which).normal();
		return (1 - share) * at(step) + share * at(step + 1);
	};
	const temperature = heated
		? 20 + 2 * season + 0.8 * hour + 0.7 * weather(1)
		: 14 + 7 * season + 1.5 * hour + 1.5 * weather(1);
	const humidity = heated ? 48 + 9 * season + 3 * weather(2) - hour : 66 - 4 * season + 4 * weather(2) - 2 * hour;
	return { temperature, humidity: Math.min(95, Math.max(15, humidity)) };
}
