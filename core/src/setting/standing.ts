import type { Standing } from '../listening/events';
import { hzAbove } from '../units/pitch';
import { cents, type Cents, type Hz } from '../units/quantity';

/** A note that was read: cents from its target as it was found, and where it stands now. */
export interface KnownStanding {
	readonly found: Cents;
	readonly now: Cents;
}

/** How far one note stands from its neighbourhood, in cents. */
const SCATTER = 8;
/** A note that was read stands where it was left, to within this. */
const READ = 5;
/** A string that is being set may stand anywhere from where it was read last to its target, and so far beyond. */
const OVERSHOT = 10;
/** Notes on either side that may be struck in place of the one that is due. */
const REACH = 3;
/** Semitones over which neighbours stand alike, and from how far away they are asked. */
const ALIKE = 6;
const FARTHEST = 24;

/**
 * Where the notes about one stand, as far as readings of them and of their neighbourhood tell.
 * @param targetOf undefined beyond the instrument's ends
 * @returns nothing while no note of the neighbourhood has been read
 */
export function standingsAbout(
	due: number,
	targetOf: (note: number) => Hz | undefined,
	known: ReadonlyMap<number, KnownStanding>
): readonly Standing[] {
	const standings: Standing[] = [];
	for (let note = due - REACH; note <= due + REACH; note++) {
		const target = targetOf(note);
		const level = levelAt(note, known);
		if (target === undefined || level === undefined) continue;
		const [low, high] = rangeOf(known.get(note), level, note === due);
		standings.push({ note, low: hzAbove(target, cents(low)), high: hzAbove(target, cents(high)) });
	}
	return standings;
}

function rangeOf(read: KnownStanding | undefined, level: number, isDue: boolean): readonly [low: number, high: number] {
	if (!read) return [level - SCATTER, level + SCATTER];
	if (!isDue) return [read.now - READ, read.now + READ];
	return [Math.min(read.now, 0) - OVERSHOT, Math.max(read.now, 0) + OVERSHOT];
}

/** How far a note's neighbourhood was found from its targets, the nearest notes counting most. */
function levelAt(note: number, known: ReadonlyMap<number, KnownStanding>): number | undefined {
	let [weight, sum] = [0, 0];
	for (const [other, { found }] of known) {
		const away = Math.abs(other - note);
		if (away > FARTHEST) continue;
		const w = Math.exp(-away / ALIKE);
		weight += w;
		sum += w * found;
	}
	return weight > 0 ? sum / weight : undefined;
}
