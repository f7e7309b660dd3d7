import {
	BLANK_BRIEF,
	expectedClimate,
	fallsDue,
	fitDrift,
	otherWorkDue,
	type Drift,
	type ExpectedClimate
} from '@fendrel/core';
import { parseISO } from 'date-fns';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import { bringFor } from '$lib/round/bring';
import { AHEAD, DAY, STEP, type RoundInstrument } from '$lib/round/round';
import { dueReason } from '$lib/settings/dueReason';
import type { Settings } from '$lib/settings/settings';
import { groupsCounted } from '$lib/tuning/kinds';
import { settingsOf } from '../db/stores/accounts';
import { loggedAir } from '../db/stores/placeClimate';
import { isStrung, listInstruments } from '../db/stores/instruments';
import { newestStringTables } from '../db/stores/stringTables';
import { minutesByInstrument } from '../db/stores/visits';
import { workLeft } from '../visits/before';
import { workshopPace } from '../visits/pace';
import { explained } from './instrumentDrift';
import { effortWords, technicianWords, type TelephoneTold, type ToldLook } from '$lib/telephone/told';
import { looksBefore } from '../telephone/looks';
import { airAt, seriesOf, toldVisits, type Told } from '../visits/told';

/** Every instrument that somebody may see: what falls due, and how it drifts. */
export async function roundOf(
	workshopId: string,
	places: readonly string[] | undefined,
	now: number
): Promise<readonly RoundInstrument[]> {
	const settings = await settingsOf(workshopId);
	const [all, pace] = await Promise.all([listInstruments(workshopId), workshopPace(workshopId, settings.minutes)]);
	const instruments = all
		.filter(({ archivedAt }) => !archivedAt)
		.filter(({ locationId }) => !places || (locationId !== null && places.includes(locationId)));
	const ids = instruments.map(({ id }) => id);
	const [told, lengths, tables, air, looks] = await Promise.all([
		toldVisits(workshopId, instruments, now),
		minutesByInstrument(workshopId),
		newestStringTables(workshopId),
		loggedAir(workshopId),
		looksBefore(workshopId, ids)
	]);
	// Reeds move by use, and pegs are turned every day: what is fitted is what strings on pins do.
	const drifts = fitDrift(
		told.flatMap(({ instrument, visits }) => (isStrung(instrument) ? [seriesOf({ instrument, visits }, air)] : []))
	);
	const usual = pace.tariff.visit + pace.tariff.tuning;
	return told.map(({ instrument, visits }) =>
		inRound(
			{
				...{ instrument, visits, settings, now, minutes: lengths.get(instrument.id) ?? usual },
				climate: expectedClimate(airAt(told, instrument, air), now),
				lines: tables.get(instrument.id) ?? [],
				heard: looks.get(instrument.id)?.find((look) => look.told)
			},
			drifts.get(instrument.id)
		)
	);
}

interface Ground extends Told {
	readonly settings: Settings;
	readonly now: number;
	readonly minutes: number;
	readonly climate: ExpectedClimate | undefined;
	/** Its table of strings. */
	readonly lines: readonly StringLine[];
	/** What its owner played last. */
	readonly heard: ToldLook | undefined;
}

function inRound(
	{ instrument, visits, settings, now, minutes, climate, lines, heard }: Ground,
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
		// What was heard before the last visit is past.
		telephone: heard?.told && heard.heardAt!.getTime() > (at ?? 0) ? heardWords(heard.told, heard.agreedBy) : '',
		due: agreed ? parseISO(agreed.on).getTime() : rule,
		other: otherWorkDue(visits.map(({ closing }) => closing)).map(({ work, on, why }) => ({
			...{ work, why },
			due: parseISO(on).getTime()
		})),
		why: agreed ? agreed.why : rule === undefined ? '' : dueReason(brief, settings, moved),
		tolerance: Math.max(1, settings.purposes[purpose].tolerance),
		ahead: drift ? Array.from({ length: AHEAD / STEP + 1 }, (_, i) => short(drift.at(now + i * STEP * DAY))) : [],
		explained: drift ? explained(drift, now) : ''
	};
}

/** "by telephone: 14.2 cents flat ...; agreed by Mrs Hale". */
const heardWords = (told: TelephoneTold, agreedBy: string) =>
	`by telephone: ${technicianWords(told)}; ${effortWords(told)}, ${agreedBy ? `agreed by ${agreedBy}` : 'not agreed yet'}`;

const short = ({ cents, error }: { readonly cents: number; readonly error: number }) => ({
	cents: Number(cents.toFixed(2)),
	error: Number(error.toFixed(2))
});
