import { quantile } from 'd3-array';
import { centsBetween } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';
import type { Filed, Lasting, SetUp } from '../record/reedActs';
import { compareHappened, type Act, type Reading } from '../record/happened';
import { weighSlopes } from '../listening/lasting/pressureSlope';
import type { Bite } from './filing';
import type { BreathSlope } from './intonation';

/** Breaths as they are heard where the visit is made, in decibels relative to full scale. */
export interface BreathLevels {
	readonly gentle: number;
	readonly playing: number;
}

/** Playing breath is so many decibels louder than gentle breath where nobody has played. */
const PLAYING_LOUDER = 10;
/** Two readings tell how a reed follows the breath when they are so many decibels apart. */
const APART = 6;
/** What the bench and the hand add to a slope from two readings, in cents a decibel. */
const HAND = 0.03;
/** What reeds of C4 usually fall by, in cents a decibel; higher ones less. Half of it is how far they differ. */
const USUAL = { slope: -0.32, at: 261.63, power: 1.1, differ: 0.5 } as const;

/** How reeds of a pitch usually follow the breath, while nobody has measured it. */
export function usualSlope(hertz: number): BreathSlope {
	const slope = USUAL.slope * Math.min(1.5, (USUAL.at / hertz) ** USUAL.power);
	return { slope, error: USUAL.differ * Math.abs(slope) };
}

/** The two breaths of a visit, from how loud its readings were: the softer quarter at their softest, and the louder quarter. */
export function breathLevels(read: readonly Pick<Lasting, 'level' | 'softest'>[]): BreathLevels | undefined {
	if (read.length === 0) return undefined;
	const gentle = quantile(read, 0.25, ({ softest }) => softest)!;
	const playing = quantile(read, 0.75, ({ level }) => level)!;
	return { gentle, playing: playing - gentle >= APART ? playing : gentle + PLAYING_LOUDER };
}

/** A reed as it stands after it was filed last: what its readings tell together. */
export interface ReedStanding {
	/** Hz at gentle breath, and its standard error in cents. */
	readonly pitch: Hz;
	readonly error: number;
	readonly wobble: number;
	readonly slope: BreathSlope;
	/** Whether somebody has measured how it follows the breath. */
	readonly isSlopeRead: boolean;
	/** Readings that it rests on since it was filed. */
	readonly readings: number;
}

type FiledAct = Extract<Act, { readonly do: 'filed' }>;
type ReedEvent = Reading | FiledAct;
const isRead = (event: ReedEvent): event is Reading => 'way' in event;

/** Cents of a reading from a pitch at another breath. */
const at = (level: number, { slope }: BreathSlope, reading: Reading, from: Hz) =>
	centsBetween(from, hz(reading.pitch)) + slope * (level - reading.lasting!.level);

/** Readings of one reed in one set-up, and what was filed off it, in order. */
function inOrder(readings: readonly Reading[], filed: readonly FiledAct[], setUp: SetUp): readonly ReedEvent[] {
	const own = readings.filter(({ lasting }) => lasting?.setUp === setUp);
	return [...own, ...filed].sort(compareHappened);
}

/** How it follows the breath, from swells and from pairs of readings between which nothing was filed. */
function slopeOf(events: readonly ReedEvent[]): BreathSlope | undefined {
	const slopes: BreathSlope[] = events.flatMap((event) =>
		isRead(event) && event.lasting!.slope !== null
			? [{ slope: event.lasting!.slope, error: event.lasting!.slopeError ?? USUAL.differ }]
			: []
	);
	for (const [i, event] of events.entries()) {
		const before = events[i - 1];
		if (!before || !isRead(event) || !isRead(before)) continue;
		const louder = event.lasting!.level - before.lasting!.level;
		if (Math.abs(louder) < APART) continue;
		const error = Math.hypot(event.pitchError ?? 0, before.pitchError ?? 0) / Math.abs(louder) + HAND;
		slopes.push({ slope: centsBetween(hz(before.pitch), hz(event.pitch)) / louder, error });
	}
	return weighSlopes(slopes.map((each) => ({ ...each, swells: 1 })));
}

/**
 * A reed as its readings tell it.
 * @param nominal its pitch in the key's equal temperament, in Hz
 * @returns undefined where it has not been read since it was filed
 */
export function reedStanding(
	readings: readonly Reading[],
	filed: readonly FiledAct[],
	setUp: SetUp,
	nominal: number,
	gentle: number
): ReedStanding | undefined {
	const events = inOrder(readings, filed, setUp);
	const told = slopeOf(events);
	const slope = told ?? usualSlope(nominal);
	const lastFiled = events.reduce((last, event, i) => (isRead(event) ? last : i), -1);
	const since = events.slice(lastFiled + 1).filter(isRead);
	if (since.length === 0) return undefined;
	const from = hz(since[0].pitch);
	const errorOf = (reading: Reading) =>
		Math.hypot(Math.max(0.02, reading.pitchError ?? 0), slope.error * (gentle - reading.lasting!.level));
	const weights = since.map((reading) => 1 / errorOf(reading) ** 2);
	const all = weights.reduce((sum, weight) => sum + weight, 0);
	const cents = since.reduce((sum, reading, i) => sum + weights[i] * at(gentle, slope, reading, from), 0) / all;
	return {
		...{ pitch: hz(from * 2 ** (cents / 1200)), error: 1 / Math.sqrt(all), wobble: since.at(-1)!.lasting!.wobble },
		...{ slope, isSlopeRead: told !== undefined, readings: since.length }
	};
}

/**
 * What each bite did: a reading before, strokes at one end, a reading after. Strokes at one end that nobody read between are one
 * bite; at both ends they tell nothing.
 * @param nominal its pitch in the key's equal temperament, in Hz: cents are from there
 */
export function bitesOf(
	readings: readonly Reading[],
	filed: readonly FiledAct[],
	setUp: SetUp,
	nominal: number,
	gentle: number
): readonly Bite[] {
	const events = inOrder(readings, filed, setUp);
	const slope = slopeOf(events) ?? usualSlope(nominal);
	const bites: Bite[] = [];
	let before: Reading | undefined;
	let filing: FiledAct[] = [];
	for (const event of events) {
		if (!isRead(event)) {
			filing.push(event);
			continue;
		}
		const [first] = filing;
		if (before && first && filing.every(({ end }) => end === first.end))
			bites.push({
				...{ end: first.end, strokes: filing.reduce((sum, { strokes }) => sum + strokes, 0) },
				before: at(gentle, slope, before, hz(nominal)),
				after: at(gentle, slope, event, hz(nominal))
			});
		before = event;
		filing = [];
	}
	return bites;
}

/** Strokes at one end that nobody has read after: the last bite, while it is made. */
export interface OpenBite {
	readonly end: Filed['end'];
	readonly strokes: number;
	/** The acts that counted them, in order. */
	readonly acts: readonly string[];
}

/** @returns undefined where the last thing was a reading, in any set-up */
export function openBite(readings: readonly Reading[], filed: readonly FiledAct[]): OpenBite | undefined {
	const events = [...readings, ...filed].sort(compareHappened);
	let bite: OpenBite | undefined;
	for (const event of events) {
		if (isRead(event)) bite = undefined;
		else {
			const { id, end, strokes } = event;
			const same = bite?.end === end ? bite : undefined;
			bite = { end, strokes: (same?.strokes ?? 0) + strokes, acts: [...(same?.acts ?? []), id] };
		}
	}
	return bite;
}

/** Strokes at either end, whether anybody has read what they did or not. */
export function strokesAt(filed: readonly Pick<Filed, 'end' | 'strokes'>[], end: Filed['end']): number {
	return filed.reduce((sum, each) => sum + (each.end === end ? each.strokes : 0), 0);
}
