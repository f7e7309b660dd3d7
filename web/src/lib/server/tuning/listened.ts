import { defaultTwin, USUAL_HABITS } from '@fendrel/core';
import type { TuningChoice } from '$lib/tuning/choice';
import type { Listened } from '$lib/tuning/listened';
import { habitsOf } from '../db/stores/accounts';
import { strungOf } from '../db/stores/instruments';
import { statedStringing, stringingOf } from '../strings/stringing';

/** A typical instrument is always the same one; none of its leading strings from C4 to A5 beats by itself. */
const TYPICAL_SEED = 14;

/** What whoever listens to an instrument needs besides its plan. */
export async function loadListened(
	workshopId: string,
	{ instrument: chosen, kind, lowest, highest }: TuningChoice
): Promise<Listened> {
	const [habits, instrument] = await Promise.all([habitsOf(workshopId), chosen && strungOf(workshopId, chosen.id)]);
	const stringing = instrument
		? await stringingOf(workshopId, instrument)
		: statedStringing({ stringing: null, kind, lowest, highest });
	return {
		id: instrument?.id ?? kind,
		habits: habits ?? USUAL_HABITS,
		twin: instrument?.twin ?? defaultTwin(kind, lowest, highest, TYPICAL_SEED, 440),
		stringing
	};
}
