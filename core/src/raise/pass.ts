import type { RaisedNote } from './coupling';
import { couplingOf, learn, predictedSinking, type LearnedCoupling, type Raised, type Sunk } from './learning';
import { forecast, type Bound, type NoteToRaise, type SetPoint } from './overpull';
import { setPoints, type RaiseSchool } from './schools';

/*
 * A pass while it goes on: one string of each note is read before it is set, which shows how far it has sunk; what is left
 * is computed anew from that. A note that was set earlier and is read again shows what a note loses by itself.
 */

/** A note as it was found, before the pass; in cents. */
export interface FoundNote extends RaisedNote {
	readonly found: number;
	/** Standard error of that: of its reading, or of what its neighbours say of it. */
	readonly error: number;
	readonly target: number;
	readonly bound: Bound;
}

/** What was read and set in the pass, in order; in cents from the zero of what was found. */
export interface PassEvent {
	/** `set`: this is what the note was left at; `read`: nobody turned its pins. */
	readonly kind: 'read' | 'set';
	readonly note: number;
	readonly at: number;
}

export interface RunningPass {
	/** What is known of the piano by now. */
	readonly learned: LearnedCoupling;
	/** What is still to be set, in order, and what to. */
	readonly next: readonly SetPoint[];
	/** Where notes that are set will have come to at the end of the pass, in cents from their targets. */
	readonly settled: ReadonlyMap<number, number>;
}

/** One reading of a string as it wanders between two strikes, in cents. */
export const READING_CENTS = 0.2;

/** A raise, and what the note was left at. */
interface Set extends Raised {
	readonly to: number;
}

/** The last reading of a note, and how many notes had been set by then. */
interface Read {
	readonly at: number;
	readonly error: number;
	readonly sets: number;
}

/**
 * @param notes in the order of work
 * @param happened what was read and set so far
 * @param known of this piano before the pass
 * @param school by which notes are set; whichever it is, the piano is learned and where notes come to is foretold
 * @param learns false: the constants stay as they are known; only where notes were read counts
 */
export function runningPass(
	notes: readonly FoundNote[],
	happened: readonly PassEvent[],
	known: LearnedCoupling,
	school: RaiseSchool = 'coupled',
	learns = true
): RunningPass {
	const byNote = new Map(notes.map((each) => [each.note, each]));
	const { seen, sets, read } = follow(byNote, happened, couplingOf(known));
	const learned = learns ? learn(known, seen) : known;
	const coupling = couplingOf(learned);
	const done = new Set(sets.map(({ note }) => note.note));
	const left = notes.filter(({ note }) => !done.has(note));
	const standing = left.map((each) => {
		const { at, sets: by } = read.get(each.note)!;
		return { ...each, now: at - predictedSinking(coupling, each, sets.slice(by)) };
	});
	const next = school === 'shares' ? byShares(notes, standing, learned) : setPoints(school, standing, learned);
	const toCome = next.map(({ note, move }): Raised => ({ note: byNote.get(note)!, by: move }));
	const settled = sets.map(({ note, by, to }, i) => {
		const sunk = predictedSinking(coupling, note, [...sets.slice(i + 1), ...toCome], by);
		return [note.note, to - sunk - byNote.get(note.note)!.target] as const;
	});
	return { learned, next, settled: new Map(settled) };
}

/** Shares are of the drop as it was found, and of the whole order: what is set already changes neither. */
function byShares(
	notes: readonly FoundNote[],
	left: readonly NoteToRaise[],
	learned: LearnedCoupling
): readonly SetPoint[] {
	const planned = setPoints(
		'shares',
		notes.map((each) => ({ ...each, now: each.found })),
		learned
	);
	const byNote = new Map(planned.map((point) => [point.note, point]));
	const setTo = left.map(({ note }) => byNote.get(note)!.setTo);
	return forecast(left, setTo, couplingOf(learned)).map((point) => ({
		...point,
		boundBy: byNote.get(point.note)!.boundBy
	}));
}

/** Goes through a pass: how far notes had sunk when they were read, how far they were raised, where they were read last. */
function follow(
	byNote: ReadonlyMap<number, FoundNote>,
	happened: readonly PassEvent[],
	coupling: ReturnType<typeof couplingOf>
): { readonly seen: readonly Sunk[]; readonly sets: readonly Set[]; readonly read: ReadonlyMap<number, Read> } {
	const seen: Sunk[] = [];
	const sets: Set[] = [];
	const read = new Map<number, Read>();
	const setAs = new Map<number, number>();
	for (const { note, found, error } of byNote.values()) read.set(note, { at: found, error, sets: 0 });
	for (const { kind, note, at } of happened) {
		const each = byNote.get(note);
		if (!each) continue;
		const before = read.get(note)!;
		const own = setAs.get(note);
		if (kind === 'read') {
			const since = sets.slice(own === undefined ? before.sets : own + 1);
			const from = own === undefined ? before : { at: sets[own].to, error: READING_CENTS };
			const by = own === undefined ? undefined : sets[own].by;
			if (since.length || by !== undefined)
				seen.push({ note: each, sunk: from.at - at, error: Math.hypot(from.error, READING_CENTS), since, own: by });
			// What a note loses by itself is still to come: where it ends is told from where it was set.
			if (own === undefined) read.set(note, { at, error: READING_CENTS, sets: sets.length });
		} else {
			const stood = before.at - predictedSinking(coupling, each, sets.slice(before.sets));
			setAs.set(note, sets.length);
			sets.push({ note: each, by: at - stood, to: at });
			read.set(note, { at, error: READING_CENTS, sets: sets.length });
		}
	}
	return { seen, sets, read };
}
