import {
	isSeasons,
	seasonShare,
	type Climate,
	type PitchChange,
	type SeasonShare,
	type SectionId
} from '@fendrel/core';
import type { VisitBefore } from '$lib/device/books';

const MONTH = (365.25 / 12) * 86_400_000;

/** How a section of an instrument moved from visit to visit, where the climate was told at both; oldest last. */
function changesOf(history: readonly VisitBefore[], section: SectionId): readonly PitchChange[] {
	return history.slice(0, -1).flatMap((visit, i) => {
		const before = history[i + 1];
		const found = visit.sections.find(({ id }) => id === section)?.found;
		const left = before.sections.find(({ id }) => id === section)?.left;
		const [now, then] = [visit.climate?.humidity, before.climate?.humidity];
		if (found === undefined || left === undefined || now == null || then == null) return [];
		return [{ cents: found - left, humidity: now - then, months: (visit.at - before.at) / MONTH }];
	});
}

/** What the air of today makes one expect of the tenor, which moves most, before anything is read. */
export function expectedChange(history: readonly VisitBefore[], climate: Climate): SeasonShare | undefined {
	const [now, then] = [climate.humidity, history[0]?.climate?.humidity];
	return now == null || then == null ? undefined : seasonShare(changesOf(history, 'tenor'), now - then);
}

/** What the season has done to a section since the last visit. */
export interface Season extends SeasonShare {
	readonly section: SectionId;
	/** Cents from how it was left. */
	readonly moved: number;
	/** Per cent of humidity more than at the last visit. */
	readonly humidity: number;
	/** The change is the season's: it will go back by itself. */
	readonly isSeasons: boolean;
}

/**
 * @param found where the section stands, in cents from the instrument's usual pitch
 * @param within cents that do not matter
 * @returns undefined where climate or pitch of either day is not known
 */
export function seasonOf(
	history: readonly VisitBefore[],
	section: SectionId,
	found: number,
	climate: Climate | undefined,
	within: number
): Season | undefined {
	const left = history[0]?.sections.find(({ id }) => id === section)?.left;
	const [now, then] = [climate?.humidity, history[0]?.climate?.humidity];
	if (left === undefined || now == null || then == null) return undefined;
	const humidity = now - then;
	const share = seasonShare(changesOf(history, section), humidity);
	const moved = found - left;
	return { ...share, section, moved, humidity, isSeasons: isSeasons(moved, share, within) };
}
