import { TEMPERAMENTS } from '@fendrel/core';
import { v4 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { StoredTemperament } from '$lib/tuning/storedTemperament';
import { ensembleSchema, type EnsembleMember } from './ensemble';
import { agreementWords, clashWords, joiningWords } from './ensembleWords';
import { meetingsOf, membersOf, worstOf } from './meeting';

const stored = TEMPERAMENTS.map((each): StoredTemperament => ({
	...each,
	slug: each.id,
	own: false,
	version: 0,
	id: uuid()
}));
const member = (name: string, slug: string, more: Partial<EnsembleMember> = {}): EnsembleMember => ({
	...{ id: uuid(), name, instrumentId: null, temperamentId: stored.find((each) => each.slug === slug)!.id, root: 0 },
	...{ a4: 415, moves: 'everything', lowest: 36, highest: 84, ...more }
});

describe('what an ensemble can agree on', () => {
	it('is said in a sentence, with what it costs each', () => {
		const members = [member('the harpsichord', 'vallotti', { moves: 'nothing', root: 7 }), member('the viol', 'equal')];
		const known = membersOf(members, stored);
		const [best] = meetingsOf(known, stored);
		expect(agreementWords(best, members)).toBe('All can meet in Vallotti on G at A4 = 415.0 Hz.');
		expect(joiningWords(best.joining[0])).toBe('stays as it is');
		expect(joiningWords(best.joining[1])).toMatch(/^moves \d\.\d cents on the average, most on /);
		const { unisons, others } = worstOf(known);
		expect(clashWords(unisons[0], members)).toMatch(
			/of the harpsichord with .* of the viol: \d+\.\d cents apart, \d+\.\d beats a second$/
		);
		expect(Math.abs(others[0].off)).toBeGreaterThan(10);
	});

	it('is the pair that cannot be brought together, where two cannot move', () => {
		const members = [
			member('the organ', 'meantone-quarter', { moves: 'nothing' }),
			member('the piano', 'equal', { moves: 'nothing' })
		];
		const [best] = meetingsOf(membersOf(members, stored), stored);
		expect(agreementWords(best, members)).toMatch(/the organ and the piano stay 20\.5 cents apart on E♭\.$/);
		expect(agreementWords(meetingsOf(membersOf(members.slice(0, 1), stored), stored)[0], members.slice(0, 1))).toMatch(
			/^Alone nobody has to agree/
		);
	});
});

it('an ensemble is refused where it makes no sense', () => {
	const fine = { name: 'Consort', members: [member('One', 'equal')], version: 0 };
	expect(ensembleSchema.safeParse(fine).success).toBe(true);
	for (const wrong of [
		{ ...fine, name: ' ' },
		{ ...fine, members: [] },
		{ ...fine, members: [member('One', 'equal', { a4: 500 })] },
		{ ...fine, members: [member('One', 'equal', { root: 12 })] },
		{ ...fine, members: Array.from({ length: 13 }, () => member('One', 'equal')) }
	])
		expect(ensembleSchema.safeParse(wrong).success).toBe(false);
});
