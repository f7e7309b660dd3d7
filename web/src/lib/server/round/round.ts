import {
	arrivalOf,
	BLANK_BRIEF,
	closingOf,
	expectedClimate,
	fallsDue,
	fitDrift,
	isArrivalAct,
	isClosingAct,
	type Drift,
	type DriftSeries,
	type ExpectedClimate
} from '@fendrel/core';
import { addDays, format, parseISO } from 'date-fns';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import { bringFor } from '$lib/round/bring';
import { AHEAD, DAY, driftWords, STEP, type RoundInstrument } from '$lib/round/round';
import { dueReason } from '$lib/settings/dueReason';
import type { Settings } from '$lib/settings/settings';
import { groupsCounted } from '$lib/tuning/kinds';
import { settingsOf } from '../db/stores/accounts';
import { isStrung, listInstruments, type Instrument } from '../db/stores/instruments';
import { actsOfVisits } from '../db/stores/record';
import { newestStringTables } from '../db/stores/stringTables';
import { minutesByInstrument } from '../db/stores/visits';
import { workLeft } from '../visits/before';
import { workshopPace } from '../visits/pace';
import { standingActs } from '../visits/standingActs';
import { visitHistories, type PastVisit } from '../visits/history';

/** Every instrument that somebody may see: what falls due, and how it drifts. */
export async function roundOf(
	workshopId: string,
	places: readonly string[] | undefined,
	now: number
): Promise<readonly RoundInstrument[]> {
	const settings = await settingsOf(workshopId);
	const [all, pace] = await Promise.all([listInstruments(workshopId), workshopPace(workshopId, settings.minutes)]);
	const instruments = all.filter(({ locationId }) => !places || (locationId !== null && places.includes(locationId)));
	const [histories, lengths, tables] = await Promise.all([
		visitHistories(workshopId, instruments),
		minutesByInstrument(workshopId),
		newestStringTables(workshopId)
	]);
	const acts = await actsOfVisits(
		workshopId,
		[...histories.values()].flatMap((visits) => visits.map(({ id }) => id)),
		['brief', 'climate', 'finding', 'again', 'takeBack']
	);
	const told = instruments.map((instrument) => {
		// Seen from an earlier day, what came after it is not known.
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
	// Reeds move by use, and pegs are turned every day: what is fitted is what strings on pins do.
	const drifts = fitDrift(
		told.flatMap(({ instrument, visits }) => (isStrung(instrument) ? [seriesOf(instrument, visits)] : []))
	);
	const usual = pace.tariff.visit + pace.tariff.tuning;
	return told.map(({ instrument, visits }) =>
		inRound(
			{
				...{ instrument, visits, settings, now, minutes: lengths.get(instrument.id) ?? usual },
				climate: expectedClimate(airAt(told, instrument), now),
				lines: tables.get(instrument.id) ?? []
			},
			drifts.get(instrument.id)
		)
	);
}

interface ToldVisit {
	readonly visit: PastVisit;
	readonly arrival: ReturnType<typeof arrivalOf>;
	readonly closing: ReturnType<typeof closingOf>;
}

interface Told {
	readonly instrument: Instrument;
	/** Newest first. */
	readonly visits: readonly ToldVisit[];
}

/** What was read of the air where an instrument stands, at any instrument there. */
const airAt = (told: readonly Told[], { id, locationId }: Instrument) =>
	told
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

/** Instruments of a house and a kind drift alike; one that stands nowhere is by itself. */
const seriesOf = ({ id, kind, locationId }: Instrument, visits: readonly ToldVisit[]): DriftSeries => ({
	...{ id, group: `${locationId ?? id} ${kind}` },
	visits: [...visits].reverse().flatMap(({ visit, arrival }) =>
		visit.found === undefined || !visit.finishedAt
			? []
			: [
					{
						...{ at: visit.startedAt.getTime(), found: visit.found, left: visit.left },
						humidity: arrival.climate?.humidity ?? undefined
					}
				]
	)
});

interface Ground extends Told {
	readonly settings: Settings;
	readonly now: number;
	readonly minutes: number;
	readonly climate: ExpectedClimate | undefined;
	/** Its table of strings. */
	readonly lines: readonly StringLine[];
}

function inRound(
	{ instrument, visits, settings, now, minutes, climate, lines }: Ground,
	drift: Drift | undefined
): RoundInstrument {
	const { id, name, kind, location, locationId } = instrument;
	const open = visits.find(({ visit }) => !visit.finishedAt)?.visit;
	const findings = workLeft(visits.map(({ arrival }) => arrival)).map(({ text }) => text);
	const last = visits.find(({ visit }) => visit.finishedAt);
	const brief = visits.find(({ arrival }) => arrival.isBriefed)?.arrival.brief ?? BLANK_BRIEF;
	const { purpose, played } = brief;
	const at = last?.visit.finishedAt?.getTime();
	const moved = last?.visit.movedMean ?? 0;
	const agreed = last?.closing.again;
	const rule =
		at === undefined ? undefined : fallsDue(at, brief, settings.again, moved, settings.purposes[purpose].followUp);
	return {
		...{ id, name, locationId, last: at, purpose, played, minutes: Math.round(minutes), findings, climate },
		...{ open: open?.id, set: open ? groupsCounted(open.notesSet, kind) : '', bring: bringFor(kind, findings, lines) },
		place: location?.name ?? '',
		due: agreed ? parseISO(agreed.on).getTime() : rule,
		why: agreed ? agreed.why : rule === undefined ? '' : dueReason(brief, settings, moved),
		tolerance: Math.max(1, settings.purposes[purpose].tolerance),
		ahead: drift ? Array.from({ length: AHEAD / STEP + 1 }, (_, i) => short(drift.at(now + i * STEP * DAY))) : [],
		explained: drift ? explained(drift, now) : ''
	};
}

const short = ({ cents, error }: { readonly cents: number; readonly error: number }) => ({
	cents: Number(cents.toFixed(2)),
	error: Number(error.toFixed(2))
});

function explained({ causes }: Drift, now: number): string {
	const year = new Date(new Date(now).getUTCFullYear(), 0, 1);
	return driftWords(causes.trend.cents, causes.humidity, causes.wave, format(addDays(year, causes.highest), 'MMMM'));
}
