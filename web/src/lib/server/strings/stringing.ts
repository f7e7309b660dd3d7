import { noteName, stringingFrom, stringingProblem, usualStringing, type Stringing } from '@fendrel/core';
import type { StringLine } from '$lib/instruments/scale/stringLine';
import type { Who } from '../auth/session';
import { noteChange } from '../db/stores/changes';
import { inTransaction } from '../db/transaction';
import { keepStringing, type StrungInstrument } from '../db/stores/instruments';
import { strungOr404 } from '../find';
import { stringTablesOf } from '../db/stores/stringTables';

type Strung = Pick<StrungInstrument, 'id' | 'kind' | 'lowest' | 'highest' | 'stringing'>;

/** How an instrument is strung but for its table: as somebody said, else as its kind usually is. */
export function statedStringing({ stringing, kind, lowest, highest }: Omit<Strung, 'id'>): Stringing {
	const usual = usualStringing(kind, lowest, highest);
	const fits = stringing && stringing.lowest === lowest && stringing.sections.at(-1)?.to === highest;
	// A compass that was changed since leaves what was said of the old one behind.
	return fits ? stringing : usual;
}

export function byTable(stated: Stringing, lines: readonly StringLine[]): Stringing {
	return stringingFrom(
		stated,
		lines.map(({ note, strings, outer }) => ({ note, strings, wound: outer !== null }))
	);
}

/** How an instrument is strung: by its table of strings where that knows, else as stated. */
export async function stringingOf(workshopId: string, instrument: Strung): Promise<Stringing> {
	const [table] = await stringTablesOf(workshopId, instrument.id, 1);
	return byTable(statedStringing(instrument), table?.strings ?? []);
}

/** @returns undefined when it is kept, else why it does not fit the keyboard */
export async function keepStringingOf(who: Who, id: string, stringing: Stringing | null): Promise<string | undefined> {
	const instrument = await strungOr404(who.workshopId, id);
	if (stringing && stringing.lowest !== instrument.lowest)
		return `The keyboard begins at ${noteName(instrument.lowest)}.`;
	const problem = stringing ? stringingProblem(stringing, instrument.highest, noteName) : undefined;
	if (problem) return problem;
	await inTransaction(async (transaction) => {
		await keepStringing(who.workshopId, id, stringing, transaction);
		await noteChange(who, { what: 'stringing kept', subjectId: id, name: instrument.name }, transaction);
	});
	return undefined;
}
