import { inverseOf } from '../numeric/linearSystem';
import type { Plucked } from '../record/fretActs';
import type { Neck } from './neck';
import { placeOf } from './places';
import { pressing } from './stopping';

/** How a fixed fret was sounded: the open string, its octave's harmonic, stopped by a finger, or open over the capo. */
export interface PluckReading extends Plucked {
	readonly string: number;
	/** 0: open, or open over the capo. */
	readonly fret: number;
	/** Which of the string's tunings it was read in: its peg was turned between one and the next. */
	readonly tuning?: number;
	/** Cents from the note's equal-tempered pitch, and the standard error. */
	readonly off: number;
	readonly error: number;
}

/** What a string does, in cents, each with its standard error. */
export interface PluckedString {
	/** The open string, softly plucked, from its equal-tempered pitch. */
	readonly open: MeasuredCents;
	/** A hard pluck over a soft one. */
	readonly pluck: MeasuredCents;
	/** Stopped at the twelfth fret over its harmonic there. */
	readonly stopped: MeasuredCents;
	/** What the nut adds to every stopped note. */
	readonly nut: MeasuredCents;
	/** The capo over what a finger would give. */
	readonly capo: MeasuredCents;
}
export interface MeasuredCents {
	readonly cents: number;
	readonly error: number;
}

const PARAMETERS = ['open', 'pluck', 'stopped', 'nut', 'capo'] as const;
/** What strings usually do, and how far they differ: what nobody has measured stays there. */
const USUAL = [
	{ cents: 0, differs: 60 },
	{ cents: 4, differs: 4 },
	{ cents: 4, differs: 5 },
	{ cents: 0.5, differs: 1.5 },
	{ cents: 2, differs: 4 }
] as const;
const OCTAVE = 12;
/** From one pluck to the next a string differs by so much, in cents. */
const LEAST_ERROR = 0.1;

/** How a string's numbers add up where it is sounded: open, pluck, stopped, nut, capo. */
function sharesAt(
	neck: Neck,
	{ fret, capo, isHarmonic, touch }: Omit<PluckReading, 'string' | 'off' | 'error'>
): readonly number[] {
	if (isHarmonic) return [1, touch, 0, 0, 0];
	const depth = (at: number) =>
		at === 0 ? 0 : pressing(neck, placeOf(neck.scale, 100 * at)) / pressing(neck, placeOf(neck.scale, 100 * OCTAVE));
	const at = Math.max(fret, capo);
	const deep = depth(at);
	// Stopped sharpness is the nut's and what pressing adds; at the twelfth fret the two make up all of it.
	return [1, touch, deep, at > 0 ? 1 - deep : 0, capo > 0 ? 1 : 0];
}

/** Cents from equal temperament that a string gives there. */
export function soundsAt(
	neck: Neck,
	string: PluckedString,
	how: Omit<PluckReading, 'string' | 'off' | 'error'>
): number {
	return sharesAt(neck, how).reduce((sum, share, i) => sum + share * string[PARAMETERS[i]].cents, 0);
}

/** From one visit to the next strings age and are changed: what one told then errs by so much more, in cents. */
const SINCE = 1;

/** What a string is thought to do before it is measured: as it did last time, or as strings usually do. */
function usualOf(before: PluckedString | undefined) {
	if (!before) return USUAL;
	return PARAMETERS.map((key, i) => {
		const { cents, error } = before[key];
		// Where it stands open says nothing: it has been tuned and has gone since.
		const isOpen = key === 'open';
		return isOpen ? USUAL[i] : { cents, differs: Math.min(USUAL[i].differs, Math.hypot(error, SINCE)) };
	});
}

/**
 * What each string does, from readings of any number, by weighted least squares with what is usual as a beginning; open as in its last
 * tuning.
 * @param before what an earlier visit found, string by string
 */
export function pluckedStrings(
	neck: Neck,
	readings: readonly PluckReading[],
	before: readonly PluckedString[] = []
): readonly PluckedString[] {
	return neck.strings.map((_, i) => {
		const first = usualOf(before[i]);
		const own = readings.filter(({ string }) => string === i + 1);
		const last = Math.max(0, ...own.map(({ tuning = 0 }) => tuning));
		// Open strings of earlier tunings are unknowns of their own, behind the others.
		const usual = [...first, ...Array.from({ length: last }, () => USUAL[0])];
		const precision = usual.map(({ differs }, row) =>
			usual.map((_, column) => (row === column ? 1 / differs ** 2 : 0))
		);
		const right = usual.map(({ cents, differs }) => cents / differs ** 2);
		for (const reading of own) {
			const { tuning = 0 } = reading;
			const told = sharesAt(neck, reading);
			const shares = usual.map((_, k) => (k < USUAL.length ? told[k] : tuning === k - USUAL.length ? 1 : 0));
			if (tuning < last) shares[0] = 0;
			const weight = 1 / Math.max(LEAST_ERROR, reading.error) ** 2;
			for (const [row, share] of shares.entries()) {
				right[row] += weight * share * reading.off;
				for (const [column, other] of shares.entries()) precision[row][column] += weight * share * other;
			}
		}
		const covariance = inverseOf(precision);
		const of = (row: number): MeasuredCents => ({
			cents: covariance[row].reduce((sum, value, column) => sum + value * right[column], 0),
			error: Math.sqrt(covariance[row][row])
		});
		return { open: of(0), pluck: of(1), stopped: of(2), nut: of(3), capo: of(4) };
	});
}

/** What a luthier might move, in mm: advice, no more. */
export interface Setup {
	/** The saddle back from the nut: stopped notes fall against open ones. */
	readonly saddle: number;
	/** The nut towards the saddle. */
	readonly nut: number;
}

/**
 * What would bring the twelfth fret home, and the first ones. A string that is longer by d falls by 1200/ln 2 · d/L open and by
 * twice that at the octave, so that after it is tuned again stopped notes fall by 1200/ln 2 · d/L.
 */
export function setupOf({ scale }: Pick<Neck, 'scale'>, { stopped, nut }: PluckedString): Setup {
	const millimetres = (cents: number) => (cents * Math.LN2 * scale) / 1200;
	return { saddle: millimetres(stopped.cents - nut.cents), nut: millimetres(nut.cents) };
}
