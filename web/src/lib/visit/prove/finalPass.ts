import {
	beatOf,
	finalWalk,
	noteClassName,
	noteName,
	outOfChord,
	standsOut,
	type ChordKind,
	type FinalStep,
	type FinalWalk,
	type HeardChord,
	type KeyChord
} from '@fendrel/core';
import { pairName } from '$lib/ui/beats';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { heardAs, type Proved } from './proved';
import { fixed } from '$lib/ui/format';

const CHORD_NAMES: Record<ChordKind, string> = { major: 'major', dominantSeventh: 'dominant seventh' };
/** "E♭ dominant seventh". */
export const chordName = ({ root, kind }: Pick<KeyChord, 'root' | 'kind'>) =>
	`${noteClassName(root)} ${CHORD_NAMES[kind]}`;

/** "C3", "C3-C4", "C major". */
export const stepName = (step: FinalStep): string =>
	'chord' in step ? chordName(step.chord) : 'note' in step ? noteName(step.note) : pairName(step);

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
	{ plan, family, body, summary }: Pick<KeyboardVisit, 'plan' | 'family' | 'body' | 'summary'>,
	{ heard, unisons, chords, unisonLimit }: Pick<Proved, 'heard' | 'unisons' | 'chords' | 'unisonLimit'>,
	walk: FinalWalk,
	passed: ReadonlySet<string>
): WalkState {
	// A unison that nobody set is not proved: it is on record as it stands.
	const notes = walk === 'unisons' || walk === 'chords' ? summary.set : family.groups(body);
	const steps = finalWalk(walk, notes, (note) => family.sounders(body, note).length);
	/** What was heard of a step: undefined where nothing was, else what is wrong with it. */
	const told = (step: FinalStep): { readonly words: string; readonly note?: number } | undefined => {
		if ('chord' in step) {
			const played = chords.find(({ root, kind }) => root === step.chord.root && kind === step.chord.kind);
			return played && outOf(played, unisonLimit);
		}
		if ('note' in step) {
			const unison = unisons.find(({ note }) => note === step.note);
			return unison && { words: unison.apart > unison.limit ? `${fixed(unison.apart, 1)} cents apart` : '' };
		}
		const found = heardAs(heard, step);
		if (!found) return undefined;
		const planned = beatOf(plan.targetOf(step.lower)!.string, plan.targetOf(step.upper)!.string, step.kind).rate;
		return {
			words: standsOut(found.rate, found.error, planned)
				? `${fixed(Math.abs(found.rate), 1)} a second, the plan asks for ${fixed(Math.abs(planned), 1)}`
				: ''
		};
	};
	const judged = steps.map((step) => ({ step, told: told(step) }));
	return {
		all: steps.length,
		heard: judged.filter((each) => each.told).length,
		due: judged.find((each) => !each.told && !passed.has(stepName(each.step)))?.step,
		out: judged.flatMap(({ step, told }) => {
			if (!told?.words) return [];
			const note = told.note ?? ('note' in step ? step.note : 'lower' in step ? step.lower : step.chord.notes[0]);
			return [{ step, words: told.words, note }];
		})
	};
}

/** What stood out of a chord that was played. */
function outOf({ notes }: HeardChord, unisonLimit: (note: number) => number): { words: string; note?: number } {
	const heard = notes.map(({ note, cents, error, apart }) => ({
		...{ note, apart },
		off: cents === null || error === null ? undefined : { cents, error }
	}));
	const out = outOfChord(heard, unisonLimit);
	const words = out.map(({ note, cents, isUnison }) =>
		isUnison
			? `${noteName(note)} moves: its strings lie ${fixed(cents, 1)} cents apart, or one beats by itself`
			: `${noteName(note)} is ${fixed(Math.abs(cents), 1)} cents ${cents < 0 ? 'flat' : 'sharp'} of the others`
	);
	return { words: words.join('; '), note: out[0]?.note };
}
