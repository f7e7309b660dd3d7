import type { BearingCheck, BearingStep } from '../bearing/step';
import { A4 } from '../units/pitch';
import type { SettingStep } from './step';

/** F2 lies a seventeenth under A4: its fifth partial meets a fork and A4 alike. */
export const FORK_TEST = 41;
/** A major third below an octave, and a minor third above its lower note, prove 4:2 and 6:3. */
const TEST_NOTES = { '4:2': -4, '6:3': 3, '4:1': -4 } as const;

/**
 * Notes that are played while a step's note is set, besides that note: what it is heard against, its checks, test notes, and the
 * silent key of the coincidence. They are struck as tests, and never meant as the next note.
 */
export function playedWith(step: SettingStep, bearing?: Pick<BearingStep, 'checks'>): ReadonlySet<number> {
	const { note, against, interval, also = [] } = step;
	const notes = new Set<number>(note === A4 && against === undefined ? [FORK_TEST] : []);
	const pairs = against !== undefined && interval ? [{ against, interval }, ...also] : also;
	for (const { against, interval } of pairs) {
		const lower = Math.min(note, against);
		notes.add(against);
		notes.add(lower + Math.round(12 * Math.log2(interval.lowerPartial)));
		const test = TEST_NOTES[`${interval.lowerPartial}:${interval.upperPartial}` as keyof typeof TEST_NOTES];
		if (test !== undefined) notes.add(lower + test);
	}
	const edges = ({ edge, compare }: BearingCheck) => (compare ? [edge, compare.edge] : [edge]);
	for (const { lower, upper } of (bearing?.checks ?? []).flatMap(edges)) {
		notes.add(lower);
		notes.add(upper);
	}
	notes.delete(note);
	return notes;
}
