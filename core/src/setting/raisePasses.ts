import type { PassEvent } from '../raise/pass';
import { compareHappened, isReading, isUsable } from '../record/happened';
import type { VisitReport } from '../record/report';
import { groupOf } from '../record/sounder';
import { centsBetween } from '../units/pitch';
import { hz, type Hz } from '../units/quantity';

/**
 * What was read and set in each pass of a raise, and in a trial before it (pass 0), in cents from where notes shall end. Of the readings of a note, the first
 * one after work elsewhere is how it stood; while its pins are turned readings tell nothing of the piano.
 * @param targetOf undefined: the note is not there, or is not aimed at
 */
export function eventsOfPasses(
	report: VisitReport,
	targetOf: (note: number) => Hz | undefined
): ReadonlyMap<number, readonly PassEvent[]> {
	const passes = new Map<number, PassEvent[]>();
	const found = new Set<string>();
	for (const event of report.events.values())
		if (!isReading(event) && event.do === 'accept' && event.purpose === 'found' && event.reading)
			found.add(event.reading);
	let pass: number | undefined;
	let last: number | undefined;
	const add = (kind: PassEvent['kind'], note: number, pitch: number) => {
		const target = targetOf(note);
		if (target === undefined || pass === undefined) return;
		passes.set(pass, [...(passes.get(pass) ?? []), { kind, note, at: centsBetween(target, hz(pitch)) }]);
	};
	for (const event of [...report.events.values()].sort(compareHappened)) {
		if (isReading(event)) {
			if (found.has(event.id) || !isUsable(event)) continue;
			const note = groupOf(event.sounders[0]);
			if (note !== last) add('read', note, event.pitch);
			last = note;
		} else if (event.do === 'plan') {
			const next = event.plan.raise?.pass;
			// Begun anew.
			if (next === 0 && pass !== 0) passes.clear();
			if (next === 1 && pass === undefined) for (const each of [...passes.keys()]) if (each > 0) passes.delete(each);
			if (next !== pass) last = undefined;
			pass = next;
		} else if (event.do === 'accept' && event.purpose === 'raised' && event.pass === pass) {
			const reading = event.reading === null ? undefined : report.events.get(event.reading);
			const pitch = reading && isReading(reading) && isUsable(reading) ? reading.pitch : event.setTo;
			if (pitch !== null && pitch !== undefined) add('set', groupOf(event.sounders[0]), pitch);
		}
	}
	return passes;
}

/** At every eighth note one that was set fourteen earlier is read again: only that shows what a string loses by itself. */
const AGAIN = { every: 8, earlier: 14 } as const;

/**
 * The note that is to be read again in a pass, while it goes on.
 * @param happened what was read and set in the pass, in order
 */
export function noteToReadAgain(happened: readonly PassEvent[]): number | undefined {
	const sets = happened.flatMap(({ kind, note }, at) => (kind === 'set' ? [{ note, at }] : []));
	const due = AGAIN.every * Math.floor(sets.length / AGAIN.every) - AGAIN.earlier;
	const chosen = due > 0 ? sets[due - 1] : undefined;
	if (!chosen) return undefined;
	const since = happened.slice(chosen.at + 1);
	return since.some(({ note }) => note === chosen.note) ? undefined : chosen.note;
}
