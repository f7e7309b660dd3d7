import { weightedLine } from '../../numeric/weighted';
import { decaySeconds } from '../../strings/decay';
import { partialSharpness } from '../../strings/stiffString';
import { stiffnessOf, type PartialFrequency } from './stringFit';

/** Level of a string's partials together, in decibels, so many seconds after the strike. */
export interface LevelAt {
	readonly since: number;
	readonly db: number;
}

/** What a series of partials comes from. */
export type Origin =
	| 'string'
	/** Something that is kept going. */
	| 'steady tone'
	/** Partials of several notes that happen to make a series. */
	| 'several';

/** Strings of a note are never so limp beside their usual B: voices, pipes and whatever hums has none at all. */
const LIMPEST = 0.35;
/** Long bass strings of a large instrument are limper yet, this far below the usual B; then many partials say so beyond doubt. */
const LONG_STRING = { highest: 40, limpest: 0.1, partials: 12, cents: 8 } as const;
/** How sure B must be of either side, in standard errors: refusing needs more, for strings are what is listened to. */
const SURE = { string: 2, tone: 3 } as const;
/** From so many partials on, the highest of them so far above harmonic, a string tells its B. */
const TELLING = { partials: 6, cents: 6 } as const;
/** A string falls at least by this share of what strings of its note usually fall by. */
const SLOWEST_FALL = 0.1;
/** Decibels to 1/e. */
const DB_PER_E = 20 / Math.LN10;

/**
 * Where partials come from. Those of a struck string are spread by stiffness, as those of no voice, pipe or hum are;
 * where too few of them sound to tell, it falls from the strike on, while a tone that is kept going stands.
 * @param usualB B that strings of this note usually have
 */
export function originOf(
	note: number,
	usualB: number,
	partials: readonly PartialFrequency[],
	levels: readonly LevelAt[]
): Origin {
	const stiffness = stiffnessOf(partials);
	const limpest = LIMPEST * usualB;
	if (stiffness) {
		const { value, error } = stiffness;
		const least = value - SURE.string * error;
		const highest = Math.max(...partials.map(({ partial }) => partial));
		if (least > limpest) return 'string';
		if (note <= LONG_STRING.highest && partials.length >= LONG_STRING.partials) {
			const isSharp = partialSharpness(least, highest) > LONG_STRING.cents;
			if (isSharp && least > LONG_STRING.limpest * usualB) return 'string';
		}
		if (value + SURE.tone * error < limpest) return 'steady tone';
		if (partials.length >= TELLING.partials && partialSharpness(usualB, highest) > TELLING.cents) return 'several';
	}
	const line = weightedLine(
		levels.map(({ since }) => since),
		levels.map(({ db }) => db)
	);
	const falls = line === undefined || -line.slope > (SLOWEST_FALL * DB_PER_E) / decaySeconds(note);
	return falls ? 'string' : 'steady tone';
}
