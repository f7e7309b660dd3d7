import { stringsAt } from '@fendrel/core';
import { stringTablesOf } from '../db/stores/stringTables';
import { strungOr404 } from '../find';
import { knownStrings } from '../strings/known';
import { byTable, statedStringing } from '../strings/stringing';
import { visitHistory } from '../visits/history';

/** What the Scale page shows: strings as known, tables as kept, and how low the instrument was last found. */
export async function loadScale(workshopId: string, instrumentId: string) {
	const instrument = await strungOr404(workshopId, instrumentId);
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
