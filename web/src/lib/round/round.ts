import type { DriftPrediction, ExpectedClimate, OtherWork, Played, VisitPurpose } from '@fendrel/core';
import { counted, fixed, signed } from '$lib/ui/format';

/** An instrument as the round sees it. */
export interface RoundInstrument {
	readonly id: string;
	readonly name: string;
	readonly place: string;
	readonly locationId: string | null;
	/** The visit that is half done, and how much of it is set. */
	readonly open: string | undefined;
	readonly set: string;
	/** Milliseconds since 1970: when it was finished last, and when it falls due. */
	readonly last: number | undefined;
	readonly due: number | undefined;
	/** Why then. */
	readonly why: string;
	/** Work that has a day of its own. */
	readonly other: readonly { readonly work: OtherWork; readonly due: number; readonly why: string }[];
	readonly purpose: VisitPurpose;
	readonly played: Played | null;
	/** Cents off from its pitch, by day: `STEP` apart, from today on. */
	readonly ahead: readonly DriftPrediction[];
	/** What makes it drift, in words. */
	readonly explained: string;
	/** What its owner played into a telephone since the last visit; empty: nothing. */
	readonly telephone: string;
	/** Minutes that a tuning takes here. */
	readonly minutes: number;
	/** Cents within which it may be left. */
	readonly tolerance: number;
	/** Work that was found and is still to do. */
	readonly findings: readonly string[];
	/** What to bring along for it. */
	readonly bring: readonly string[];
	/** The air there, as it was at this time of the year. */
	readonly climate: ExpectedClimate | undefined;
}

export const DAY = 86_400_000;
/** Days from one prediction to the next, and days ahead. */
export const STEP = 7;
export const AHEAD = 154;

/** How much an hour of it counts: by what it is for, and how much it is played. */
const COUNTS: Readonly<Record<VisitPurpose, number>> = { home: 1, lesson: 1.5, institution: 2, studio: 2.5, stage: 3 };
const PLAYS: Readonly<Record<Played, number>> = { daily: 1.5, weekly: 1, seldom: 0.6, hardly: 0.3 };
export const weightOf = ({ purpose, played }: Pick<RoundInstrument, 'purpose' | 'played'>): number =>
	COUNTS[purpose] * (played ? PLAYS[played] : 1);

type Worth = Pick<RoundInstrument, 'ahead' | 'tolerance' | 'purpose' | 'played'>;
/** What tuning it gains: cents that it is expected to stand beyond its tolerance, by how much it counts. @param weeks from today */
export function worthOf(instrument: Worth, weeks = 0): number {
	const then = instrument.ahead[Math.min(weeks, instrument.ahead.length - 1)];
	if (!then) return 0;
	return weightOf(instrument) * Math.max(0, Math.abs(then.cents) - instrument.tolerance);
}

/** What an hour at it gains. */
export const gainOf = (instrument: Worth & Pick<RoundInstrument, 'minutes'>): number =>
	(worthOf(instrument) * 60) / Math.max(1, instrument.minutes);

/** When it is expected to leave its tolerance: days from today; undefined: not within what is looked ahead. */
export function leavesIn({ ahead, tolerance }: Pick<RoundInstrument, 'ahead' | 'tolerance'>): number | undefined {
	const at = ahead.findIndex(({ cents }) => Math.abs(cents) > tolerance);
	return at < 0 ? undefined : at * STEP;
}

const PLAYED_WORDS: Readonly<Record<Played, string>> = {
	...{ daily: 'played daily', weekly: 'played weekly', seldom: 'seldom played', hardly: 'hardly played' }
};
/** "about 9 cents flat by now (±2), played daily" */
export function payWords({ ahead: [now], played }: Pick<RoundInstrument, 'ahead' | 'played'>): string {
	const stands = `about ${fixed(Math.abs(now.cents), 0)} cents ${now.cents < 0 ? 'flat' : 'sharp'} by now (±${fixed(now.error, 0)})`;
	return played ? `${stands}, ${PLAYED_WORDS[played]}` : stands;
}

/** Something that falls due: an instrument's tuning, or work that has a day of its own. */
export interface DueLine extends Pick<RoundInstrument, 'id' | 'name' | 'place' | 'why'> {
	readonly due: number;
	readonly work: 'tuning' | OtherWork;
}

/** Overdue first, then by the day; what is half done is no longer due. */
export function dueOf(all: readonly RoundInstrument[], now: number, days = 42): readonly DueLine[] {
	return all
		.flatMap(({ id, name, place, why, due, open, other }): DueLine[] => {
			const of = { id, name, place };
			const tuning = due !== undefined && open === undefined ? [{ ...of, work: 'tuning' as const, due, why }] : [];
			return [...tuning, ...other.map((each) => ({ ...of, ...each }))];
		})
		.filter(({ due }) => due <= now + days * DAY)
		.sort((a, b) => a.due - b.due);
}

/** How many instruments something falls due at. */
export const instrumentsOf = (due: readonly DueLine[]): number => new Set(due.map(({ id }) => id)).size;

/** Where an hour gains most, the most first. */
export const paysMost = (all: readonly RoundInstrument[]): readonly RoundInstrument[] =>
	all.filter((each) => each.open === undefined && gainOf(each) > 0).sort((a, b) => gainOf(b) - gainOf(a));

/** "Two visits are half done; five instruments are overdue, eight more fall due in six weeks." */
export function roundHeadline(all: readonly RoundInstrument[], now: number): string {
	const open = all.filter((each) => each.open !== undefined).length;
	// An instrument whose voicing is due beside its tuning is one instrument.
	const due = dueOf(all, now);
	const over = instrumentsOf(due.filter((each) => each.due < now));
	const coming = instrumentsOf(due) - over;
	const said = [
		...(open ? [`${counted(open, 'visit')} half done`] : []),
		...(over ? [`${counted(over, 'instrument')} overdue`] : []),
		...(coming
			? [`${coming}${over ? ' more' : coming === 1 ? ' instrument' : ' instruments'} due within six weeks`]
			: [])
	];
	return said.length ? `${said.join(', ')}.` : 'Nothing is half done, and nothing falls due within six weeks.';
}

/** What makes it drift: "2.9 cents a year down, 4.1 up for 10 % more humidity, highest in August". */
export function driftWords(
	trend: number,
	humidity: { readonly cents: number; readonly error: number },
	wave: number,
	highest: string
): string {
	return [
		`${signed(trend)} cents a year`,
		...(Math.abs(humidity.cents) > humidity.error ? [`${signed(humidity.cents)} for 10 % more humidity`] : []),
		...(wave >= 1 ? [`by the season ±${fixed(wave, 1)}, highest in ${highest}`] : [])
	].join('; ');
}
