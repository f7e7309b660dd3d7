import { noteName } from '@fendrel/core';
import { median } from 'd3-array';
import { counted, fixed, flatOrSharp, inHz, listed, signed } from '$lib/ui/format';
import { offsetWords } from '../fretPlan';
import type { GuitarVisit } from '../guitarVisit.svelte';
import { luthierLines, roughest } from './guitarWords';
import { brokenLine } from '../frets/brokenString';

/** What a visit to strings over fixed frets has come to, line by line. */
export function guitarAccount(visit: GuitarVisit): readonly (readonly [term: string, text: string])[] {
	const { body, strings, used, offsets, summary, measured, now } = visit;
	const found = strings.flatMap(({ group }) => summary.notes.get(group)?.found ?? []);
	const set = strings.filter(({ isSet }) => isSet);
	const worst = now && roughest(visit.pricesOf(now));
	const luthier = luthierLines(body, measured);
	return [
		['strings', `${listed(body.strings.map(({ note }) => noteName(note)))}, ${body.stuff}`],
		['pitch', `A4 = ${inHz(visit.visit.a4)} Hz`],
		['plan', offsetWords(offsets)],
		['offsets', listed(body.strings.map(({ note }, i) => `${noteName(note)} ${signed(used[i])}`))],
		...brokenLine(visit),
		['found', found.length ? `about ${flatOrSharp(median(found)!)}` : 'not read'],
		['set', set.length ? counted(set.length, 'string') : 'nothing'],
		[
			'proved',
			worst ? `roughest chord ${worst.name}, ${fixed(worst.beats, 1)} beats a second` : 'not every string read'
		],
		...(luthier.length ? [['for a luthier', luthier.join(' ')] as const] : [])
	];
}
