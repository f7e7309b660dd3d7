import { fileNoteName } from '@fendrel/core';
import { workshopOf } from '$lib/server/auth/guard';
import { listInstruments } from '$lib/server/db/stores/instruments';
import { registerCsv } from '$lib/instruments/register/columns';

/** The register as a table to take away. */
export async function GET({ locals }) {
	const instruments = await listInstruments(workshopOf(locals));
	const rows = instruments.map(({ location, lowest, highest, ...instrument }) => ({
		...instrument,
		...{ place: location?.name ?? '', town: location?.town ?? '' },
		...{ lowest: fileNoteName(lowest), highest: fileNoteName(highest) }
	}));
	return new Response(registerCsv(rows), {
		headers: {
			'Content-Type': 'text/csv; charset=utf-8',
			'Content-Disposition': 'attachment; filename="fendrel-instruments.csv"'
		}
	});
}
