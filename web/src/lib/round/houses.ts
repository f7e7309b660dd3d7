import { byName, fixed, flatOrSharp, onShortDay } from '$lib/ui/format';
import { visitGain } from './dayPlan';
import { dueOf, instrumentsOf, type RoundInstrument } from './round';

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
				...{ instruments: here.length, overdue: instrumentsOf(dueOf(here, now, 0)), waiting: waiting.length },
				minutes: waiting.reduce((sum, each) => sum + each.minutes, 0),
				gain: waiting.reduce((sum, each) => sum + visitGain(each, now), 0)
			};
		})
		.filter((house) => house.instruments > 0)
		.sort((a, b) => b.gain - a.gain);
}

/** An instrument in its room, as it is expected to stand. */
export interface Room {
	readonly id: string;
	readonly name: string;
	/** "9 cents flat (±2)" */
	readonly stands: string;
	readonly falls: string;
	readonly isOver: boolean;
}
/** What stands in a house, room by room as its names have it: room 2 before room 10. */
export function roomsOf(instruments: readonly RoundInstrument[], house: string, now: number): readonly Room[] {
	return instruments
		.filter(({ locationId }) => locationId === house)
		.sort((a, b) => byName(a.name, b.name))
		.map(({ id, name, ahead: [at], due, open }) => ({
			...{ id, name },
			stands: at ? `${flatOrSharp(at.cents, false)} (±${fixed(at.error, 0)})` : 'no visits to predict from',
			falls: open !== undefined ? 'half done' : due === undefined ? '' : `due ${onShortDay(new Date(due))}`,
			isOver: open === undefined && due !== undefined && due < now
		}));
}
