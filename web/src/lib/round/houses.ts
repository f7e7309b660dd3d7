import { visitGain } from './dayPlan';
import { dueOf, type RoundInstrument } from './round';

export interface House {
	readonly id: string;
	readonly name: string;
	readonly town: string;
	readonly instruments: number;
	readonly overdue: number;
	/** Those that a visit gains anything at, and the minutes of these. */
	readonly waiting: number;
	readonly minutes: number;
	readonly gain: number;
}

/** Houses with what waits in each, the most first. */
export function housesOf(
	places: readonly { readonly id: string; readonly name: string; readonly town: string }[],
	instruments: readonly RoundInstrument[],
	now: number
): readonly House[] {
	return places
		.map((place) => {
			const here = instruments.filter(({ locationId }) => locationId === place.id);
			const waiting = here.filter((each) => visitGain(each, now) > 0);
			return {
				...place,
				...{ instruments: here.length, overdue: dueOf(here, now, 0).length, waiting: waiting.length },
				minutes: waiting.reduce((sum, each) => sum + each.minutes, 0),
				gain: waiting.reduce((sum, each) => sum + visitGain(each, now), 0)
			};
		})
		.filter((house) => house.instruments > 0)
		.sort((a, b) => b.gain - a.gain);
}
