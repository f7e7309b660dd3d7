import {
	beatOf,
	cents,
	hzAbove,
	noteClass,
	offsetsFromEqual,
	pythagorean,
	syntonic,
	temperamentById,
	TEMPERAMENTS
} from '@fendrel/core';
import { subDays } from 'date-fns';
import { Board } from '$lib/counts/board.svelte';
import { EARS } from '$lib/tuning/ears';
import { verdictOf } from '$lib/counts/countWords';
import type { Draft } from '$lib/temperaments/temperamentDraft';
import { planFor } from '$lib/tuning/plan';
import { NO_STRETCH } from '$lib/tuning/stretch';
import { fromCounts } from '$lib/workers/proving.jobs';
import { isStrung, type Instrument } from '../db/stores/instruments';
import { saveCountedOctave } from '../db/stores/countedOctaves';
import { inTransaction } from '../db/transaction';
import { createTemperaments, temperamentBySlug } from '../db/stores/temperaments';
import { COUNTED } from './scenario';

/** What the viols and the harpsichord agreed on in the tide mill. */
const AGREED: Draft = {
	name: 'Tide mill, agreed',
	family: 'well',
	uses: ['viols and lutes', 'harpsichord'],
	period: 'this summer',
	character:
		'C-G-D-A-E a fifth of a comma narrow, F-C a little more, the others pure: what the viols and the harpsichord could both bear.',
	goodFor: 'The consort evenings; frets and keys agree on C, G, D and A.',
	source: 'Settled between the players at the second rehearsal.',
	tuning: {
		by: 'fifths',
		fifths: [
			...Array.from({ length: 4 }, () => syntonic(1, 5)),
			...Array.from({ length: 7 }, () => pythagorean(0, 1)),
			'wolf'
		]
	}
};

/**
 * A temperament of the workshop's own, and an octave counted on a piano that somebody tuned by the book:
 * an attempt at equal whose home keys came out the harshest.
 */
export async function loadTempering(
	workshopId: string,
	today: Date,
	instruments: readonly Instrument[]
): Promise<void> {
	const { name, tuning, ...about } = AGREED;
	await inTransaction((transaction) => createTemperaments(workshopId, [{ name, tuning, about }], transaction));
	const instrument = instruments.filter(isStrung).find((each) => each.name === COUNTED.instrument)!;
	const equal = (await temperamentBySlug(workshopId, 'equal'))!;
	const basis = { ...instrument, a4: COUNTED.a4, temperament: equal, measured: [] };
	const plan = planFor(basis);
	const strings = (note: number) => plan.targetOf(note)!.string;
	const pattern = offsetsFromEqual(temperamentById(COUNTED.reversed));
	const found = (note: number) => ({
		...strings(note),
		flexiblePitch: hzAbove(strings(note).flexiblePitch, cents(-COUNTED.share * pattern[noteClass(note)]))
	});
	const board = new Board(COUNTED.low, strings);
	for (const { semitones, kind } of board.kinds)
		for (const cell of board.group(semitones)) {
			const { rate } = beatOf(found(cell.lower), found(cell.upper), kind);
			cell.text = Math.abs(rate).toFixed(1);
			cell.sense = rate < 0 ? 'narrow' : 'wide';
		}
	const answer = fromCounts({
		basis,
		counts: board.counts(COUNTED.ear),
		reference: COUNTED.reference,
		bias: EARS[COUNTED.ear].bias,
		tolerance: 1.5,
		library: TEMPERAMENTS
	});
	await saveCountedOctave(
		workshopId,
		{
			...{ instrumentId: instrument.id, kind: instrument.kind, temperamentId: equal.id, a4: COUNTED.a4 },
			...{ stretch: NO_STRETCH, low: COUNTED.low, reference: COUNTED.reference, ear: COUNTED.ear },
			counts: [...board.entered],
			verdict: answer.kind === 'found' ? verdictOf(answer.findings[0], 'equal', 1.5) : ''
		},
		subDays(today, 9)
	);
}
