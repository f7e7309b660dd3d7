import { weightedLine } from '../numeric/weighted';
import type { FoundLevel } from '../survey/levels';
import type { Temperament } from '../temperament/temperament';
import { cents } from '../units/quantity';
import { keyOrder, type KeyOrder } from './keyOrder';
import { classOffsets } from './measuredNotes';
import { nearestTemperament, type NearestTemperament } from './nearestTemperament';

/** What an instrument stands in as it was found. */
export interface FoundTemperament {
	readonly nearest: NearestTemperament;
	readonly keyOrder: KeyOrder;
}

/** F3 to E5: each note class twice, where the temperament is set and heard. */
const READ = { from: 53, to: 76 } as const;
/** What a note errs by besides its reading: strings of a note differ, and notes settle by themselves. In cents. */
const SETTLED = 0.7;

/**
 * The temperament that notes stand in, and the order of its keys; a slope up the keyboard is taken out first.
 * @param found cents from where a plan wants them
 * @param intended that plan's offsets from equal by note class, C first
 * @returns undefined while a note class is missing
 */
export function foundTemperament(
	found: readonly FoundLevel[],
	intended: readonly number[],
	library: readonly Temperament[]
): FoundTemperament | undefined {
	const read = found.filter(({ note }) => note >= READ.from && note <= READ.to);
	if (read.length < 12) return undefined;
	const line = weightedLine(
		read.map(({ note }) => note),
		read.map((each) => each.level)
	)!;
	const classes = classOffsets(
		{
			notes: read.map(({ note }) => note),
			deviations: read.map((each) => cents(each.level - line.meanY - line.slope * (each.note - line.meanX))),
			covariance: read.map(({ error }, i) => read.map((_, j) => (i === j ? error ** 2 + SETTLED ** 2 : 0)))
		},
		intended
	);
	return classes && { nearest: nearestTemperament(classes, library), keyOrder: keyOrder(classes) };
}
