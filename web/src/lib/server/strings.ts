import { cents, centsBetween, equalHz, hz, tableInharmonicity, tableLoad } from '@fendrel/core';
import { tableRowOf } from '$lib/instruments/scale/schema';
import type { KnownString } from '$lib/tuning/strings';
import { readStrings, type Instrument, type ReadString } from './db/stores/instruments';
import { stringTablesOf } from './db/stores/stringTables';

/** Readings from before errors were stored: as sure as the listener usually is. */
const USUAL = { b: 0.05, pitch: 0.1 } as const;
const CENTS = 1200 / Math.LN2;
const short = (value: number) => Number(value.toFixed(4));

/** What is known of an instrument's strings: readings first, the table of strings where there is none. */
export async function knownStrings(
	workshopId: string,
	instrument: Pick<Instrument, 'id' | 'usualA4'>
): Promise<KnownString[]> {
	const [read, [table]] = await Promise.all([
		readStrings(workshopId, instrument.id),
		stringTablesOf(workshopId, instrument.id, 1)
	]);
	const struck = read.map(fromReading);
	const has = new Set(struck.map(({ note }) => note));
	const load = tableLoad(
		(table?.strings ?? []).map(tableRowOf),
		(note) => equalHz(note, hz(instrument.usualA4)),
		0,
		new Map()
	);
	const calculated = tableInharmonicity(load)
		.filter(({ note }) => !has.has(note))
		.map(({ note, b, error }): KnownString => ({ note, b, error, partials: [], by: 'table' }));
	return [...struck, ...calculated];
}

function fromReading({
	note,
	pitch,
	pitchError,
	inharmonicity,
	inharmonicityError,
	partials
}: ReadString): KnownString {
	const ownError = pitchError ?? USUAL.pitch;
	return {
		note,
		b: inharmonicity,
		error: inharmonicityError ?? USUAL.b * inharmonicity,
		partials: partials.map(({ partial, frequency, error }) => ({
			partial,
			sharpness: cents(short(centsBetween(hz(pitch * partial), hz(frequency)))),
			error: cents(short(Math.hypot((CENTS * error) / frequency, ownError)))
		})),
		by: 'strike'
	};
}
