import { estimate, paceOf, type Work } from '@fendrel/core';
import { money } from '$lib/settings/settings';
import { counted, roughly } from '$lib/ui/format';
import { findingsOf } from '../findings';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { type Judgement } from './judgement';
import { settingsOf } from '../workshopSettings';
import type { Reason } from './verdictWords';

/** What fits between the passes of a raise, while the strings stretch: work that was found and is not done. */
export function betweenPasses(open: Pick<KeyboardVisit, 'about' | 'record'>): readonly Reason[] {
	const left = findingsOf(open).filter(({ state }) => state === 'open' || state === 'quoted');
	if (left.length === 0) return [];
	const [first, second] = left.map(({ text }) => text);
	const more = left.length > 2 ? ` and ${left.length - 2} more` : '';
	return [
		{
			text: `Between the passes, while the strings stretch: ${[first, second].filter(Boolean).join('; ')}${more}`,
			figure: counted(left.length, 'job')
		}
	];
}

/** How long it takes and what it costs, by the workshop's own visits and rates. */
export function effort(open: Pick<KeyboardVisit, 'about'>, { verdict }: Judgement, passes: number): readonly Reason[] {
	const settings = settingsOf(open);
	const pace = open.about.pace ?? paceOf([], settings.minutes);
	const work: Work = { kind: verdict.kind, notes: verdict.notes.length, passes };
	const from = pace.tunings ? `by ${counted(pace.tunings, 'visit')} of this workshop` : 'by the workshop’s settings';
	const price = money(settings, estimate(work, settings.price));
	const said: Reason[] = [
		{
			text: `About ${roughly(estimate(work, pace.tariff))}, ${from}`,
			figure: price ?? roughly(estimate(work, pace.tariff))
		}
	];
	if (verdict.kind === 'moveAndReturn') {
		const again = { kind: 'tune', notes: 0, passes: 0 } as const;
		said.push({
			text: 'The tuning two to three weeks later comes on top',
			figure: money(settings, estimate(again, settings.price)) ?? roughly(estimate(again, pace.tariff))
		});
	}
	return said;
}
