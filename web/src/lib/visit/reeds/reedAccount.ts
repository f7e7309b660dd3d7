import { noteName } from '@fendrel/core';
import { median } from 'd3-array';
import { counted, flatOrSharp, inHz, listed } from '$lib/ui/format';
import { intonationWords } from '../intonationWords';
import { outsideWords } from '../outsideWords';
import type { ReedVisit } from '../reedVisit.svelte';
import { bendsNow } from './bendsNow';
import { provedReeds } from './proofs';
import { strokesWords } from './reedWords';

/** A line of the record: what it is about, and what is said of it. */
type Line = readonly [term: string, text: string];

/** What a visit to a set of reeds has come to, line by line. */
export function reedAccount(open: ReedVisit): readonly Line[] {
	const { visit, reeds, body, intonation, summary } = open;
	const filed = reeds.filter(({ tip, root }) => tip + root > 0);
	const sum = (end: 'tip' | 'root') => reeds.reduce((all, reed) => all + reed[end], 0);
	const found = [...summary.notes.values()].flatMap(({ found }) => found ?? []);
	const outside = reeds.filter(
		({ off, role }) => role !== 'auxiliary' && off !== undefined && Math.abs(off) > visit.tolerance
	);
	const proved = provedReeds(open).filter(({ heard }) => heard[1]);
	const bends = bendsNow(open).flatMap(({ name, ends, isRead }) => (isRead ? [`${name} to ${ends}`] : []));
	const rough = proved.filter(({ isStill }) => !isStill).map(({ name }) => name);
	return [
		['set', `${body.layout.name} on ${noteName(body.tonic)}`],
		['pitch', `A4 = ${inHz(visit.a4)} Hz at playing breath`],
		['intonation', intonationWords(intonation)],
		['found', found.length ? `about ${flatOrSharp(median(found)!)}` : 'not read'],
		[
			'filed',
			filed.length
				? `${counted(filed.length, 'reed')}: ${strokesWords(sum('tip'))} at tips, ${strokesWords(sum('root'))} at roots`
				: 'nothing'
		],
		['outside', outside.length ? outsideWords(outside) : 'none of those read'],
		[
			'proved',
			proved.length
				? `${counted(proved.length, 'octave or chord', 'octaves and chords')}${rough.length ? `; not still: ${listed(rough)}` : ', all still'}`
				: 'nothing'
		],
		...(bends.length ? [['bends', bends.join(', ')] as const] : []),
		['read with', open.setUp === 'block' ? 'covers off, sealed block' : 'covers on']
	];
}
