import { beatOf, finalWalk, noteName, standsOut, type FinalStep, type FinalWalk } from '@fendrel/core';
import { pairName } from '$lib/ui/beats';
import type { OpenVisit } from '../openVisit.svelte';
import { heardAs, type Proved } from './proved';

/** "C3", "C3-C4". */
export const stepName = (step: FinalStep): string => ('note' in step ? noteName(step.note) : pairName(step));

/** How a walk stands: what is due, and what stood out of what was heard. */
export interface WalkState {
	readonly all: number;
	readonly heard: number;
	readonly due: FinalStep | undefined;
	/** With what is wrong in words, and the note to set again. */
	readonly out: readonly { readonly step: FinalStep; readonly words: string; readonly note: number }[];
}

/** @param passed steps that were passed over, by name */
export function walkState(
	{ plan, family, body, summary }: Pick<OpenVisit, 'plan' | 'family' | 'body' | 'summary'>,
	{ heard, unisons }: Pick<Proved, 'heard' | 'unisons'>,
	walk: FinalWalk,
	passed: ReadonlySet<string>
): WalkState {
	// A unison that nobody set is not proved: it is on record as it stands.
	const notes = walk === 'unisons' ? summary.set : family.groups(body);
	const steps = finalWalk(walk, notes, (note) => family.sounders(body, note).length);
	/** What was heard of a step: undefined where nothing was, else what is wrong with it. */
	const told = (step: FinalStep): { readonly words: string } | undefined => {
		if ('note' in step) {
			const unison = unisons.find(({ note }) => note === step.note);
			return unison && { words: unison.apart > unison.limit ? `${unison.apart.toFixed(1)} cents apart` : '' };
		}
		const found = heardAs(heard, step);
		if (!found) return undefined;
		const planned = beatOf(plan.targetOf(step.lower)!.string, plan.targetOf(step.upper)!.string, step.kind).rate;
		return {
			words: standsOut(found.rate, found.error, planned)
				? `${Math.abs(found.rate).toFixed(1)} a second, the plan asks for ${Math.abs(planned).toFixed(1)}`
				: ''
		};
	};
	const judged = steps.map((step) => ({ step, told: told(step) }));
	return {
		all: steps.length,
		heard: judged.filter((each) => each.told).length,
		due: judged.find((each) => !each.told && !passed.has(stepName(each.step)))?.step,
		out: judged.flatMap(({ step, told }) =>
			told?.words ? [{ step, words: told.words, note: 'note' in step ? step.note : step.lower }] : []
		)
	};
}
