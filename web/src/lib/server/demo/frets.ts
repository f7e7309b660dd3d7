import {
	centsBetween,
	createRandom,
	FAMILIES,
	fretGroup,
	fretPlaceOf,
	fretTargets,
	hz,
	neckById,
	soundedPitch,
	stringSounder,
	usualSuspects,
	type Hz,
	type Neck,
	type NeckTwin,
	type Random,
	type Reading
} from '@fendrel/core';
import { subMonths } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { neckCompassOf } from '$lib/instruments/neckForm';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import type { SimulatedPinsRow, VisitRow } from '../db/rows';
import { createInstrument } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { addAct, addTone, saveRecord, takeTone } from './record';
import { HALF_FRETTED, NECKED, type DemoNeck } from './scenario';

/** Seconds that a string takes to be read, and to be set. */
const SECONDS = { read: 14, set: 40 } as const;
/** Readings err by so many cents. */
const ERROR = 0.2;
const BOWED = {
	level: -20,
	softest: -24,
	slope: null,
	slopeError: null,
	wobble: 1.6,
	drift: 0.4,
	setUp: 'played'
} as const;
/** Frets that were read, of those where trouble is looked for first. */
const READ = 3;

/** The consort of the tide mill: one viol is half done. */
export async function loadNecks(
	workshopId: string,
	today: Date,
	temperaments: readonly StoredTemperament[],
	visitOf: (
		instrumentId: string,
		startedAt: Date,
		set: { readonly temperament: string; readonly a4: number }
	) => VisitRow
): Promise<void> {
	for (const [i, each] of NECKED.entries()) {
		const neck: Neck = { ...neckById(each.neck)!.neck, places: [] };
		const twin: NeckTwin = { kind: 'frets', seed: 5200 + 13 * i };
		const details = {
			...({ name: each.name, kind: 'frets', location: each.place, town: each.town, place: '' } as const),
			...{ maker: each.maker, madeIn: each.madeIn, notes: each.notes, usualA4: each.a4 },
			...{ ...neckCompassOf(neck), reeds: null, neck, twin }
		};
		const instrumentId = await inTransaction((transaction) => createInstrument(workshopId, details, transaction));
		const temperament = temperaments.find(({ slug }) => slug === each.temperament)!;
		const isHalf = each.name === HALF_FRETTED;
		const at = isHalf ? today : subMonths(today, 5);
		const visit = visitOf(instrumentId, at, { temperament: each.temperament, a4: each.a4 });
		await loadVisit({ each, neck, twin, temperament, visit, isHalf, random: createRandom(8100 + i) });
	}
}

interface NeckDemo {
	readonly each: DemoNeck;
	readonly neck: Neck;
	readonly twin: NeckTwin;
	readonly temperament: StoredTemperament;
	readonly visit: VisitRow;
	/** Strings are set and frets are read; nothing has been moved. */
	readonly isHalf: boolean;
	readonly random: Random;
}

async function loadVisit({ each, neck, twin, temperament, visit, isHalf, random }: NeckDemo): Promise<void> {
	const { a4, temperamentId, tolerance, startedAt } = visit;
	const plan = { id: uuid(), a4, temperamentId, tolerance, curveId: null, lead: null };
	const record = { visit, random, device: uuid(), counter: 0, readings: [], acts: [], plan };
	addAct(record, 'plan', startedAt, { plan }, plan.id);
	const targets = new Map(fretTargets(neck, { a4: hz(a4), temperament }).map(({ group, pitch }) => [group, pitch]));
	const pegs: Record<number, number> = {};
	let seconds = 300;
	const now = () => new Date(startedAt.getTime() + seconds * 1000);
	const sounds = (group: number): Hz => soundedPitch({ twin, neck, moved: { pegs, frets: {} }, a4: hz(a4) }, group);
	const read = (group: number): Reading => {
		seconds += SECONDS.read;
		const pitch = sounds(group) * 2 ** ((ERROR * random.normal()) / 1200);
		const target = targets.get(group)!;
		const deviation = centsBetween(target, hz(pitch));
		return addTone(record, now(), {
			sounder: stringSounder(group),
			pitch,
			error: ERROR,
			target,
			deviation,
			lasting: BOWED
		});
	};
	const open = FAMILIES.frets.order(neck).flatMap(({ note }) => (fretPlaceOf(note).fret === 0 ? note : []));
	for (const group of open) takeTone(record, now(), 'found', read(group));
	for (const group of open) {
		seconds += SECONDS.set;
		pegs[group] = (pegs[group] ?? 0) + centsBetween(sounds(group), targets.get(group)!) + 0.3 * random.normal();
		takeTone(record, now(), 'set', read(group));
	}
	for (const fret of usualSuspects(neck).slice(0, READ))
		for (const [i] of neck.strings.entries()) {
			const group = fretGroup(i + 1, fret);
			takeTone(record, now(), 'found', read(group));
		}
	const pins: SimulatedPinsRow['moved'] = {};
	for (const [group, by] of Object.entries(pegs)) pins[group] = [{ pin: by, speaking: by }];
	if (isHalf) {
		addAct(record, 'place', now(), { group: fretGroup(1, usualSuspects(neck)[0]) });
		await saveRecord(record, { ...visit, stage: 'set' }, pins);
		return;
	}
	addAct(record, 'note', now(), { text: each.left });
	addAct(record, 'finish', now(), {});
	await saveRecord(record, { ...visit, stage: 'close', finishedAt: now(), note: each.left }, pins);
}
