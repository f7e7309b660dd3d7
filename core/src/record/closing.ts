import type { At } from './brief';

/** What a visit teaches, and what may be left out of what is learned. */
export const LEARNINGS = ['settling', 'pace'] as const;
export type Learning = (typeof LEARNINGS)[number];

/** The day on which somebody comes again, as YYYY-MM-DD, and why then. */
export interface NextVisit {
	readonly on: string;
	readonly why: string;
}

/** Work that falls due by itself, beside the tuning. */
export const OTHER_WORKS = ['voicing', 'regulation'] as const;
export type OtherWork = (typeof OTHER_WORKS)[number];

/** Minutes that a booked visit takes. */
export const BOOKED_MINUTES = { least: 5, most: 720 } as const;

/** A visit to come that was booked at the end of this one. */
export interface BookedVisit {
	readonly booking: string;
	readonly startsAt: string;
	readonly minutes: number;
	readonly promised: string;
}

/** What the player said when it was done. */
export interface PlayersWord {
	readonly text: string;
	readonly by: string;
}

/** Acts of closing. */
export type ClosingAct =
	/** Advice by its place in the list, or of one's own; not given: taken off again. */
	| { readonly do: 'advice'; readonly advice: string; readonly text: string; readonly given: boolean }
	/** What came of the complaint. */
	| { readonly do: 'answer'; readonly text: string }
	| ({ readonly do: 'word' } & PlayersWord)
	| ({ readonly do: 'again' } & NextVisit)
	/** Voicing or regulation has a day of its own; null: it is done, or no longer wanted. */
	| { readonly do: 'alsoDue'; readonly work: OtherWork; readonly on: string | null; readonly why: string }
	/** A visit to come is booked for whoever says so; the diary may refuse it. ISO 8601, minutes. */
	| ({ readonly do: 'book' } & BookedVisit)
	/** What this visit teaches does not count; taken back, it does again. */
	| { readonly do: 'forget'; readonly what: Learning };

/** What closing has come to. */
export interface Closing {
	/** Advice that was given, in order: by its place in the list, or of one's own. */
	readonly advice: ReadonlyMap<string, string>;
	readonly answer: string;
	readonly word: At<PlayersWord> | undefined;
	/** undefined: as the instrument falls due by itself. */
	readonly again: NextVisit | undefined;
	/** What this visit said of other work; null: it is due no longer. */
	readonly alsoDue: ReadonlyMap<OtherWork, NextVisit | null>;
	readonly booked: readonly BookedVisit[];
	/** What is not learned, and the acts that said so. */
	readonly forgotten: ReadonlyMap<Learning, string>;
}

/** @param acts those that stand, in order; of each matter the last one counts */
export function closingOf(acts: readonly (At<ClosingAct> & { readonly id: string })[]): Closing {
	const advice = new Map<string, string>();
	let answer = '';
	let word: Closing['word'];
	let again: Closing['again'];
	const alsoDue = new Map<OtherWork, NextVisit | null>();
	const booked: BookedVisit[] = [];
	const forgotten = new Map<Learning, string>();
	for (const act of acts)
		switch (act.do) {
			case 'advice':
				if (act.given) advice.set(act.advice, act.text);
				else advice.delete(act.advice);
				break;
			case 'answer':
				answer = act.text;
				break;
			case 'word':
				word = act.text || act.by ? act : undefined;
				break;
			case 'again':
				again = { on: act.on, why: act.why };
				break;
			case 'alsoDue':
				alsoDue.set(act.work, act.on === null ? null : { on: act.on, why: act.why });
				break;
			case 'book': {
				const { booking, startsAt, minutes, promised } = act;
				booked.push({ booking, startsAt, minutes, promised });
				break;
			}
			case 'forget':
				forgotten.set(act.what, act.id);
		}
	return { advice, answer, word, again, alsoDue, booked, forgotten };
}

const KINDS = { advice: 1, answer: 1, word: 1, again: 1, alsoDue: 1, book: 1, forget: 1 } satisfies Record<
	ClosingAct['do'],
	1
>;
export function isClosingAct<Of extends { readonly do: string }>(act: Of): act is Of & ClosingAct {
	return act.do in KINDS;
}

/**
 * When other work falls due, by the last visit that said so.
 * @param closings of an instrument's visits, newest first
 */
export function otherWorkDue(
	closings: readonly Pick<Closing, 'alsoDue'>[]
): readonly (NextVisit & { readonly work: OtherWork })[] {
	return OTHER_WORKS.flatMap((work) => {
		const said = closings.find(({ alsoDue }) => alsoDue.has(work))?.alsoDue.get(work);
		return said ? [{ work, ...said }] : [];
	});
}
