import { otherWorkDue } from '@fendrel/core';
import { parseISO } from 'date-fns';
import { capital, counted, fixed, inHz, listed, onShortDay } from '$lib/ui/format';
import { groupsCounted } from '$lib/tuning/kinds';
import { toldVisits, type Told, type ToldVisit } from '../visits/told';
import { workshopNamed } from '../db/stores/accounts';
import { listInstruments } from '../db/stores/instruments';
import { listPlaces } from '../db/stores/locations';
import { visitsOfEach } from '../db/stores/visits';
import { orNotFound } from '../find';
import { workLeft } from '../visits/before';

/** What was done at a place in a year, in words and figures for whoever pays for it. */
export interface Statement {
	readonly title: string;
	readonly workshop: string;
	readonly headline: string;
	readonly instruments: readonly {
		readonly name: string;
		/** "14 Jul 2026": what was done; a row each. */
		readonly visits: readonly (readonly [day: string, minutes: string, done: string, left: string])[];
		readonly next: string;
		readonly work: readonly string[];
	}[];
}

const finishedIn = ({ visits }: Told, year: number): readonly ToldVisit[] =>
	visits.filter(({ visit }) => visit.finishedAt?.getFullYear() === year).reverse();

const minutesOf = ({ visit }: ToldVisit): number =>
	Math.round((visit.finishedAt!.getTime() - visit.startedAt.getTime()) / 60_000);

/** Years in which something was done at a place, the last first. */
export async function statementYears(workshopId: string, placeId: string): Promise<readonly number[]> {
	const instruments = await instrumentsAt(workshopId, placeId);
	const visits = await visitsOfEach(
		workshopId,
		instruments.map(({ id }) => id)
	);
	const years = [...visits.values()].flat().flatMap(({ finishedAt }) => (finishedAt ? [finishedAt.getFullYear()] : []));
	return [...new Set(years)].sort((a, b) => b - a);
}

async function instrumentsAt(workshopId: string, placeId: string) {
	return (await listInstruments(workshopId)).filter(({ locationId }) => locationId === placeId);
}

export async function statementOf(workshopId: string, placeId: string, year: number, now: number): Promise<Statement> {
	const [places, workshop, told] = await Promise.all([
		listPlaces(workshopId),
		workshopNamed(workshopId),
		instrumentsAt(workshopId, placeId).then((all) => toldVisits(workshopId, all, now))
	]);
	const place = orNotFound(
		places.find(({ id }) => id === placeId),
		'place'
	);
	const all = told.map((each) => ({ ...each, done: finishedIn(each, year) }));
	const visits = all.flatMap(({ done }) => done);
	const hours = visits.reduce((sum, each) => sum + minutesOf(each), 0) / 60;
	const seen = all.filter(({ done }) => done.length).length;
	return {
		title: `${[place.name, place.town].filter(Boolean).join(', ')}: ${year}`,
		workshop: workshop.name,
		headline: visits.length
			? `${counted(visits.length, 'visit')} to ${seen} of ${counted(all.length, 'instrument')}, ${fixed(hours, 1)} hours in all.`
			: `No visit to any of ${counted(all.length, 'instrument')} in ${year}.`,
		instruments: all
			.filter(({ instrument, done }) => done.length || !instrument.archivedAt)
			.map(({ instrument, visits: past, done }) => ({
				name: [instrument.name, instrument.maker].filter(Boolean).join(', '),
				visits: done.map((each) => lineOf(each, instrument.kind)),
				next: nextWords(past),
				work: workLeft(past.map(({ arrival }) => arrival)).map(({ text }) => text)
			}))
	};
}

/** Day, minutes, what was done, how it was left. */
function lineOf(told: ToldVisit, kind: Told['instrument']['kind']): readonly [string, string, string, string] {
	const { visit, arrival } = told;
	const air = arrival.climate?.humidity;
	const done = [
		`${groupsCounted(visit.notesSet, kind)} set`,
		visit.movedMean === undefined ? '' : `${fixed(visit.movedMean, 1)} cents moved on average`,
		air == null ? '' : `air at ${fixed(air, 0)} %`
	];
	return [
		onShortDay(visit.finishedAt!),
		`${minutesOf(told)} min`,
		capital(done.filter(Boolean).join(', ')),
		visit.a4Left ? `A4 ${inHz(visit.a4Left)} Hz` : ''
	];
}

function nextWords(visits: readonly ToldVisit[]): string {
	const agreed = visits.find(({ visit }) => visit.finishedAt)?.closing.again;
	const also = otherWorkDue(visits.map(({ closing }) => closing)).map(
		({ work, on }) => `${work} ${onShortDay(parseISO(on))}`
	);
	const said = [...(agreed ? [`tuning ${onShortDay(parseISO(agreed.on))}`] : []), ...also];
	return said.length ? `Next: ${listed(said)}.` : '';
}
