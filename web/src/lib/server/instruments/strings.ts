import { equalHz, hz, noteName, stringsAt, tableInharmonicity, tableLoad } from '@fendrel/core';
import { lineProblem, tableRowOf, type StringLine } from '$lib/instruments/scale/schema';
import { knownByStrike, type KnownString } from '$lib/tuning/strings';
import type { Result } from '$lib/ui/result';
import { readStrings, type Instrument } from '../db/stores/instruments';
import { keepStringTable, stringTablesOf, type StringTable } from '../db/stores/stringTables';
import { instrumentOr404 } from '../find';
import { byTable, statedStringing } from './stringing';
import { visitHistory } from '../visits/history';

/** What is known of an instrument's strings: readings first, the table of strings where there is none. */
export async function knownStrings(
	workshopId: string,
	instrument: Pick<Instrument, 'id' | 'usualA4'>
): Promise<KnownString[]> {
	const [read, [table]] = await Promise.all([
		readStrings(workshopId, instrument.id),
		stringTablesOf(workshopId, instrument.id, 1)
	]);
	const struck = read.map(knownByStrike);
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

/** Keeps a table of strings, all lines or none. */
export async function keepStringsOf(
	workshopId: string,
	instrumentId: string,
	strings: StringLine[]
): Promise<Result<StringTable>> {
	const { id, lowest, highest, usualA4 } = await instrumentOr404(workshopId, instrumentId);
	for (const line of strings) {
		if (line.note < lowest || line.note > highest)
			return { problem: `${noteName(line.note)} is not on this keyboard.` };
		const problem = lineProblem(line, equalHz(line.note, hz(usualA4)));
		if (problem) return { problem: `${noteName(line.note)}: ${problem}` };
	}
	return { value: await keepStringTable(workshopId, id, strings) };
}

/** What the Scale page shows: strings as known, tables as kept, and how low the instrument was last found. */
export async function loadScale(workshopId: string, instrumentId: string) {
	const instrument = await instrumentOr404(workshopId, instrumentId);
	const [known, tables, history] = await Promise.all([
		knownStrings(workshopId, instrument),
		stringTablesOf(workshopId, instrument.id),
		visitHistory(workshopId, instrument)
	]);
	const { id, name, kind, lowest, highest, usualA4 } = instrument;
	const stated = statedStringing(instrument);
	const stringing = byTable(stated, tables[0]?.strings ?? []);
	const found = history[0]?.finishedAt ? undefined : history[0]?.found;
	return {
		instrument: { id, name, kind, lowest, highest, usualA4 },
		known,
		tables,
		stringing,
		/** As it is but for its table: what is edited by sections, and whether somebody did. */
		stated,
		isStated: instrument.stringing !== null,
		stringsAt: Array.from({ length: highest - lowest + 1 }, (_, i) => stringsAt(stringing, lowest + i)),
		/** Cents that the open visit has found it to lie below its usual pitch; 0 when there is none. */
		low: found === undefined ? 0 : Math.max(0, Math.round(-found))
	};
}
