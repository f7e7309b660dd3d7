import {
	breakOf,
	centsBetween,
	groupOf,
	hz,
	sectionsOf,
	steadiness,
	strayPins,
	usualStringing,
	type KeptSpan,
	type SounderRecord,
	type Steadiness,
	type StrayPin
} from '@fendrel/core';
import { Op } from 'sequelize';
import { database } from '../db/connection';
import { visitSoundersOf } from '../db/stores/summaries';
import { visitsOf } from '../db/stores/visits';

/** Visits of an instrument whose strings are followed, and of one's own over all instruments. */
const FOLLOWED = 8;
const OWN = 60;

/** From how one visit left strings to how the next found them. */
function spanBetween(left: readonly SounderRecord[], found: readonly SounderRecord[]): KeptSpan {
	const next = new Map(found.map((record) => [record.sounder, record.found?.pitch]));
	return left.flatMap(({ sounder, left: as }) => {
		const [from, to] = [as?.figure?.pitch, next.get(sounder)];
		if (from === undefined || to === undefined) return [];
		return [{ sounder, note: groupOf(sounder), moved: centsBetween(hz(from), hz(to)) }];
	});
}

/** Pins of an instrument that never hold, by its newest visits. */
export async function strayPinsOf(workshopId: string, instrumentId: string): Promise<readonly StrayPin[]> {
	const visits = (await visitsOf(workshopId, instrumentId))
		.filter(({ finishedAt }) => finishedAt)
		.slice(0, FOLLOWED)
		.reverse();
	const sounders = await visitSoundersOf(
		workshopId,
		visits.map(({ id }) => id)
	);
	return strayPins(
		visits.slice(1).map((visit, i) => spanBetween(sounders.get(visits[i].id)!, sounders.get(visit.id)!))
	);
}

/** Registers by which one's own work is told, whatever the instrument. */
const REGISTERS = sectionsOf(21, 108, breakOf(usualStringing('grand', 21, 108)));
const registerOf = (note: number) => REGISTERS.find(({ from, to }) => note >= from && note <= to)?.id ?? 'top';

/** How steady the strings that somebody set have stayed until the next visit, by register. */
export async function ownSteadiness(workshopId: string, userId: string): Promise<readonly Steadiness[]> {
	const { visits } = database().models;
	const rows = await visits.findAll({
		where: { workshopId, startedBy: userId, finishedAt: { [Op.ne]: null } },
		order: [['startedAt', 'DESC']],
		limit: OWN
	});
	const own = rows.map((row) => row.get());
	const all = await visits.findAll({
		where: {
			workshopId,
			instrumentId: [...new Set(own.map(({ instrumentId }) => instrumentId))],
			finishedAt: { [Op.ne]: null }
		},
		attributes: ['id', 'instrumentId', 'startedAt'],
		order: [['startedAt', 'ASC']]
	});
	const later = all.map((row) => row.get());
	const pairs = own.flatMap(({ id, instrumentId, startedAt }) => {
		const next = later.find((each) => each.instrumentId === instrumentId && each.startedAt > startedAt);
		return next ? [{ id, next: next.id }] : [];
	});
	const sounders = await visitSoundersOf(workshopId, [...new Set(pairs.flatMap(({ id, next }) => [id, next]))]);
	return steadiness(
		pairs.map(({ id, next }) => spanBetween(sounders.get(id)!, sounders.get(next)!)),
		registerOf
	);
}
