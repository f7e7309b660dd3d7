import { groupOf, type ReadString, type SounderRecord } from '@fendrel/core';
import type { TwinVisit } from '$lib/practice/twin/twinState';
import { visitSoundersOf } from '../db/stores/summaries';
import { visitsOf } from '../db/stores/visits';

/** So many of the newest visits say how an instrument stood. */
const NEWEST = 8;

const read = (
	records: readonly SounderRecord[],
	pitchOf: (record: SounderRecord) => number | undefined
): ReadString[] =>
	records.flatMap((record) => {
		const pitch = pitchOf(record);
		return pitch === undefined ? [] : [{ note: groupOf(record.sounder), pitch }];
	});

/** What visits say of how an instrument was found and left, the newest first. */
export async function twinVisits(workshopId: string, instrumentId: string): Promise<TwinVisit[]> {
	const visits = (await visitsOf(workshopId, instrumentId)).slice(0, NEWEST);
	const sounders = await visitSoundersOf(
		workshopId,
		visits.map(({ id }) => id)
	);
	return visits.map(({ id, startedAt }) => {
		const records = sounders.get(id) ?? [];
		return {
			...{ id, at: startedAt },
			found: read(records, ({ found }) => found?.pitch),
			left: read(records, ({ left }) => left?.figure?.pitch)
		};
	});
}
