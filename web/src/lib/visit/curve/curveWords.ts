import { A4, LEAST_TO_COMPARE, noteName } from '@fendrel/core';
import type { Closest } from '$lib/workers/curve';
import type { KnownString } from '$lib/tuning/strings';
import { counted, fixed, noteRuns } from '$lib/ui/format';

/** Above this the band at the ends is worth a warning, in cents. */
const UNSURE = 1;
const FEW = 12;
const NARROW = 36;

/** What the curve rests on, and what would make it surer. */
export function trustWords(
	{
		lowest,
		highest,
		measured
	}: { readonly lowest: number; readonly highest: number; readonly measured: readonly KnownString[] },
	kindName: string,
	errors: readonly number[]
): string {
	const struck = measured.filter(({ by }) => by === 'strike').map(({ note }) => note);
	const fromTable = measured.length - struck.length;
	const ends =
		errors.length === 0
			? ''
			: ` Within ±${fixed(2 * errors[0], 1)} cents at ${noteName(lowest)} and ±${fixed(2 * errors[errors.length - 1], 1)} at ${noteName(highest)}.`;
	const anchor =
		lowest <= A4 && highest >= A4
			? ''
			: ` This keyboard has no A4. ${noteName(highest < A4 ? highest : lowest)} stands at its equal-tempered pitch.`;
	const table = fromTable ? ` and ${counted(fromTable, 'more', 'more')} by the table of strings` : '';
	if (struck.length === 0 && fromTable === 0)
		return `No string has been read: a typical ${kindName} stands in.${ends}${anchor}`;
	if (struck.length === 0)
		return `No string has been read; ${counted(fromTable, 'note')} by the table of strings.${ends}${anchor}`;
	const [from, to] = [Math.min(...struck), Math.max(...struck)];
	const unsure = errors.length > 0 && 2 * Math.max(errors[0], errors[errors.length - 1]) > UNSURE;
	const more =
		struck.length < FEW || to - from < NARROW
			? ` Read ${from - lowest > highest - to ? 'a few strings in the bass' : 'a few strings in the treble'} to be surer.`
			: unsure
				? ' Reading strings at both ends would make it surer.'
				: '';
	return `Strings of ${counted(struck.length, 'note')} read, ${noteName(from)} to ${noteName(to)}${table}.${ends}${more}${anchor}`;
}

/** How well the curve found explains how the instrument stands. */
export function closestWords(found: Closest | undefined, stands: string): string {
	if (!found)
		return `Too little is known of how it stands. At least ${LEAST_TO_COMPARE.notes} notes over four octaves are needed.`;
	const stray = found.stray.length ? ` ${noteRuns(found.stray, noteName)} stood apart and were left out.` : '';
	const well =
		found.left < 1.2
			? 'fits well'
			: found.left < 2.5
				? 'comes closest'
				: 'comes closest, but none of these curves fits well';
	return `${counted(found.notes, 'note')} ${stands}: this ${well} (${fixed(found.left, 1)} cents left over).${stray}`;
}
