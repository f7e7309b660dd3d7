import { fretPlaceOf, groupOf, type Reading, type SounderId, type VisitReport } from '@fendrel/core';
import { listed } from '$lib/ui/format';

/** The string that a sounder is of, open or stopped; the second one of a course is another. */
function stringOf(sounder: SounderId): string {
	const { string, isSecond } = fretPlaceOf(groupOf(sounder));
	return `${string}${isSecond ? '′' : ''}`;
}

/** When strings broke last in this visit. */
function breaks({ arrival }: Pick<VisitReport, 'arrival'>): ReadonlyMap<string, number> {
	return new Map(arrival.broken.map(({ sounder, at }) => [stringOf(sounder), at]));
}

/** Readings that count: what was read of a string before it broke tells nothing of the one that is on now. */
export function ofStringsThatAreOn(
	report: Pick<VisitReport, 'arrival'>,
	readings: readonly Reading[]
): readonly Reading[] {
	const broke = breaks(report);
	return readings.filter(({ sounders: [sounder], at }) => !(at <= (broke.get(stringOf(sounder)) ?? -Infinity)));
}

/** Broken, and nobody has heard a new one. @param readings that count */
export function isBroken(
	report: Pick<VisitReport, 'arrival'>,
	readings: readonly Reading[],
	sounder: SounderId
): boolean {
	const string = stringOf(sounder);
	return breaks(report).has(string) && !readings.some(({ sounders: [each] }) => stringOf(each) === string);
}

/** Left before it broke: the one that is on now has not been set. */
export const isGone = (report: Pick<VisitReport, 'arrival'>, sounder: SounderId, leftAt: number): boolean =>
	leftAt <= (breaks(report).get(stringOf(sounder)) ?? -Infinity);

export const BROKEN_WORDS = 'Broken. Put a new one on and pull it up, then sound it: it gives for days.';

/** Strings that broke in this visit, as a line of its record; none: no line. */
export function brokenLine({
	record,
	family
}: {
	readonly record: { readonly report: Pick<VisitReport, 'arrival'> };
	readonly family: { readonly groupName: (group: number) => string };
}): readonly (readonly [term: string, text: string])[] {
	const names = record.report.arrival.broken.map(({ sounder }) => family.groupName(groupOf(sounder)).toLowerCase());
	return names.length ? [['broke', listed([...new Set(names)])]] : [];
}
