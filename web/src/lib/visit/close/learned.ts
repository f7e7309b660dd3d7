import { couplingOf, standingEvents, USUAL_COUPLING, type ActOf, type Learning } from '@fendrel/core';
import type { Account, ClosingGround } from './account';
import { roughly } from '$lib/ui/format';

/** Shorter than that a visit tells nothing of how long work takes, in minutes. */
const TELLS = 20;

/** "12 % more than usual" */
function besideUsual(share: number): string {
	const by = Math.round(100 * (share - 1));
	return by === 0 ? 'as is usual' : `${Math.abs(by)} % ${by > 0 ? 'more' : 'less'} than usual`;
}

/** What a visit has taught. */
export function learnedHere(
	{ record }: ClosingGround,
	{ done }: Account
): readonly { readonly what: Learning; readonly text: string }[] {
	const learned = standingEvents(record.report)
		.filter((event): event is ActOf<'learned'> => 'do' in event && event.do === 'learned')
		.at(-1)?.learned;
	const minutes = [...done.minutes.values()].reduce((sum, each) => sum + each, 0);
	const coupling = learned && couplingOf(learned);
	return [
		...(coupling
			? [
					{
						what: 'settling' as const,
						text: `A string of this piano sinks ${besideUsual(coupling.setBack / USUAL_COUPLING.setBack)} by itself, and pulls its neighbours down ${besideUsual(coupling.local / USUAL_COUPLING.local)}.`
					}
				]
			: []),
		...(minutes >= TELLS
			? [{ what: 'pace' as const, text: `It took ${roughly(minutes)}; the next plan reckons with it.` }]
			: [])
	];
}
