import { A4 } from '../units/pitch';

/** What is examined, in the order in which it is printed. */
export const EXAMINED = ['pitch', 'temperament', 'bass', 'middle', 'treble', 'top', 'unisons', 'holding'] as const;
export type Examined = (typeof EXAMINED)[number];

/** Up to `none` cents nothing is lost, up to `one` one point, up to `two` two, beyond three; and how much the section counts. */
export interface ExaminationBand {
	readonly none: number;
	readonly one: number;
	readonly two: number;
	readonly weight: number;
}
export type ExaminationBands = Readonly<Record<Examined, ExaminationBand>>;

const band = (none: number, one: number, two: number, weight: number): ExaminationBand => ({ none, one, two, weight });
/** Set by us: strictest where the ear is, wide where nobody can tell. */
export const USUAL_BANDS: ExaminationBands = {
	pitch: band(0.5, 1, 2, 1),
	temperament: band(0.5, 1, 2, 3),
	bass: band(1.5, 3, 6, 1),
	middle: band(1, 2, 3, 2),
	treble: band(2, 4, 6, 1),
	top: band(4, 8, 12, 1),
	unisons: band(0.6, 1.2, 2, 3),
	holding: band(0.5, 1, 2, 2)
};
const MOST_LOST = 3;

/** Where sections begin: the temperament octave is F3 to F4. */
const FROM: readonly (readonly [from: number, section: Examined])[] = [
	[97, 'top'],
	[85, 'treble'],
	[66, 'middle'],
	[53, 'temperament'],
	[-Infinity, 'bass']
];
export function examinedSection(note: number): Examined {
	return FROM.find(([from]) => note >= from)![1];
}

/** A figure that is examined: cents off target, apart, or since it was set. */
export interface ExaminedNote {
	readonly note: number;
	readonly cents: number;
}

export interface ExaminedSection {
	readonly section: Examined;
	/** 0 to 100; undefined where nothing was read. */
	readonly score: number | undefined;
	readonly read: number;
	/** Notes that lost points, the worst first. */
	readonly lost: readonly (ExaminedNote & { readonly points: number })[];
}

export interface Examination {
	readonly sections: readonly ExaminedSection[];
	/** Over the sections that were read, by their weights; undefined where nothing was. */
	readonly score: number | undefined;
}

export interface ExaminationGround {
	/** Notes against the plan, cents. */
	readonly notes: readonly ExaminedNote[];
	/** Unisons that were heard open: cents from the lowest string to the highest. */
	readonly unisons: readonly ExaminedNote[];
	/** Notes that were struck again: cents since they were set. */
	readonly drifts: readonly ExaminedNote[];
}

export function pointsLost(cents: number, { none, one, two }: ExaminationBand): number {
	const size = Math.abs(cents);
	return size <= none ? 0 : size <= one ? 1 : size <= two ? 2 : MOST_LOST;
}

/** As an examiner goes through an instrument: what each section loses, and what is left of a hundred. */
export function examine(
	{ notes, unisons, drifts }: ExaminationGround,
	bands: ExaminationBands = USUAL_BANDS
): Examination {
	const within = (section: Examined) => notes.filter(({ note }) => examinedSection(note) === section);
	const figures: Record<Examined, readonly ExaminedNote[]> = {
		pitch: notes.filter(({ note }) => note === A4),
		...{ temperament: within('temperament'), bass: within('bass'), middle: within('middle') },
		...{ treble: within('treble'), top: within('top'), unisons, holding: drifts }
	};
	const sections = EXAMINED.map((section): ExaminedSection => {
		const read = figures[section];
		const judged = read.map((each) => ({ ...each, points: pointsLost(each.cents, bands[section]) }));
		const all = judged.reduce((sum, { points }) => sum + points, 0);
		return {
			section,
			score: read.length ? 100 * (1 - all / (MOST_LOST * read.length)) : undefined,
			read: read.length,
			lost: judged
				.filter(({ points }) => points > 0)
				.sort((a, b) => b.points - a.points || Math.abs(b.cents) - Math.abs(a.cents))
		};
	});
	const counted = sections.flatMap(({ section, score }) =>
		score === undefined ? [] : [{ score, weight: bands[section].weight }]
	);
	const weight = counted.reduce((sum, each) => sum + each.weight, 0);
	return {
		sections,
		score: weight > 0 ? counted.reduce((sum, each) => sum + each.score * each.weight, 0) / weight : undefined
	};
}
