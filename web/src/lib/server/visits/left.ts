import { groupRecords, type Hz, hz } from '@fendrel/core';
import { visitSoundersOf } from '../db/stores/summaries';

/** Every note of a visit that was read as it was left. */
export async function leftPitches(
	workshopId: string,
	visitId: string
): Promise<readonly { readonly note: number; readonly pitch: Hz }[]> {
	const sounders = (await visitSoundersOf(workshopId, [visitId])).get(visitId)!;
	return [...groupRecords(sounders).values()].flatMap(({ group: note, left }) => {
		const pitch = left?.figure?.pitch;
		return pitch === undefined ? [] : [{ note, pitch: hz(pitch) }];
	});
}
