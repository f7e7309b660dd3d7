/** A note that may still be set. */
export interface StillToDo {
	readonly note: number;
	/** How far off it is thought to stand, in cents. */
	readonly off: number;
	readonly minutes: number;
	/** How much it counts; 1 on the average. */
	readonly weight: number;
}

/** What is set in the time that is left. */
export interface Fits {
	/** In the order in which they were given. */
	readonly notes: readonly number[];
	readonly leftOut: readonly number[];
	readonly minutes: number;
	/** Share of what all of them would bring. */
	readonly share: number;
}

/** Time is counted in tenths of a minute. */
const TICKS = 10;
const gain = ({ off, weight }: StillToDo) => weight * Math.abs(off);

/** The notes that bring most, by cents times what they count, in so many minutes (0-1 knapsack, exact to a tenth of a minute). */
export function whatFits(all: readonly StillToDo[], minutes: number): Fits {
	const room = Math.max(0, Math.floor(minutes * TICKS));
	const ticks = all.map((each) => Math.max(1, Math.ceil(each.minutes * TICKS)));
	const best = new Float64Array(room + 1);
	const taken = all.map(() => new Uint8Array(room + 1));
	all.forEach((each, i) => {
		for (let at = room; at >= ticks[i]; at--) {
			const withIt = best[at - ticks[i]] + gain(each);
			if (withIt <= best[at]) continue;
			best[at] = withIt;
			taken[i][at] = 1;
		}
	});
	const fits = new Set<number>();
	for (let i = all.length - 1, at = room; i >= 0; i--)
		if (taken[i][at]) {
			fits.add(i);
			at -= ticks[i];
		}
	const whole = all.reduce((sum, each) => sum + gain(each), 0);
	return {
		notes: all.filter((_, i) => fits.has(i)).map(({ note }) => note),
		leftOut: all.filter((_, i) => !fits.has(i)).map(({ note }) => note),
		minutes: all.reduce((sum, each, i) => sum + (fits.has(i) ? each.minutes : 0), 0),
		share: whole > 0 ? best[room] / whole : 1
	};
}
