import { mean, median } from 'd3-array';
import { MEDIAN_TO_SD } from '../numeric/bisquare';
import type { FoundLevel } from './levels';
import { sectionsOf, type Section } from './sections';
import { strays, type Strays } from './strays';

/** A note as it was found; cents from where the plan wants it. */
export interface FoundState extends FoundLevel {
	/** How far its open strings lie apart in cents, 0: still; undefined: nobody heard them together. */
	readonly spread?: number;
	/** How far they may, in cents. */
	readonly unison: number;
	readonly hasFalseBeat: boolean;
}

export interface SectionState extends Section {
	/** Where the section stands: a robust mean. */
	readonly level: number;
	/** How far its notes scatter about that. */
	readonly spread: number;
	readonly notes: number;
}

/** The state of an instrument in figures; cents from the plan. */
export interface InstrumentState {
	readonly notes: readonly FoundState[];
	/** Median of all, and how far they scatter about it. */
	readonly level: number;
	readonly spread: number;
	/** Sections of which something was read, from the lowest up. */
	readonly sections: readonly SectionState[];
	/** The one that stands furthest from where it should: it decides, not the mean. */
	readonly worst: SectionState | undefined;
	/** How much higher the notes above the break stand than those below; undefined where too few were read. */
	readonly jump: number | undefined;
	readonly strays: Strays;
	/** Unisons that beat more than they may, worst first; and how many were heard. */
	readonly unisons: readonly FoundState[];
	readonly unisonsHeard: number;
	readonly falseBeats: readonly number[];
	/** Of F3 to F4, what nobody has read. */
	readonly temperamentUnread: number;
}

/** Notes on either side of the break that say how far it jumps, and the fewest of them that can. */
const JUMP = { reach: 7, fewest: 2 } as const;

export function instrumentState(
	found: readonly FoundState[],
	{ lowest, highest, breakNote }: { lowest: number; highest: number; breakNote: number | undefined },
	temperament: { readonly from: number; readonly to: number }
): InstrumentState {
	const notes = [...found].sort((a, b) => a.note - b.note);
	const out = strays(notes, breakNote);
	const isStray = (note: number) => out.neighbourhoods.get(note)?.isStray ?? false;
	const sections = sectionsOf(lowest, highest, breakNote).flatMap((section): SectionState[] => {
		const within = notes.filter(({ note }) => note >= section.from && note <= section.to);
		if (within.length === 0) return [];
		// A string that stands out is a matter of its own.
		const levels = within.filter(({ note }) => !isStray(note)).map(({ level }) => level);
		return [
			{ ...section, ...spreadOf(levels.length ? levels : within.map(({ level }) => level)), notes: within.length }
		];
	});
	const open = notes.filter(({ spread }) => spread !== undefined);
	const read = new Set(notes.map(({ note }) => note));
	let temperamentUnread = 0;
	for (let note = Math.max(temperament.from, lowest); note <= Math.min(temperament.to, highest); note++)
		if (!read.has(note)) temperamentUnread++;
	return {
		notes,
		...spreadOf(notes.map(({ level }) => level)),
		sections,
		worst: sections.reduce<SectionState | undefined>(
			(worst, each) => (worst && Math.abs(worst.level) >= Math.abs(each.level) ? worst : each),
			undefined
		),
		jump:
			breakNote === undefined
				? undefined
				: jumpAt(
						notes.filter(({ note }) => !isStray(note)),
						breakNote
					),
		strays: out,
		unisons: open
			.filter(({ spread, unison }) => spread! > unison)
			.sort((a, b) => b.spread! / b.unison - a.spread! / a.unison),
		unisonsHeard: open.length,
		falseBeats: notes.filter(({ hasFalseBeat }) => hasFalseBeat).map(({ note }) => note),
		temperamentUnread
	};
}

/** Median, and a robust standard deviation about it. */
function spreadOf(levels: readonly number[]): { readonly level: number; readonly spread: number } {
	const level = median(levels) ?? 0;
	return { level, spread: MEDIAN_TO_SD * (median(levels, (each) => Math.abs(each - level)) ?? 0) };
}

function jumpAt(notes: readonly FoundState[], breakNote: number): number | undefined {
	const below = notes.filter(({ note }) => note < breakNote && note >= breakNote - JUMP.reach);
	const above = notes.filter(({ note }) => note >= breakNote && note < breakNote + JUMP.reach);
	if (below.length < JUMP.fewest || above.length < JUMP.fewest) return undefined;
	return mean(above, ({ level }) => level)! - mean(below, ({ level }) => level)!;
}
