import { HELD_WITHIN, type Drill, type Reached, type SetTrial } from '@fendrel/core';
import { capital } from '$lib/ui/format';
import { thresholdWords, type DrillWords } from './drillWords';
import { FIRM } from './progress';

/** What a sitting came to in which something was set or counted. */
export function cameTo(
	{ figure, lean, isGuessed }: Reached,
	count: number,
	kind: Drill['kind'],
	words: DrillWords
): { readonly asks: string; readonly beneath: string | undefined } {
	if (count === 0) return { asks: 'Nothing was done.', beneath: undefined };
	if (isGuessed) return { asks: 'These were guesses: no figure is kept of them.', beneath: undefined };
	if (!figure) return { asks: 'Too few to say what you can.', beneath: undefined };
	const says = [`${thresholdWords(figure, words, FIRM[kind])}.`, words.means(figure), lean && words.leans?.(lean)];
	return { asks: words.size(figure.size), beneath: says.filter(Boolean).join(' ') };
}

/** By how much a trial differs from what was asked: cents where nothing was to be left, or else a share. */
export const offOf = ({ asked, set }: SetTrial) => (asked === 0 ? set : set / asked - 1);

/** "in 4 strikes and 31 seconds" */
export const tookWords = ({ tries, seconds }: SetTrial, what: string) =>
	`in ${tries} ${tries === 1 ? what : `${what === 'try' ? 'tries' : `${what}s`}`} and ${Math.round(seconds)} seconds`;

/** What the sense of the lever's last turn has to do with it: of those left from above and from below, how many held. */
export function habitWords(trials: readonly SetTrial[]): string | undefined {
	const said = ([1, -1] as const).flatMap((last) => {
		const of = trials.filter((each) => each.last === last);
		const held = of.filter(({ set }) => Math.abs(set) < HELD_WITHIN).length;
		return of.length ? [`of ${of.length} turned ${last > 0 ? 'up' : 'down'} last ${held} held`] : [];
	});
	if (said.length === 0) return undefined;
	return `${capital(said.join(', '))}.`;
}
