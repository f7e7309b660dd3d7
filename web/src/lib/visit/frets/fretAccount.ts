import { noteName } from '@fendrel/core';
import { median } from 'd3-array';
import { counted, flatOrSharp, inHz, listed } from '$lib/ui/format';
import { fretPlanWords } from '../fretPlan';
import { FRET_TOLERANCE, type FretVisit } from '../fretVisit.svelte';
import { outsideWords } from '../outsideWords';
import { agreedNotes } from './agreement';
import { moveWords } from './fretWords';
import { brokenLine } from './brokenString';

/** A line of the record: what it is about, and what is said of it. */
type Line = readonly [term: string, text: string];

/** What a visit to strings over frets has come to, line by line. */
export function fretAccount(visit: FretVisit): readonly Line[] {
	const { body, open, strings, frets, tunedTo, record, summary } = visit;
	const { fretMoved, wolves } = record.report;
	const found = open.flatMap(({ group }) => summary.notes.get(group)?.found ?? []);
	const set = open.filter(({ isSet }) => isSet);
	const sums = new Map<number, { low: number; high: number }>();
	for (const { fret, low, high } of fretMoved) {
		const before = sums.get(fret) ?? { low: 0, high: 0 };
		sums.set(fret, { low: before.low + low, high: before.high + high });
	}
	const outside = strings.filter(({ fret, isRead, off }) => fret > 0 && isRead && Math.abs(off!) > FRET_TOLERANCE);
	const known = agreedNotes(visit).filter(({ apart }) => apart !== undefined);
	const apart = known.filter((each) => Math.abs(each.apart!) > FRET_TOLERANCE);
	return [
		['strings', `${listed(body.strings.map(({ note }) => noteName(note)))}, ${body.stuff}`],
		['pitch', `A4 = ${inHz(visit.visit.a4)} Hz, ${tunedTo}`],
		['plan', fretPlanWords(frets)],
		...brokenLine(visit),
		['found', found.length ? `open strings about ${flatOrSharp(median(found)!)}` : 'not read'],
		['set', set.length ? counted(set.length, 'string') : 'nothing'],
		[
			'frets',
			sums.size
				? [...sums]
						.sort(([a], [b]) => a - b)
						.map(([fret, ends]) => `${fret}: ${moveWords(ends)}`)
						.join(' ')
				: 'none moved'
		],
		[
			'outside',
			outside.length ? outsideWords(outside.map(({ gives, off }) => ({ name: gives, off }))) : 'none of those read'
		],
		[
			'proved',
			known.length
				? `${counted(known.length, 'note')} on two strings${apart.length ? `, ${apart.length} not agreed` : ', all agree'}`
				: 'nothing'
		],
		...wolves.map(({ note, tried, did }): Line => ['wolf', [noteName(note), tried, did].filter(Boolean).join('; ')])
	];
}
