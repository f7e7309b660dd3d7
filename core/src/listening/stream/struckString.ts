import { weightedLine } from '../../numeric/weighted';
import { decaySeconds } from '../../strings/decay';
import { stiffnessOf, type PartialFrequency } from './stringFit';

/** Level of a string's partials together, in decibels, so many seconds after the strike. */
export interface LevelAt {
	readonly since: number;
	readonly db: number;
}

/** Strings of a note are never so limp beside their usual B: voices, pipes and whatever hums has none at all. */
const LIMPEST = 0.35;
/** How sure B must be of either side, in standard errors: refusing needs more, for strings are what is listened to. */
const SURE = { string: 2, tone: 3 } as const;
/** A string falls at least by this share of what strings of its note usually fall by. */
const SLOWEST_FALL = 0.1;
/** Decibels to 1/e. */
const DB_PER_E = 20 / Math.LN10;

/**
 * Whether a struck string is what sounds. Its partials are spread by stiffness, as those of no voice, pipe or hum are;
 * where too few of them sound to tell, it falls from the strike on, while a tone that is kept going stands.
 * @param usualB B that strings of this note usually have
 */
export function isStruckString(
	note: number,
	usualB: number,
	partials: readonly PartialFrequency[],
	levels: readonly LevelAt[]
): boolean {
	const stiffness = stiffnessOf(partials);
	const limpest = LIMPEST * usualB;
	if (stiffness) {
		const { value, error } = stiffness;
		if (value - SURE.string * error > limpest) return true;
		if (value + SURE.tone * error < limpest) return false;
	}
	const line = weightedLine(
		levels.map(({ since }) => since),
		levels.map(({ db }) => db),
		levels.map(() => 1)
	);
	return line === undefined || -line.slope > (SLOWEST_FALL * DB_PER_E) / decaySeconds(note);
}
