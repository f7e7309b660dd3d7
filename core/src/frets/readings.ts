import { groupOf } from '../record/sounder';
import { compareHappened, type Act, type Reading } from '../record/happened';
import { centsBetween } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';
import { across, fretGroup, fretPlaceOf, type Neck } from './neck';
import { MOVED_ERROR } from './fretMap';
import { centsAt, centsOfMove, placeOf } from './places';
import type { FretReading } from './stopping';

type FretMovedAct = Extract<Act, { readonly do: 'fretMoved' }>;

/** A reading of a place, and whether its fret has been moved since. */
export interface PlacedReading extends FretReading {
	readonly isStale: boolean;
}

/** What one does not see of a move, in cents. */
const UNSEEN = 0.3;

/**
 * What was read of stopped strings, from where each is wanted above its open string as that stood then; where a fret has been moved
 * since, as it is told by the move until somebody reads again.
 * @param targets Hz by group
 * @param readings of a visit, in any order; those of open strings say from where the others are counted
 */
export function fretReadings(
	neck: Neck,
	targets: ReadonlyMap<number, Hz>,
	readings: readonly Reading[],
	moves: readonly FretMovedAct[]
): readonly PlacedReading[] {
	const events = [...readings, ...moves].sort(compareHappened);
	const open = new Map<number, Hz>();
	// A string that is read open only afterwards counts from there.
	for (const event of [...events].reverse()) {
		if (!('way' in event)) continue;
		const place = fretPlaceOf(groupOf(event.sounders[0]));
		if (place.fret === 0 && !place.isSecond) open.set(place.string, hz(event.pitch));
	}
	const wanted = (string: number, fret: number) =>
		centsBetween(targets.get(fretGroup(string))!, targets.get(fretGroup(string, fret))!);
	const found = new Map<number, PlacedReading[]>();
	for (const event of events) {
		if (!('way' in event)) {
			for (const [group, read] of found) {
				const { string, fret } = fretPlaceOf(group);
				if (fret === event.fret) found.set(group, [moved(neck, read, wanted(string, fret), event)]);
			}
			continue;
		}
		const { string, fret, isSecond } = fretPlaceOf(groupOf(event.sounders[0]));
		if (isSecond || string > neck.strings.length || fret > neck.frets) continue;
		if (fret === 0) {
			open.set(string, hz(event.pitch));
			continue;
		}
		const from = open.get(string) ?? targets.get(fretGroup(string))!;
		const off = centsBetween(from, hz(event.pitch)) - wanted(string, fret);
		const group = fretGroup(string, fret);
		const before = (found.get(group) ?? []).filter(({ isStale }) => !isStale);
		found.set(group, [...before, { string, fret, off, error: event.pitchError ?? 0.5, isStale: false }]);
	}
	return [...found.values()].flat();
}

/** Readings of one place after its fret was moved. */
function moved(neck: Neck, read: readonly PlacedReading[], wanted: number, { low, high }: FretMovedAct): PlacedReading {
	const [{ string, fret }] = read;
	const off = read.reduce((sum, each) => sum + each.off, 0) / read.length;
	const error = Math.max(...read.map((each) => each.error));
	const move = low + (high - low) * across(neck, string);
	// The fret lies where it sounds: stretching shifts that by less than the move's error.
	const place = placeOf(neck.scale, wanted + off);
	const by =
		place + move > 0 && place + move < neck.scale ? centsOfMove(neck.scale, place, move) : -centsAt(neck.scale, place);
	return { string, fret, off: off + by, error: Math.hypot(error, MOVED_ERROR * by, by ? UNSEEN : 0), isStale: true };
}
