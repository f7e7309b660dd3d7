import {
	beatOf,
	cents,
	countedKind,
	createRandom,
	hzAbove,
	offsetsFromEqual,
	temperamentById,
	TEMPERAMENTS,
	transposed
} from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { planFor, type PlanBasis } from '$lib/tuning/plan';
import { fromCounts } from '$lib/workers/proving.jobs';
import type { Finding } from '$lib/workers/proving';
import { Board, OFFERED, usualReference } from './board.svelte';
import { EARS } from '$lib/tuning/ears';
import { countedOctaveSchema, enteredCountSchema, parseRate } from './countedOctave';
import { inversionWords } from '$lib/pairs/inversionWords';
import { keyOrderWords, nearestWords, refusalWords, verdictOf } from './countWords';

const basisOf = (id: string): PlanBasis => ({
	kind: 'upright',
	lowest: 21,
	highest: 108,
	a4: 440,
	temperament: temperamentById(id),
	measured: []
});
const equal = basisOf('equal');
const strings = (note: number) => planFor(equal).targetOf(note)!.string;

/** Counts every offered interval of an octave whose notes stand so many cents off equal. */
function countAll(off: (note: number) => number, semitones: readonly number[] = OFFERED): Board {
	const board = new Board(53, strings);
	for (const cell of board.cells) {
		if (!semitones.includes(cell.upper - cell.lower)) continue;
		const found = (note: number) => ({
			...strings(note),
			flexiblePitch: hzAbove(strings(note).flexiblePitch, cents(off(note)))
		});
		const { rate } = beatOf(found(cell.lower), found(cell.upper), countedKind(cell.upper - cell.lower)!);
		cell.text = Math.abs(rate).toFixed(1);
		cell.sense = rate < 0 ? 'narrow' : 'wide';
	}
	return board;
}
const solve = (board: Board, basis = equal, ear: keyof typeof EARS = 'careful') =>
	fromCounts({
		basis,
		counts: board.counts(ear),
		reference: 57,
		bias: EARS[ear].bias,
		tolerance: 1.5,
		library: TEMPERAMENTS
	});
function found(board: Board, basis = equal): Finding {
	const answer = solve(board, basis, 'measured');
	if (answer.kind !== 'found') throw new Error(answer.why.reason);
	return answer.findings[0];
}

describe('the board', () => {
	it('offers every interval of the octave with the rate it should have, and reads what is typed', () => {
		const board = new Board(53, strings);
		expect(board.cells).toHaveLength(9 + 10 + 6 + 8 + 4 + 5 + 1);
		expect(board.group(4)[0].predicted).toBeCloseTo(6.59, 1);
		expect(board.entered).toEqual([]);
		board.group(4)[0].text = '6,9';
		board.group(4)[1].text = 'fast';
		board.group(4)[2].text = '99';
		expect(board.entered).toEqual([{ lower: 53, upper: 57, rate: 6.9, sense: 'wide', by: 'ear' }]);
		expect(board.problems).toHaveLength(2);
		// What was typed goes along to another temperament's board.
		expect(new Board(53, strings, board.entered).entered).toEqual(board.entered);
	});

	it('keeps what the app heard beside what an ear counted, each with its own error', () => {
		const board = new Board(53, strings);
		const beat = (rate: number, more = {}) => ({
			...{ lowerPartial: 5, upperPartial: 4, heardAt: 880, rate, error: 0.03, wide: 1, isResolved: true },
			...{
				expected: rate,
				expectedError: 0.1,
				unisonRate: 0,
				certainty: 'clear' as const,
				sense: 'wide' as const,
				...more
			}
		});
		const note = (inharmonicity: number, misfit: number) => ({
			string: { ...strings(53), inharmonicity },
			misfit
		});
		const hear = (heard: ReturnType<typeof beat>, keys = { lower: 53, upper: 57 }) =>
			board.hear({ keys, beats: [heard], lower: note(3e-4, 0.2), upper: note(4e-4, 0.1) });
		hear(beat(9, { certainty: 'not to be said' }));
		hear(beat(9), { lower: 53, upper: 70 });
		expect(board.entered).toEqual([]);
		hear(beat(7.2));
		board.group(4)[0].text = '7';
		expect(board.counters).toEqual({ ear: 1, app: 1 });
		const [byEar, byApp] = board.counts('careful');
		expect(byEar).toMatchObject({ rate: 7, isMeasured: false });
		expect(byApp).toMatchObject({ rate: 7.2, sense: 'wide', isMeasured: true });
		// 0.22 cents at 880 Hz are 0.11 per second; an ear with a watch errs by 6 %.
		expect(byApp.error).toBeCloseTo(0.12, 2);
		expect(byEar.error).toBeGreaterThan(0.3);
		expect(board.heardB).toEqual([
			[53, 3e-4],
			[57, 4e-4]
		]);
		for (const count of board.entered) expect(enteredCountSchema.safeParse(count).success).toBe(true);
		expect(new Board(53, strings, board.entered).entered).toEqual(board.entered);
		// A count by the app without its error is none, nor one by an ear with it.
		const [ear, app] = board.entered;
		expect(enteredCountSchema.safeParse({ ...app, error: undefined }).success).toBe(false);
		expect(enteredCountSchema.safeParse({ ...ear, error: 0.1 }).success).toBe(false);
	});

	it('takes the A of the octave for the fork', () => {
		expect([53, 57, 60].map(usualReference)).toEqual([57, 57, 69]);
	});

	it('lets nothing through that is no count', () => {
		expect(parseRate('')).toEqual({});
		expect(parseRate(' .5 ')).toEqual({ rate: 0.5 });
		for (const text of ['-1', '1e3', 'NaN', 'six', '41']) expect(parseRate(text)).toHaveProperty('problem');
		const count = { lower: 53, upper: 57, rate: 7, sense: 'wide' };
		expect(enteredCountSchema.safeParse(count).success).toBe(true);
		for (const bad of [{ rate: Number.NaN }, { rate: -1 }, { upper: 53 }, { lower: 200 }, { sense: 'both' }])
			expect(enteredCountSchema.safeParse({ ...count, ...bad }).success).toBe(false);
		const octave = {
			instrumentId: null,
			kind: 'upright',
			temperamentId: '01a20724-b3f2-7056-bbd9-dd8fdf185feb',
			a4: 440,
			low: 53,
			reference: 57,
			ear: 'repeated',
			counts: [count],
			verdict: ''
		};
		expect(countedOctaveSchema.safeParse(octave).success).toBe(true);
		for (const bad of [
			{ counts: [] },
			{ low: 108 },
			{ low: 54 },
			{ reference: 20 },
			{ counts: [{ ...count, upper: 90 }] }
		])
			expect(countedOctaveSchema.safeParse({ ...octave, ...bad }).success, JSON.stringify(bad)).toBe(false);
	});
});

describe('what the counts say', () => {
	it('names the one note that is out, and what to do with it', () => {
		for (const [note, off, words] of [
			[61, -4, /^C♯4 is 4\.\d cents flat: raise it\. The rest may stay\.$|^C♯4 is 3\.9 cents flat/],
			[56, 3.5, /^G♯3 is 3\.[3-7] cents sharp: lower it/]
		] as const) {
			const finding = found(countAll((each) => (each === note ? off : 0)));
			expect(verdictOf(finding, 'equal', 1.5)).toMatch(words);
			expect(finding.inversions.map(inversionWords).join(' ')).toMatch(note === 61 ? /raise C♯4/ : /lower G♯3/);
		}
	});

	it('finds the temperament on it, at its root, and the order of its keys', () => {
		const offsets = offsetsFromEqual(temperamentById('werckmeister-3'));
		const finding = found(countAll((note) => offsets[note % 12]));
		expect(nearestWords(finding)).toContain('It agrees with Werckmeister III (');
		expect(keyOrderWords(finding)).toContain('home keys are the calmest');
		const moved = offsetsFromEqual(transposed(temperamentById('werckmeister-3'), 2));
		expect(nearestWords(found(countAll((note) => moved[note % 12])))).toContain('Werckmeister III built on D');
		const reversed = found(countAll((note) => -offsets[note % 12]));
		expect(keyOrderWords(reversed)).toContain('The order of keys is reversed');
	});

	it('says that all is well, and sets a wrong count aside by name', () => {
		expect(verdictOf(found(countAll(() => 0)), 'equal', 1.5)).toBe('Every note lies within 1.5 cents of equal.');
		const random = createRandom(3);
		const offs = Array.from({ length: 13 }, () => 0.3 * random.normal());
		const board = countAll((note) => (note === 57 ? 0 : offs[note - 53]));
		const cell = board.group(4)[4];
		cell.text = (Number(cell.text) + 2.5).toFixed(1);
		const finding = found(board);
		expect(finding.solution.contradictions).toHaveLength(1);
		expect(verdictOf(finding, 'equal', 1.5)).toMatch(/^One count is wrong, A3-C♯4\./);
	});

	it('refuses fourths and fifths alone and thirds alone, and says what to count', () => {
		const refusal = (semitones: readonly number[]) => {
			const answer = solve(countAll(() => 0, semitones));
			if (answer.kind !== 'refused') throw new Error('not refused');
			return refusalWords(answer.why);
		};
		expect(refusal([5, 7]).verdict).toMatch(/^Nothing confirms the count of /);
		expect(refusal([5, 7]).advice).toMatch(/Count .*[A-G]/);
		expect(refusal([4]).verdict).toMatch(/are not connected to anything counted/);
		expect(refusalWords({ reason: 'no counts' }).verdict).toBe('Nothing counted yet.');
		const loose = solve(countAll(() => 0, [3]));
		expect(loose.kind).toBe('refused');
	});
});
