import { bendFloor, bendsOf, centsBetween, hz, noteName, type Bend } from '@fendrel/core';
import { signed } from '$lib/ui/format';
import type { ReedVisit } from '../reedVisit.svelte';

/** A bend and where it ends. */
export interface BendNow extends Bend {
	/** "Draw 3" */
	readonly name: string;
	/** "A4 +12": the note, and cents from it. */
	readonly ends: string;
	readonly isRead: boolean;
}

/** Where every bend ends: as it was read last, or by what is known of this player. */
export function bendsNow(open: ReedVisit): readonly BendNow[] {
	const { body, floors, tonic } = open;
	return bendsOf(body).flatMap((bend): BendNow[] => {
		const read = open.record.report.bent.findLast(({ beneath }) => beneath === bend.beneath);
		const beneath = open.reed(bend.beneath)?.standing?.pitch ?? open.targetOf(bend.beneath)!;
		const above = (pitch: number) => centsBetween(tonic, hz(pitch));
		const floor = read
			? above(read.floor)
			: bendFloor(
					{
						higher: 100 * bend.higher,
						[bend.by === 'auxiliary' ? 'auxiliary' : 'lower']: above(beneath)
					},
					floors
				);
		if (floor === undefined) return [];
		const note = Math.round(floor / 100);
		const ends = `${noteName(body.tonic + note)} ${signed(floor - 100 * note, 0)}`;
		return [{ ...bend, name: open.family.groupName(bend.bends), ends, isRead: read !== undefined }];
	});
}
