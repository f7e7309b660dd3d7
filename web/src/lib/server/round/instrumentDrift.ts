import { fitDrift, leaveAt, type Drift, type SectionId } from '@fendrel/core';
import { addDays, format } from 'date-fns';
import { DAY, driftWords, STEP } from '$lib/round/round';
import { changeWords, type InstrumentDrift } from '$lib/instruments/drift';
import { listInstruments, isStrung, type StrungInstrument } from '../db/stores/instruments';
import { loggedAir } from '../db/stores/placeClimate';
import { seriesOf, toldVisits } from '../visits/told';

/** So many of the same house and kind say how such instruments drift. */
const NEIGHBOURS = 40;
/** Days that are looked ahead. */
const AHEAD = 182;

/** How an instrument drifts, and its sections, by its own visits and those of its house. @returns undefined before the first visit */
export async function instrumentDrift(
	workshopId: string,
	instrument: StrungInstrument,
	now: number,
	/** When it is tuned again, in milliseconds since 1970. */
	next: number | undefined
): Promise<InstrumentDrift | undefined> {
	const { id, kind, locationId } = instrument;
	const others = (await listInstruments(workshopId))
		.filter((other) => other.id !== id && other.kind === kind && other.locationId === locationId && locationId !== null)
		.filter(isStrung)
		.slice(0, NEIGHBOURS);
	const [told, air] = await Promise.all([toldVisits(workshopId, [instrument, ...others], now), loggedAir(workshopId)]);
	const [own] = told;
	const series = seriesOf(own, air);
	if (series.visits.length === 0) return undefined;
	const drift = fitDrift(told.map((each) => seriesOf(each, air))).get(id)!;
	const sections = [...new Set(own.visits.flatMap(({ visit }) => visit.sections.map((section) => section.id)))];
	const fitted = fitDrift(sections.flatMap((section) => told.map((each) => seriesOf(each, air, section))));
	const until = next !== undefined && next > now + 14 * DAY ? next : now + AHEAD * DAY;
	const { cents, error } = leaveAt(drift, now, until);
	return {
		ahead: Array.from({ length: AHEAD / STEP + 1 }, (_, i) => ({
			at: now + i * STEP * DAY,
			...drift.at(now + i * STEP * DAY)
		})),
		sections: sections.flatMap((section: SectionId) => {
			const of = fitted.get(`${id} ${section}`);
			return of ? [{ id: section, ...of.at(now), trend: of.causes.trend.cents }] : [];
		}),
		explained: explained(drift, now),
		changed: changeWords(series.visits),
		leave: { cents, error, until },
		visits: series.visits.length,
		neighbours: others.length
	};
}

/** What makes it drift, in words. */
export function explained({ causes }: Drift, now: number): string {
	const year = new Date(new Date(now).getUTCFullYear(), 0, 1);
	return driftWords(causes.trend.cents, causes.humidity, causes.wave, format(addDays(year, causes.highest), 'MMMM'));
}
