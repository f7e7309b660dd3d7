import {
	bestOffsets,
	centsBetween,
	createRandom,
	equalHz,
	FIRST_CHORDS,
	fretGroup,
	guitarReadings,
	guitarTarget,
	hz,
	neckById,
	parseFingering,
	pluckedStrings,
	soundedAt,
	soundedPitch,
	soundingsOf,
	stringSounder,
	type Lasting,
	type Neck,
	type NeckTwin,
	type PlannedFrets,
	type Reading,
	type Sounding
} from '@fendrel/core';
import { subWeeks } from 'date-fns';
import { v7 as uuid } from 'uuid';
import { neckCompassOf } from '$lib/instruments/neckForm';
import type { SimulatedPinsRow, VisitRow } from '../db/rows';
import { createInstrument } from '../db/stores/instruments';
import { inTransaction } from '../db/transaction';
import { addAct, addTone, saveRecord, takeTone } from './record';
import { GUITAR } from './scenario';

const SECONDS = { read: 8, set: 30 } as const;
/** Readings err by so many cents. */
const ERROR = 0.15;
/** A hard pluck begins sharper, by so many cents, the lowest strings most. */
const HARD = [2, 2.4, 3.1, 3.6, 4.4, 5.2] as const;

/** A steel-string guitar: measured, its offsets kept under a name, tuned to them. */
export async function loadGuitar(
	workshopId: string,
	today: Date,
	visitOf: (instrumentId: string, startedAt: Date) => VisitRow
): Promise<void> {
	const neck: Neck = { ...neckById(GUITAR.neck)!.neck, places: [], capo: GUITAR.capo };
	const twin: NeckTwin = { kind: 'frets', seed: GUITAR.seed };
	const { name, place, town, maker, madeIn, notes } = GUITAR;
	const details = {
		...({ name, kind: 'frets', location: place, town, place: '', maker, madeIn, notes } as const),
		...{ usualA4: GUITAR.a4, ...neckCompassOf(neck), reeds: null, neck, twin }
	};
	const instrumentId = await inTransaction((transaction) => createInstrument(workshopId, details, transaction));
	const visit = visitOf(instrumentId, subWeeks(today, 5));
	const random = createRandom(GUITAR.seed);
	const a4 = hz(GUITAR.a4);
	const { temperamentId, tolerance, startedAt } = visit;
	const { capo, touch, left } = GUITAR;
	const chords = FIRST_CHORDS.flatMap(({ name, fingering }) => {
		const frets = parseFingering(fingering, neck, capo);
		return frets ? [{ name, fingering, capo, weight: 1, frets }] : [];
	});

	const pegs: Record<number, number> = {};
	let seconds = 240;
	const now = () => new Date(startedAt.getTime() + seconds * 1000);
	const plan = { id: uuid(), a4: GUITAR.a4, temperamentId, tolerance, curveId: null, lead: null };
	const record = { visit, random, device: uuid(), counter: 0, readings: [], acts: [], plan };
	/** The record counts from the open string, softly plucked; what is heard from where it is to sound so. */
	const read = (string: number, how: Sounding, setUp: Lasting['setUp'], wanted: number, target = wanted): Reading => {
		seconds += SECONDS.read;
		const group = fretGroup(string, how.fret);
		const sharp = HARD[string - 1] * how.touch + ERROR * random.normal();
		const pitch = hz(soundedPitch({ twin, neck, moved: { pegs, frets: {} }, a4 }, group, how) * 2 ** (sharp / 1200));
		const { fret: _, ...plucked } = how;
		return addTone(record, now(), {
			...{ sounder: stringSounder(group), pitch, error: ERROR, target, deviation: centsBetween(hz(wanted), pitch) },
			lasting: {
				...{ level: -18, softest: -18, slope: null, slopeError: null, wobble: 0.1, drift: -0.3, setUp },
				plucked
			}
		});
	};
	const ways = soundingsOf(neck);
	const measured: Reading[] = [];
	for (const isCapo of [false, true])
		for (const [i] of neck.strings.entries())
			for (const how of ways.filter((way) => way.capo > 0 === isCapo)) {
				const reading = read(i + 1, how, 'measured', soundedAt(neck, i + 1, how, a4).pitch);
				measured.push(reading);
				if (how === ways[0]) takeTone(record, now(), 'found', reading);
			}
	const strings = pluckedStrings(neck, guitarReadings(neck, a4, measured));
	const offsets = bestOffsets(neck, strings, { a4, chords, touch, step: 0.5 });
	const frets: PlannedFrets = {
		...{ order: 'fromTop', spelled: [], weights: [], keys: '', step: 0.5 },
		offsets: {
			...{ capo, touch, step: 0.5, chords: chords.map(({ frets: _, ...chord }) => chord), use: GUITAR.kept },
			kept: [{ name: GUITAR.kept, offsets, capo, touch }]
		}
	};
	const planned = { ...plan, frets };
	addAct(record, 'plan', startedAt, { plan: planned }, plan.id);
	for (const i of [...neck.strings.keys()].reverse()) {
		seconds += SECONDS.set;
		const soft = hz(equalHz(neck.strings[i].note, a4) * 2 ** (offsets[i] / 1200));
		const sounds = soundedPitch({ twin, neck, moved: { pegs, frets: {} }, a4 }, i + 1);
		pegs[i + 1] = centsBetween(sounds, soft) + 0.2 * random.normal();
		const how: Sounding = { fret: 0, capo, touch, isHarmonic: false };
		takeTone(
			record,
			now(),
			'set',
			read(i + 1, how, 'played', guitarTarget(neck, i + 1, strings[i], offsets[i], how, a4), soft)
		);
	}
	addAct(record, 'note', now(), { text: left });
	addAct(record, 'finish', now(), {});
	const pins: SimulatedPinsRow['moved'] = {};
	for (const [group, by] of Object.entries(pegs)) pins[group] = [{ pin: by, speaking: by }];
	await saveRecord({ ...record, plan: planned }, { ...visit, stage: 'close', finishedAt: now(), note: left }, pins);
}
