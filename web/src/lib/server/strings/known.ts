import { equalHz, hz, noteName, tableInharmonicity, tableLoad } from '@fendrel/core';
import { lineProblem, tableRowOf, type StringLine } from '$lib/instruments/scale/stringLine';
import { knownByStrike, struckInharmonicity, type KnownString } from '$lib/tuning/strings';
import type { Result } from '$lib/ui/result';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { inTransaction } from '../db/transaction';
import { readStrings, type Instrument, type ReadString } from '../db/stores/instruments';
import { keepStringTable, stringTablesOf, type StringTable } from '../db/stores/stringTables';
import { strungOr404 } from '../find';

/** What is known of an instrument's strings: readings first, the table of strings where there is none. */
export async function knownStrings(
	workshopId: string,
	instrument: Pick<Instrument, 'id' | 'usualA4'>
): Promise<KnownString[]> {
	const [read, [table]] = await Promise.all([
		readStrings(workshopId, instrument.id),
		stringTablesOf(workshopId, instrument.id, 1)
	]);
	const struck = read.map(knownByReading);
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

/** A string as the kept summary of its readings has it. */
export function knownByReading({ beforeInharmonicity, beforeInharmonicityError, ...read }: ReadString): KnownString {
	const before =
		beforeInharmonicity === null
			? undefined
			: struckInharmonicity({ inharmonicity: beforeInharmonicity, inharmonicityError: beforeInharmonicityError });
	return knownByStrike(read, before);
}

/** Keeps a table of strings, all lines or none. */
export async function keepStringsOf(
	who: Who,
	instrumentId: string,
	strings: StringLine[]
): Promise<Result<StringTable>> {
	const { id, name, lowest, highest, usualA4 } = await strungOr404(who.workshopId, instrumentId);
	for (const line of strings) {
		if (line.note < lowest || line.note > highest)
			return { problem: `${noteName(line.note)} is not on this keyboard.` };
		const problem = lineProblem(line, equalHz(line.note, hz(usualA4)));
		if (problem) return { problem: `${noteName(line.note)}: ${problem}` };
	}
	return inTransaction(async (transaction) => {
		const value = await keepStringTable(who.workshopId, id, strings, new Date(), transaction);
		await noteChange(who, { what: 'strings kept', subjectId: id, name }, transaction);
		return { value };
	});
}
