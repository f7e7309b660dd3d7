import { accept, happened, reading, target } from '../fixtures/visitEvents';
import {
	addToReport,
	groupRecords,
	hz,
	KEYBOARD,
	reportOf,
	summariseVisit,
	undoable,
	usualStringing,
	workDone,
	type Act,
	type Reading,
	type VisitEvent
} from '../src/index';

/** A whole instrument: every string set, most of them struck six times. */
const BODY = { lowest: 21, highest: 108, stringing: usualStringing('grand', 21, 108) };
const STRIKES = 6;
const ROUNDS = 30;

const plan = (): Act => ({
	...happened(),
	do: 'plan',
	plan: { id: 'p', a4: 440, temperamentId: 't', tolerance: 1, curveId: null, lead: null }
});

/** A visit in which everything is set. */
function wholeVisit(): VisitEvent[] {
	const events: VisitEvent[] = [plan()];
	for (const note of KEYBOARD.groups(BODY)) {
		events.push({ ...happened(), do: 'place', group: note });
		for (const sounder of KEYBOARD.sounders(BODY, note)) {
			let last: Reading | null = null;
			for (let strike = 0; strike < STRIKES; strike++) events.push((last = reading([sounder], STRIKES - strike)));
			events.push(accept([sounder], last));
		}
	}
	return events;
}

/** Median milliseconds of some work. */
function timed(work: () => void): number {
	const times = Array.from({ length: ROUNDS }, () => {
		const begun = performance.now();
		work();
		return performance.now() - begun;
	}).sort((a, b) => a - b);
	return times[Math.floor(ROUNDS / 2)];
}

const events = wholeVisit();
const empty = [plan()];
const [report, nothing] = [reportOf(events), reportOf(empty)];
const strike = reading(KEYBOARD.sounders(BODY, 69), 0.2);
const summary = (of: typeof report) =>
	summariseVisit(groupRecords(of.sounders.values()), KEYBOARD.groups(BODY), (note) => hz(target(note)));

const works: readonly (readonly [name: string, whole: () => void, none: () => void])[] = [
	['reopening', () => reportOf(events), () => reportOf(empty)],
	['a strike comes in', () => addToReport(report, [strike]), () => addToReport(nothing, [strike])],
	['what strip and list show', () => summary(report), () => summary(nothing)],
	['what can be taken back', () => undoable(report), () => undoable(nothing)],
	['the record on closing', () => workDone(report), () => workDone(nothing)]
];
// What runs first is compiled first: everything once before it is timed.
for (const [, whole, none] of works) [whole, none].forEach((work) => timed(work));
console.log(
	JSON.stringify({
		strings: report.sounders.size,
		strikes: events.filter((event) => 'way' in event).length,
		rows: works.map(([name, whole, none]) => ({ name, whole: timed(whole), none: timed(none) }))
	})
);
