import { inverseOf, solveLinear } from '../numeric/linearSystem';
import type { LearnedRaise } from '../record/happened';
import { reaches, setBackOf, USUAL_COUPLING, type Coupling, type RaisedNote } from './coupling';

/*
 * What a piano does when it is raised is learned while it is raised. Unknown are the logarithms of the six constants of
 * Coupling and of each note's own factor; normal priors hold them near what is usual, or near what an earlier raise of the
 * same piano has told. Gauss-Newton steps with weights by Huber (1964); the notes' own factors, each of which is in its own
 * note's observations only, are eliminated first.
 */

/** A note was raised by so many cents: what lets others sink. */
export interface Raised {
	readonly note: RaisedNote;
	readonly by: number;
}

/** How far a note has sunk, in cents, and which raises, so far, have made it sink. */
export interface Sunk {
	readonly note: RaisedNote;
	readonly sunk: number;
	/** Standard error of that: of both readings, or of what stands for the first of them. */
	readonly error: number;
	/** Raises of others since the first of the two readings. */
	readonly since: readonly Raised[];
	/** Its own raise, where it lies between the two: its mates' pull and its set-back are in it then. */
	readonly own: number | undefined;
}

/**
 * What is known of a piano's coupling: logarithms of local, reach, whole, setBack, wound, top against the usual ones, their
 * covariance row by row, logarithms of the notes' own factors, and from how many raises it was learned.
 */
export type LearnedCoupling = LearnedRaise;

const KEYS = ['local', 'reach', 'whole', 'setBack', 'wound', 'top'] as const;
const COUNT = KEYS.length;
/** How much pianos differ in each constant, and notes among each other: standard deviations of the logarithms. */
const PRIOR_SD = 0.3;
const OWN_SD = 0.1;
/** A piano that has been raised before differs at most so much from what it did then. */
const AGAIN = { most: 0.15, widened: 0.03 } as const;
/** Sinking is predicted to within this share, however well the constants are known. */
const MISFIT = 0.08;
/** Huber's constant: 95 % efficiency on normal errors. */
const HUBER = 1.345;
const ROUNDS = 6;
const SMALL_STEP = 1e-4;

export const NOTHING_LEARNED: LearnedCoupling = {
	means: KEYS.map(() => 0),
	covariance: KEYS.map((_, i) => KEYS.map((__, j) => (i === j ? PRIOR_SD ** 2 : 0))),
	own: [],
	raises: 0
};

/** The constants that what is known stands for. */
export function couplingOf({ means, own }: Pick<LearnedCoupling, 'means' | 'own'>): Coupling {
	const scaled = Object.fromEntries(KEYS.map((key, i) => [key, USUAL_COUPLING[key] * Math.exp(means[i])]));
	return { ...(scaled as Omit<Coupling, 'own'>), own: new Map(own.map(([note, mean]) => [note, Math.exp(mean)])) };
}

/** What to begin the next raise of the same piano with. */
export function forNextRaise(learned: LearnedCoupling): LearnedCoupling {
	if (learned.raises === 0) return learned;
	const sds = KEYS.map((_, i) => Math.sqrt(learned.covariance[i][i]));
	const next = sds.map((sd) => Math.min(Math.hypot(sd, AGAIN.widened), AGAIN.most));
	return {
		...learned,
		covariance: learned.covariance.map((row, i) =>
			row.map((each, j) => (i === j ? next[i] ** 2 : (each / (sds[i] * sds[j])) * 0.999 * next[i] * next[j]))
		),
		own: learned.own.map(([note, mean, sd]) => [note, mean, Math.min(Math.hypot(sd, AGAIN.widened), OWN_SD)])
	};
}

interface Row {
	readonly predicted: number;
	readonly by: readonly number[];
	readonly byOwn: number;
}

/** What a note should have sunk by, and its derivatives by the logarithms of the constants. */
function predict(coupling: Coupling, { note, since, own }: Pick<Sunk, 'note' | 'since' | 'own'>): Row {
	let [near, far, stretched] = [0, 0, 0];
	const add = (from: RaisedNote, by: number) => {
		const each = reaches(coupling, note, from);
		near += each.near * by;
		far += each.far * by;
		stretched += (each.near * by * Math.abs(note.note - from.note)) / coupling.reach;
	};
	for (const { note: from, by } of since) add(from, by);
	if (own !== undefined) add(note, own);
	const back = own === undefined ? 0 : setBackOf(coupling, note.note) * own;
	const pulled = near + far;
	return {
		predicted: pulled + back,
		by: [near, stretched, far, back, note.row === 'wound' ? pulled : 0, note.row === 'top' ? pulled : 0],
		byOwn: pulled
	};
}

/**
 * How far a note sinks, in cents, as others are raised.
 * @param own its own raise, when it lies among them: its mates' pull and its set-back count then
 */
export function predictedSinking(coupling: Coupling, note: RaisedNote, since: readonly Raised[], own?: number): number {
	return predict(coupling, { note, since, own }).predicted;
}

/**
 * Learns from what was seen.
 * @param before what was known before any of it
 * @param raises how many raises that makes
 */
export function learn(before: LearnedCoupling, seen: readonly Sunk[], raises = before.raises + 1): LearnedCoupling {
	if (seen.length === 0) return before;
	const priorOwn = new Map(before.own.map(([note, mean, sd]) => [note, { mean, sd }]));
	const priorOf = (note: number) => priorOwn.get(note) ?? { mean: 0, sd: OWN_SD };
	const precision = inverseOf(before.covariance);
	const byNote = new Map<number, Sunk[]>();
	for (const each of seen) byNote.set(each.note.note, [...(byNote.get(each.note.note) ?? []), each]);
	let means = [...before.means];
	const own = new Map([...byNote.keys()].map((note) => [note, priorOf(note).mean]));
	const sds = new Map<number, number>();
	let information = precision;
	for (let round = 0; round < ROUNDS; round++) {
		const coupling = couplingOf({ means, own: [...own].map(([note, mean]) => [note, mean, 0]) });
		information = precision.map((row) => [...row]);
		const right = precision.map((row) => row.reduce((sum, each, i) => sum + each * (before.means[i] - means[i]), 0));
		const eliminated = [...byNote].map(([note, of]) => {
			const prior = priorOf(note);
			let a = 1 / prior.sd ** 2;
			let b = (prior.mean - own.get(note)!) / prior.sd ** 2;
			const c = new Array<number>(COUNT).fill(0);
			for (const each of of) {
				const row = predict(coupling, each);
				const sd = Math.hypot(each.error, MISFIT * row.predicted);
				const miss = each.sunk - row.predicted;
				const weight = Math.min(1, (HUBER * sd) / Math.max(Math.abs(miss), 1e-12)) / sd ** 2;
				a += weight * row.byOwn ** 2;
				b += weight * row.byOwn * miss;
				for (let i = 0; i < COUNT; i++) {
					c[i] += weight * row.by[i] * row.byOwn;
					right[i] += weight * row.by[i] * miss;
					for (let j = 0; j < COUNT; j++) information[i][j] += weight * row.by[i] * row.by[j];
				}
			}
			for (let i = 0; i < COUNT; i++) {
				right[i] -= (c[i] * b) / a;
				for (let j = 0; j < COUNT; j++) information[i][j] -= (c[i] * c[j]) / a;
			}
			return { note, a, b, c };
		});
		const step = solveLinear(
			information.map((row) => Float64Array.from(row)),
			Float64Array.from(right)
		);
		means = means.map((mean, i) => mean + step[i]);
		let largest = Math.max(...step.map(Math.abs));
		for (const { note, a, b, c } of eliminated) {
			const ownStep = (b - c.reduce((sum, each, i) => sum + each * step[i], 0)) / a;
			own.set(note, own.get(note)! + ownStep);
			sds.set(note, 1 / Math.sqrt(a));
			largest = Math.max(largest, Math.abs(ownStep));
		}
		if (largest < SMALL_STEP) break;
	}
	const told = [...own].map(([note, mean]) => [note, mean, sds.get(note)!] as const);
	return {
		means,
		covariance: inverseOf(information),
		own: [...before.own.filter(([note]) => !own.has(note)), ...told],
		raises
	};
}

/** How much a piano yields against a usual one: its strings' pull on each other, near and far, all together. */
export interface Yield {
	readonly times: number;
	/** Standard error of that. */
	readonly error: number;
}

/** Notes that a pull from anywhere on the keyboard reaches. */
const WHOLE_KEYBOARD = 88;

/** What was learned of the pull, as one figure; its error by the delta method (Casella & Berger 2002, section 5.5.4). */
export function yieldOf(learned: LearnedCoupling): Yield {
	const pull = ({ local, reach, whole }: Coupling) => ({ near: 2 * local * reach, far: WHOLE_KEYBOARD * whole });
	const { near, far } = pull(couplingOf(learned));
	const usual = pull(USUAL_COUPLING);
	const times = (near + far) / (usual.near + usual.far);
	// Its logarithm's slope along the logarithms of local, reach and whole.
	const slope = [near, near, far].map((part) => part / (near + far));
	let variance = 0;
	for (let i = 0; i < slope.length; i++)
		for (let j = 0; j < slope.length; j++) variance += slope[i] * slope[j] * learned.covariance[i][j];
	return { times, error: times * Math.sqrt(variance) };
}
