import { v7 as uuid } from 'uuid';
import type { CountedOctave } from '$lib/counts/countedOctave';
import { stretchColumns, stretchOf } from '$lib/tuning/stretch';
import { database } from '../connection';
import type { CountedOctaveRow } from '../rows';

/** An octave that was counted, as it is kept. */
export type KeptOctave = CountedOctave & { readonly id: string; readonly countedAt: Date };

export async function saveCountedOctave(
	workshopId: string,
	{ stretch, ...octave }: CountedOctave,
	countedAt = new Date()
): Promise<string> {
	const id = uuid();
	const row = { id, workshopId, countedAt, ...octave, ...stretchColumns(stretch) };
	await database().models.countedOctaves.create(row);
	return id;
}

function kept({ workshopId: _, curveId, curveLead, ...octave }: CountedOctaveRow): KeptOctave {
	// Before the app counted, whoever counted was an ear.
	const counts = octave.counts.map((count) => ({ ...count, by: count.by ?? ('ear' as const) }));
	return { ...octave, counts, stretch: stretchOf({ curveId, curveLead }) };
}

export async function getCountedOctave(workshopId: string, id: string): Promise<KeptOctave | undefined> {
	const row = await database().models.countedOctaves.findOne({ where: { workshopId, id } });
	return row ? kept(row.get()) : undefined;
}

/** The newest first. */
export async function listCountedOctaves(workshopId: string, most = 12): Promise<KeptOctave[]> {
	const rows = await database().models.countedOctaves.findAll({
		where: { workshopId },
		order: [['countedAt', 'DESC']],
		limit: most
	});
	return rows.map((row) => kept(row.get()));
}
