import type { Drift, DriftPrediction } from './drift';

const DAY = 86_400_000;
/** Days from one look ahead to the next. */
const STEP = 7;

/**
 * Where to leave an instrument on a day so that over the time until the next visit it stands right on the average: the mean of what
 * it is expected to move by, the other way round. Weather that nobody foresees is in the error.
 * @param from, to milliseconds since 1970 @returns cents from its pitch
 */
export function leaveAt(drift: Pick<Drift, 'at'>, from: number, to: number): DriftPrediction {
	const days = Math.max(STEP, Math.round((to - from) / DAY));
	const now = drift.at(from);
	const moves = Array.from({ length: Math.floor(days / STEP) + 1 }, (_, i) => drift.at(from + i * STEP * DAY));
	const mean = (of: (each: DriftPrediction) => number) => moves.reduce((sum, each) => sum + of(each), 0) / moves.length;
	return { cents: now.cents - mean(({ cents }) => cents), error: mean(({ error }) => error) };
}
