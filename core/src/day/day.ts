/** Work that can be done at a stop. */
export interface DayTask {
	readonly id: string;
	/** Whole minutes that it takes; at least one. */
	readonly minutes: number;
	/** What it gains, in any unit; what gains nothing is left undone. */
	readonly gain: number;
}

/** Somewhere to drive to, with all the work that could be done there. */
export interface DayStop {
	readonly id: string;
	readonly tasks: readonly DayTask[];
}

/** A day to be filled: a selective travelling salesman problem (Laporte and Martello 1990), or orienteering, with work at each stop. */
export interface DayAsked {
	readonly stops: readonly DayStop[];
	/**
	 * Minutes of way, row to column: 0 is where one sets out and comes back to, `i + 1` the i-th stop. Symmetric, and no way by a third
	 * place is shorter.
	 */
	readonly ways: readonly (readonly number[])[];
	/** Minutes that there are, ways included. */
	readonly minutes: number;
}

export interface ChosenStop {
	readonly id: string;
	/** Minutes of way to it from the stop before. */
	readonly way: number;
	readonly tasks: readonly DayTask[];
}

export interface ChosenDay {
	/** In the order of driving. */
	readonly stops: readonly ChosenStop[];
	readonly gain: number;
	/** Minutes in all, and of these on the way. */
	readonly minutes: number;
	readonly way: number;
	/** No day gains more than this; the day is best where it is its own gain. */
	readonly bound: number;
}

/** @throws RangeError where ways are not those of the stops, or a figure is none */
export function checkDay({ stops, ways, minutes }: DayAsked): void {
	const size = stops.length + 1;
	if (ways.length !== size || ways.some((row) => row.length !== size))
		throw new RangeError(`chooseDay: ways are to be ${size} by ${size}, with where one sets out`);
	if (!ways.every((row) => row.every((way) => way >= 0 && Number.isFinite(way))))
		throw new RangeError('chooseDay: every way is some minutes, 0 or more');
	if (!Number.isInteger(minutes) || minutes < 0)
		throw new RangeError(`chooseDay: minutes = ${minutes} are to be whole, 0 or more`);
	for (const { tasks } of stops)
		for (const { id, minutes: takes, gain } of tasks)
			if (!Number.isInteger(takes) || takes < 1 || !Number.isFinite(gain))
				throw new RangeError(`chooseDay: "${id}" takes ${takes} minutes and gains ${gain}`);
}
