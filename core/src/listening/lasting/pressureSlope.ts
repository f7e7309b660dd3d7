import { deviation, extent, mean } from 'd3-array';
import { weightedLine } from '../../numeric/weighted';
import { centsBetween } from '../../units/pitch';
import type { HarmonicTrack, TonePoint } from './tracker';

/** How pitch follows the breath, from one swell or several: cents a decibel, and its standard error. */
export interface PressureSlope {
	readonly slope: number;
	readonly error: number;
	readonly swells: number;
}

/** A swell tells something from so many decibels and seconds on. */
const SWELL = { decibels: 10, seconds: 2 } as const;
/** Parts that are left out one after the other to see how much rests on each (jackknife; Efron 1982, ch. 3). */
const PARTS = 8;
/** In a room levels of neighbouring moments go together: the plain error is too small by so much. */
const IN_A_ROOM = 4;
const LEAST_ERROR = 0.01;
/**
 * A slope that errs by more, in cents a decibel, tells nothing: as the pitch glides, what the room gives back of each harmonic rises
 * and falls, and the level with it (`npm run bench -- reeds`). Another place for the microphone hears another room.
 */
const MOST_ERROR = 0.15;

/** Harmonics that are asked what a room does: low ones, which stand over the noise from the softest to the loudest. */
const ASKED = 6;
/**
 * A slope errs by so much of what its harmonics differ by, as turns of their own: each meets other echoes (`npm run bench -- reeds`:
 * without it 75 to 81 of 100 slopes in a room lie within two errors; dry it adds nothing).
 */
const DIFFER = 0.8;

/** How far harmonics differ from a slope, each times its number: echoes turn all of them alike. */
function differing(harmonics: readonly HarmonicTrack[], slope: number): number {
	const own = harmonics
		.filter(({ n }) => n <= ASKED)
		.flatMap(({ n, points }) => {
			const line = weightedLine(
				points.map(({ level }) => level),
				points.map(({ off }) => off),
				points.map(({ level }) => 10 ** (level / 10))
			);
			return line ? [n * (line.slope - slope)] : [];
		});
	return Math.sqrt(mean(own, (each) => each * each) ?? 0);
}

/**
 * From one tone that swells or fades. @returns undefined where the breath hardly changed, or the room hides what it did
 * @param harmonics the same tone's, one by one: how far they differ is what the room does
 */
export function pressureSlope(
	points: readonly TonePoint[],
	harmonics: () => readonly HarmonicTrack[] = () => []
): PressureSlope | undefined {
	if (points.length < 2 * PARTS) return undefined;
	const levels = points.map(({ level }) => level);
	const [least, most] = extent(levels) as [number, number];
	const seconds = points.at(-1)!.at - points[0].at;
	if (most - least < SWELL.decibels || seconds < SWELL.seconds) return undefined;
	const about = points[0].pitch;
	const fit = (of: readonly TonePoint[]) =>
		weightedLine(
			of.map(({ level }) => level),
			of.map(({ pitch }) => centsBetween(about, pitch)),
			of.map(({ error }) => 1 / error ** 2)
		)?.slope;
	const slope = fit(points);
	if (slope === undefined) return undefined;
	const each = Math.ceil(points.length / PARTS);
	const without = Array.from({ length: PARTS }, (_, k) =>
		fit(points.filter((_, i) => Math.floor(i / each) !== k))
	).filter((value) => value !== undefined);
	const scatter = (deviation(without) ?? 0) * ((without.length - 1) / Math.sqrt(without.length));
	const error = Math.hypot(IN_A_ROOM * scatter, DIFFER * differing(harmonics(), slope));
	return error > MOST_ERROR ? undefined : { slope, error: Math.max(LEAST_ERROR, error), swells: 1 };
}

/** Several swells of one reed, weighed together; where they scatter more than they say, the error says so. */
export function weighSlopes(slopes: readonly PressureSlope[]): PressureSlope | undefined {
	if (slopes.length === 0) return undefined;
	const weights = slopes.map(({ error }) => 1 / error ** 2);
	const all = weights.reduce((sum, weight) => sum + weight, 0);
	const slope = slopes.reduce((sum, each, i) => sum + weights[i] * each.slope, 0) / all;
	const plain = 1 / Math.sqrt(all);
	const pulls = slopes.map((each) => ((each.slope - slope) / each.error) ** 2);
	const birge = slopes.length > 1 ? Math.sqrt((mean(pulls)! * slopes.length) / (slopes.length - 1)) : 1;
	return {
		slope,
		error: plain * Math.max(1, birge),
		swells: slopes.reduce((sum, { swells }) => sum + swells, 0)
	};
}
