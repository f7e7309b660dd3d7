import {
	arrivalOf,
	closingOf,
	isArrivalAct,
	isClosingAct,
	type DriftSeries,
	type ReadClimate,
	type SectionId
} from '@fendrel/core';
import { DAY } from '$lib/round/round';
import type { Instrument } from '../db/stores/instruments';
import { loggedOn, type LoggedAir } from '../db/stores/placeClimate';
import { actsOfVisits } from '../db/stores/record';
import { standingActs } from './standingActs';
import { visitHistories, type PastVisit } from './history';

/** A visit with what was told on arrival and agreed at its end. */
export interface ToldVisit {
	readonly visit: PastVisit;
	readonly arrival: ReturnType<typeof arrivalOf>;
	readonly closing: ReturnType<typeof closingOf>;
}

export interface Told {
	readonly instrument: Instrument;
	/** Newest first. */
	readonly visits: readonly ToldVisit[];
}

/** What visits of some instruments told, as it is known on a day: what came after it is not. */
export async function toldVisits(
	workshopId: string,
	instruments: readonly Instrument[],
	now: number
): Promise<readonly Told[]> {
	const histories = await visitHistories(workshopId, instruments);
	const acts = await actsOfVisits(
		workshopId,
		[...histories.values()].flatMap((visits) => visits.map(({ id }) => id)),
		['brief', 'climate', 'finding', 'again', 'alsoDue', 'takeBack']
	);
	return instruments.map((instrument) => {
		const past = histories.get(instrument.id)!.filter(({ startedAt }) => startedAt.getTime() <= now + DAY);
		const visits = past.map((visit) => {
			const standing = standingActs(acts.get(visit.id) ?? []);
			return {
				visit,
				arrival: arrivalOf(standing.filter(isArrivalAct)),
				closing: closingOf(standing.filter(isClosingAct))
			};
		});
		return { instrument, visits };
	});
}

/** What was read of the air where an instrument stands, at any instrument there, and by its logger. */
export function airAt(told: readonly Told[], { id, locationId }: Instrument, air: LoggedAir): readonly ReadClimate[] {
	const read = told
		.filter(({ instrument }) => (locationId ? instrument.locationId === locationId : instrument.id === id))
		.flatMap(({ visits }) =>
			visits.flatMap(({ visit, arrival: { climate } }) =>
				climate
					? [
							{
								at: visit.startedAt.getTime(),
								...{ temperature: climate.temperature ?? undefined, humidity: climate.humidity ?? undefined }
							}
						]
					: []
			)
		);
	return [...read, ...(locationId ? (air.get(locationId)?.values() ?? []) : [])];
}

/**
 * How an instrument was found and left, or one of its sections. Instruments of a house and a kind drift alike; one that stands nowhere
 * is by itself.
 */
export function seriesOf({ instrument, visits }: Told, air: LoggedAir, section?: SectionId): DriftSeries {
	const { id, kind, locationId } = instrument;
	const of = ({ found, left, sections }: PastVisit) =>
		section ? (sections.find((each) => each.id === section) ?? { found: undefined, left: undefined }) : { found, left };
	return {
		...{ id: section ? `${id} ${section}` : id, group: [locationId ?? id, kind, section].filter(Boolean).join(' ') },
		visits: [...visits].reverse().flatMap(({ visit, arrival }) => {
			const { found, left } = of(visit);
			const at = visit.startedAt.getTime();
			if (found === undefined || !visit.finishedAt) return [];
			// What nobody read in the room, its logger may know.
			const humidity = arrival.climate?.humidity ?? loggedOn(air, locationId, at)?.humidity;
			return [{ at, found, left, humidity }];
		})
	};
}
