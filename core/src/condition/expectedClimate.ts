/** The air of a room on a day. */
export interface ReadClimate {
	/** Milliseconds since 1970. */
	readonly at: number;
	/** Degrees Celsius, and per cent of relative humidity; undefined where nobody read it. */
	readonly temperature: number | undefined;
	readonly humidity: number | undefined;
}

export interface ExpectedClimate {
	readonly temperature: number | undefined;
	readonly humidity: number | undefined;
	/** Readings of that time of the year that it rests on. */
	readonly from: number;
}

const YEAR = 365.25 * 86_400_000;
/** Days before and after that are the same time of the year. */
const NEAR = 40 * 86_400_000;

/** What the air is usually like at a time of the year, by what was read at that time in any year; undefined: nobody ever read it then. */
export function expectedClimate(read: readonly ReadClimate[], at: number): ExpectedClimate | undefined {
	const near = read.filter((each) => {
		const apart = Math.abs(at - each.at) % YEAR;
		return Math.min(apart, YEAR - apart) <= NEAR;
	});
	const mean = (of: (each: ReadClimate) => number | undefined) => {
		const values = near.flatMap((each) => of(each) ?? []);
		return values.length ? values.reduce((sum, value) => sum + value, 0) / values.length : undefined;
	};
	const [temperature, humidity] = [mean((each) => each.temperature), mean((each) => each.humidity)];
	if (temperature === undefined && humidity === undefined) return undefined;
	return { temperature, humidity, from: near.length };
}
