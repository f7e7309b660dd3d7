import { A4_RANGE, STRING_KINDS } from '@fendrel/core';
import { z } from 'zod';
import { COMPASS, type TuningChoice } from '$lib/tuning/choice';
import { NO_STRETCH } from '$lib/tuning/stretch';
import { stretchWordSchema } from '$lib/tuning/stretchWordSchema';
import { curveMeant, presentStretch } from './curves';
import { strungOf } from '../db/stores/instruments';
import { shelfOf } from '../db/stores/shelf';
import { listTemperaments } from '../db/stores/temperaments';
import { knownStrings } from '../strings/known';

/** So many instruments to choose from at once; others are looked for. */
const OFFERED = 40;

/** What the address may say; anything else counts as not said. */
const query = z.object({
	instrument: z.uuid().optional().catch(undefined),
	kind: z.enum(STRING_KINDS).catch('upright'),
	temperament: z.string().max(60).catch('equal'),
	stretch: stretchWordSchema.optional().catch(undefined),
	a4: z.coerce.number().min(A4_RANGE.lowest).max(A4_RANGE.highest).optional().catch(undefined)
});

/** The instrument, pitch and temperament that an address names, with everything there is to choose from. */
export async function loadTuning(workshopId: string, asked: Record<string, string>): Promise<TuningChoice> {
	const said = query.parse(asked);
	const [offered, temperaments, instrument] = await Promise.all([
		shelfOf(workshopId, { find: '', after: '', most: OFFERED + 1, strung: true }),
		listTemperaments(workshopId),
		said.instrument ? strungOf(workshopId, said.instrument) : undefined
	]);
	const [measured, present] = instrument
		? await Promise.all([knownStrings(workshopId, instrument), presentStretch(workshopId, instrument.id)])
		: [[], undefined];
	const stretch = said.stretch ?? present ?? NO_STRETCH;
	const curve = instrument && (await curveMeant(workshopId, { instrumentId: instrument.id, stretch }));
	const planned = instrument && present && present.by !== 'none' ? present : undefined;
	const { kind, lowest, highest } = instrument ?? { kind: said.kind, ...COMPASS[said.kind] };
	return {
		instruments: offered.slice(0, OFFERED).map(({ id, name }) => ({ id, name })),
		hasMore: offered.length > OFFERED,
		temperaments,
		instrument: instrument && { id: instrument.id, name: instrument.name },
		kind,
		lowest,
		highest,
		measured,
		// A curve of another instrument says nothing about this one.
		stretch: curve || stretch.by !== 'curve' ? stretch : NO_STRETCH,
		curve,
		planned,
		a4: said.a4 ?? instrument?.usualA4 ?? 440,
		temperament:
			temperaments.find(({ slug }) => slug === said.temperament) ?? temperaments.find(({ slug }) => slug === 'equal')!
	};
}
