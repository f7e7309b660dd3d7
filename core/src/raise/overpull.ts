import { solveLinear } from '../numeric/linearSystem';
import { setBackOf, sinking, type Coupling, type RaisedNote } from './coupling';

/** How far above its target a string may be set, in cents, and what says so. */
export interface Bound {
	readonly most: number;
	readonly by: 'rule' | 'wire' | 'load';
}

/** A note before it is set. */
export interface NoteToRaise extends RaisedNote {
	/** Where it stands now, and where it shall end, in cents from a common zero. */
	readonly now: number;
	readonly target: number;
	readonly bound: Bound;
}

export interface SetPoint {
	readonly note: number;
	/** What the note is set to, in cents. */
	readonly setTo: number;
	/** The same above its target; below it when it is lowered. */
	readonly over: number;
	/** How far it is moved, from where it will stand by then. */
	readonly move: number;
	/** Where it will have come to when all are set, in cents from its target. */
	readonly left: number;
	/** What held it back; undefined when nothing did. */
	readonly boundBy: Bound['by'] | undefined;
}

/** A note is bound, or no longer, only beyond this: rounding turns nothing. In cents. */
const MET = 1e-9;

/**
 * What every note is to be set to, so that all have come to their targets when the last is set and settled:
 * ((1 - s) I - K) D = target - now. A note whose set point would lie beyond its bound is set to the bound, which frees its
 * equation; the set of bound notes is found by rounds, each adding what is beyond and freeing what would end above its target.
 * @param notes in the order of work; what is set already is not among them
 */
export function overpull(notes: readonly NoteToRaise[], coupling: Coupling): readonly SetPoint[] {
	const pull = pullsOf(notes, coupling);
	const back = notes.map(({ note }) => setBackOf(coupling, note));
	let bound = new Set<number>();
	for (let round = 0; ; round++) {
		const setTo = setPointsUnder(notes, pull, back, bound);
		const points = forecast(notes, setTo, coupling, pull);
		const next = new Set(
			points.flatMap(({ over, left }, i) =>
				over > notes[i].bound.most + MET || (bound.has(i) && left < -MET) ? [i] : []
			)
		);
		const isSettled = next.size === bound.size && [...next].every((i) => bound.has(i));
		// Beyond its bound nothing is set, also where the rounds find no end.
		if (isSettled || round > notes.length)
			return points.map((point, i) => ({ ...point, boundBy: bound.has(i) ? notes[i].bound.by : undefined }));
		bound = next;
	}
}

/**
 * Where notes come to that are set so.
 * @param notes in the order of work
 * @param setTo what each is set to, in cents
 */
export function forecast(
	notes: readonly NoteToRaise[],
	setTo: readonly number[],
	coupling: Coupling,
	pull: Pulls = pullsOf(notes, coupling)
): readonly SetPoint[] {
	const moves: number[] = [];
	for (let i = 0; i < notes.length; i++) {
		let stands = notes[i].now;
		for (let j = 0; j < i; j++) stands -= pull[i][j] * moves[j];
		moves.push(setTo[i] - stands);
	}
	return notes.map(({ note, now, target }, i) => {
		let left = now - target + (1 - setBackOf(coupling, note)) * moves[i];
		for (let j = 0; j < notes.length; j++) left -= pull[i][j] * moves[j];
		return { note, setTo: setTo[i], over: setTo[i] - target, move: moves[i], left, boundBy: undefined };
	});
}

type Pulls = readonly Float64Array[];

function pullsOf(notes: readonly NoteToRaise[], coupling: Coupling): Pulls {
	return notes.map((to) => Float64Array.from(notes, (from) => sinking(coupling, to, from)));
}

function setPointsUnder(
	notes: readonly NoteToRaise[],
	pull: Pulls,
	back: readonly number[],
	bound: ReadonlySet<number>
): number[] {
	const count = notes.length;
	const system = Array.from({ length: count }, () => new Float64Array(count));
	const right = new Float64Array(count);
	for (let i = 0; i < count; i++) {
		const { now, target, bound: own } = notes[i];
		if (bound.has(i)) {
			// It is set to its bound from where those before it have let it sink.
			for (let j = 0; j < i; j++) system[i][j] = -pull[i][j];
			system[i][i] = 1;
			right[i] = target + own.most - now;
		} else {
			for (let j = 0; j < count; j++) system[i][j] = -pull[i][j];
			system[i][i] = 1 - back[i] - pull[i][i];
			right[i] = target - now;
		}
	}
	const moves = solveLinear(system, right);
	return notes.map(({ now }, i) => {
		let setTo = now + moves[i];
		for (let j = 0; j < i; j++) setTo -= pull[i][j] * moves[j];
		return setTo;
	});
}
