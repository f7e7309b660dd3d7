import { equalHz } from '../units/pitch';
import { noteClass } from '../units/note';
import { cents, hz, type Cents, type Hz } from '../units/quantity';
import { fifthSizes, offsetsFromEqual, type Temperament } from '../temperament/temperament';
import { fretGroups, fretPlaceOf, noteAt, type Neck } from './neck';

/** What strings and frets are set to. */
export interface FretBasis {
	readonly a4: Hz;
	readonly temperament: Pick<Temperament, 'tuning'>;
	/** Groups that take their note's other spelling: D♭ where the temperament has C♯. */
	readonly spelled?: readonly number[];
}

/** Where a string, or a stopped one, is to sound. */
export interface FretTarget {
	readonly group: number;
	readonly note: number;
	readonly pitch: Hz;
	/** Cents from equal temperament at this A4. */
	readonly fromEqual: Cents;
	/** Cents that the note's other spelling would lie higher; undefined: the temperament has one of each only, or they are the same. */
	readonly other: number | undefined;
}

/** Twelve fifths less seven octaves, of fifths that are alike. */
const ROUND = 8400;
/** Fifths that are alike, in cents. */
const ALIKE = 0.01;
/** Fifths that are alike where a temperament has two spellings of a note. */
const FEWEST_ALIKE = 9;
/** Spellings nearer than that are one note. */
const SAME = 2;

/**
 * How much higher the other spelling of each note class lies in a regular temperament, C first: A♭ over G♯ where the chain has G♯.
 * Notes from the flat end of the chain of fifths fall, those from the sharp end rise. Undefined where fifths are not alike, so that
 * there is nothing to go on with, or where the circle closes.
 */
export function otherSpellings(temperament: Pick<Temperament, 'tuning'>): readonly (number | undefined)[] {
	const none = Array<number | undefined>(12).fill(undefined);
	const sizes = fifthSizes(temperament);
	const usual = [...sizes].sort((a, b) => a - b)[6];
	const odd = sizes.flatMap((size, step) => (Math.abs(size - usual) > ALIKE ? [step] : []));
	const over = 12 * usual - ROUND;
	if (odd.length > 12 - FEWEST_ALIKE || odd.length === 0 || Math.abs(over) < SAME) return none;
	// The chain begins above the wolf and goes up by fifths; only raised keys are written in two ways.
	const wolf = odd[0];
	const raised = [1, 3, 6, 8, 10];
	return none.map((_, at) => {
		const step = (7 * at) % 12;
		const place = (step - wolf - 1 + 12) % 12;
		if (!raised.includes(at) || odd.length > 1) return undefined;
		return place < 6 ? over : -over;
	});
}

/** What every string is to give, open and at each fret. */
export function fretTargets(neck: Pick<Neck, 'strings' | 'frets'>, basis: FretBasis): readonly FretTarget[] {
	const { a4, temperament, spelled = [] } = basis;
	const offsets = offsetsFromEqual(temperament);
	const others = otherSpellings(temperament);
	return fretGroups(neck).map((group) => {
		const note = noteAt(neck, fretPlaceOf(group));
		const at = noteClass(note);
		const fromEqual = cents(offsets[at] + (spelled.includes(group) ? (others[at] ?? 0) : 0));
		return { group, note, pitch: hz(equalHz(note, a4) * 2 ** (fromEqual / 1200)), fromEqual, other: others[at] };
	});
}
