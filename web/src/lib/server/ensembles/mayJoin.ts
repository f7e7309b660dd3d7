import type { Moves } from '@fendrel/core';
import { listInstruments, type Instrument } from '../db/stores/instruments';
import { lastSetOf } from '../db/stores/visits';
import { temperamentBySlug } from '../db/stores/temperaments';

/** What an instrument can move for others: keyboards stay for the evening, reeds for good. */
const movesOf = ({ kind, neck }: Instrument): Moves =>
	kind === 'frets' ? (neck.family === 'guitar' ? 'pitch' : 'everything') : 'nothing';

/** Instruments of the register as members of an ensemble: as each was left last. */
export async function mayJoin(workshopId: string) {
	const [instruments, last, equal] = await Promise.all([
		listInstruments(workshopId),
		lastSetOf(workshopId),
		temperamentBySlug(workshopId, 'equal')
	]);
	return instruments.map((instrument) => {
		const { id, name, lowest, highest, usualA4 } = instrument;
		const left = last.get(id);
		return {
			...{ id, name, lowest, highest, moves: movesOf(instrument), a4: left?.a4 ?? usualA4 },
			temperamentId: left?.temperamentId ?? equal!.id
		};
	});
}
