import { offsetsFromEqual, wolves, type Temperament } from '../temperament/temperament';
import { noteClass } from '../units/note';
import type { Edge } from './edges';

/** A school's order of work: which intervals it prefers, first to last. */
export interface School {
	readonly id: string;
	readonly name: string;
	readonly about: string;
	/** The intervals, by the two notes they join, in the order in which the school goes through them. */
	readonly order: (situation: Situation) => readonly Pair[];
}

export type Pair = readonly [a: number, b: number];

export interface Situation {
	/** The temperament octave's lowest and highest note. */
	readonly low: number;
	readonly high: number;
	/** The first note within the octave that is known. */
	readonly first: number;
	readonly temperament: Pick<Temperament, 'tuning'>;
	readonly edges: readonly Edge[];
}

/** Fixed orders count semitones from the octave's lowest note. */
const fromLowest =
	(pairs: readonly Pair[]) =>
	({ low }: Situation): readonly Pair[] =>
		pairs.map(([a, b]) => [low + a, low + b]);

/** A pure interval of a temperament is exact; on stiff strings it keeps a trace of a beat. */
const PURE_CENTS = 0.02;

export const SCHOOLS: readonly School[] = [
	{
		id: 'circle',
		name: 'Circle of fifths',
		about:
			'Fifths and fourths all the way round from the start; the last fifth is the proof. Goes the other way where a wolf bars the path.',
		order: circle
	},
	{
		id: 'thirds-led',
		name: 'Thirds first, quiet fifths',
		about: 'The octave is pinned by thirds that can be counted; fifths are kept quiet and filled in upwards.',
		order: fromLowest([
			[0, 4],
			[0, 3],
			[3, 7],
			[0, 7],
			[2, 7],
			[0, 5],
			[1, 5],
			[2, 6],
			[1, 8],
			[2, 9],
			[3, 10],
			[4, 11],
			[5, 12],
			[0, 12]
		])
	},
	{
		id: 'thirds-chain',
		name: 'Chain of major thirds',
		about:
			'Three major thirds fill the octave, each beating 4 to 5 with the next; everything else hangs on that frame by fourths and fifths.',
		order: fromLowest([
			[0, 4],
			[4, 8],
			[0, 12],
			[8, 12],
			[1, 8],
			[0, 5],
			[4, 9],
			[2, 9],
			[1, 6],
			[5, 10],
			[2, 7],
			[4, 11],
			[3, 10]
		])
	},
	{
		id: 'middle-out',
		name: 'From the middle, octave last',
		about: 'Fourths and fifths from the middle outwards; both ends of the octave come last and prove each other.',
		order: fromLowest([
			[4, 11],
			[4, 9],
			[2, 9],
			[6, 11],
			[2, 7],
			[1, 6],
			[1, 8],
			[3, 8],
			[3, 10],
			[5, 10],
			[5, 12],
			[0, 7]
		])
	},
	{
		id: 'pure-first',
		name: 'Pure intervals first',
		about:
			'What this temperament keeps pure is set first and stands still; the tempered intervals follow. For unequal temperaments.',
		order: pureFirst
	}
];

/** Up and down the circle from the first note, never across a wolf. */
function circle({ low, high, first, temperament }: Situation): readonly Pair[] {
	const barred = new Set(wolves(temperament));
	const stepOf = (note: number) => (7 * noteClass(note)) % 12;
	const pairs: Pair[] = [];
	const placed = (note: number) => (note > high ? note - 12 : note < low ? note + 12 : note);
	for (const way of [-1, 1] as const) {
		let note = first;
		for (let i = 0; i < 11; i++) {
			// Going flatwards one crosses the fifth that ends on this note, sharpwards the one that starts on it.
			const crossed = way < 0 ? (stepOf(note) + 11) % 12 : stepOf(note);
			if (barred.has(crossed)) break;
			const next = placed(note + 7 * way);
			pairs.push([note, next]);
			note = next;
		}
	}
	return [...pairs, [low, low + 12]];
}

/** Still intervals first, the widest reach of the ear's certainty among them first; then the tempered ones. */
function pureFirst({ edges, temperament }: Situation): readonly Pair[] {
	const isPure = purePairs(temperament);
	const error = ({ scatter, perCentUpper }: Edge) => scatter / perCentUpper;
	return [...edges]
		.sort((a, b) => Number(isPure(b)) - Number(isPure(a)) || error(a) - error(b))
		.map(({ lower, upper }) => [lower, upper]);
}

/** Does the temperament itself keep this interval pure? */
export function purePairs(
	temperament: Pick<Temperament, 'tuning'>
): (edge: Pick<Edge, 'lower' | 'upper' | 'kind'>) => boolean {
	const offsets = offsetsFromEqual(temperament);
	return ({ lower, upper, kind }) => {
		if (kind.semitones === 12) return false;
		const size = 100 * kind.semitones + offsets[noteClass(upper)] - offsets[noteClass(lower)];
		return Math.abs(size - 1200 * Math.log2(kind.lowerPartial / kind.upperPartial)) < PURE_CENTS;
	};
}
