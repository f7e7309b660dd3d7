import { isReading, type Reading } from './happened';
import type { VisitReport } from './report';
import type { SounderId } from './sounder';

/** Readings of a string since it broke last, in order: it sounds again only when a new one is on; undefined: it did not break. */
export function readSinceBroken(report: VisitReport, sounder: SounderId): readonly Reading[] | undefined {
	const broke = report.arrival.broken.filter((each) => each.sounder === sounder).at(-1);
	if (!broke) return undefined;
	return (report.ofSounder.get(sounder) ?? []).filter(
		(event): event is Reading => isReading(event) && event.sounders.length === 1 && event.at > broke.at
	);
}

/** Whether a string is broken and nobody has heard a new one. */
export function isBrokenNow(report: VisitReport, sounder: SounderId): boolean {
	return readSinceBroken(report, sounder)?.length === 0;
}
