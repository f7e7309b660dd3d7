import {
	COUNTING,
	PAIR_DRILL,
	SETTING_APART,
	STILLNESS,
	USUAL_HAND,
	type IntervalKind,
	type SetTrial
} from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { HeardCounting } from './heardCounting.svelte';
import { HeardSitting, type HeardDrill } from './heardSitting.svelte';

let told: { trials: readonly SetTrial[]; isOver: boolean }[];
let due: number[];
let clock: number;
const onanswered = (trials: readonly SetTrial[], isOver: boolean) => void told.push({ trials, isOver });
const begin = (drill: HeardDrill) => {
	const of = { stillness: STILLNESS, apart: SETTING_APART, pair: PAIR_DRILL }[drill];
	const ground = { drill, register: of.registers[0], hand: USUAL_HAND, seed: 2, onanswered };
	return new HeardSitting({ ...ground, ondue: (note) => void due.push(note), now: () => clock });
};
beforeEach(() => {
	told = [];
	due = [];
	clock = 50;
});

describe('strings of a real piano', () => {
	it('are judged by the last strike when the learner says so, and not before one was heard', () => {
		const sitting = begin('stillness');
		sitting.stand();
		expect([sitting.notice, told]).toEqual(['Strike both strings, and let them ring.', []]);
		const { note } = sitting;
		// Another key says nothing of this one.
		sitting.heard({ note: note + 1, apart: 0.1, off: 0 });
		expect([sitting.strikes, sitting.notice]).toEqual([0, 'That was B♭3; A3 is due.']);
		for (const apart of [4.2, 1.5, undefined]) sitting.heard({ note, apart, off: 1 });
		sitting.stand();
		expect([sitting.notice?.startsWith('That strike did not tell'), told]).toEqual([true, []]);
		sitting.heard({ note, apart: 0.3, off: 1 });
		clock += 40;
		sitting.stand();
		expect(told[0].trials).toEqual([{ from: 4.2, asked: 0, set: 0.3, tries: 4, seconds: 40, note }]);
		expect(due).toEqual([note, sitting.note]);
		expect(sitting.note).not.toBe(note);
	});

	it('are set apart by what is asked', () => {
		const sitting = begin('apart');
		const { note, asked } = sitting;
		expect(asked).toBeGreaterThan(0);
		sitting.heard({ note, apart: 1.1 * asked, off: 0 });
		sitting.stand();
		expect(sitting.told).toMatchObject({ asked, set: 1.1 * asked });
	});

	it('go through the pair method: cleaned and measured, moved, matched, and measured again', () => {
		const sitting = begin('pair');
		const { note } = sitting;
		sitting.heard({ note, apart: 0.1, off: -3 });
		sitting.stand();
		expect(sitting.pair).toMatchObject({ phase: 'move', by: 3, tries: 0 });
		expect(sitting.par).toBeGreaterThanOrEqual(1);
		sitting.heard({ note, apart: 2.4, off: -1.8 });
		sitting.stand();
		expect(sitting.pair.phase).toBe('match');
		sitting.heard({ note, apart: 0.1, off: -0.7 });
		sitting.stand();
		expect(sitting.pair).toMatchObject({ phase: 'move', tries: 1 });
		sitting.heard({ note, apart: 0.8, off: -0.3 });
		sitting.stand();
		sitting.heard({ note, apart: 0.1, off: 0.1 });
		sitting.stand();
		expect(sitting.told).toMatchObject({ from: -3, asked: 0, set: 0.1, tries: 2 });
		expect(sitting.told!.moves).toHaveLength(2);
		expect(sitting.told!.moves![0]).toEqual({ asked: 3, set: 2.4 });
	});
});

describe('beats of a real piano', () => {
	it('are counted beside what was heard of them', () => {
		const said: { beat?: number } = {};
		const heard = (lower: number, upper: number, kind: IntervalKind) =>
			upper - lower === kind.semitones ? said.beat : undefined;
		const sitting = new HeardCounting({
			register: COUNTING.registers[1],
			seed: 3,
			onanswered,
			heard,
			ondue: (note) => void due.push(note),
			now: () => clock
		});
		sitting.count();
		expect(sitting.notice).toBe('Three taps at least make a count.');
		for (let i = 0; i < 6; i++) {
			sitting.tap();
			clock += 1 / 6;
		}
		sitting.count();
		expect(sitting.notice).toMatch(/has not been heard yet/);
		said.beat = -5.5;
		sitting.count();
		expect(sitting.told!.asked).toBe(5.5);
		expect(sitting.told!.set).toBeCloseTo(6, 9);
		expect([sitting.taps, told.length]).toEqual([[], 1]);
		// What was heard before an interval is asked for is forgotten.
		expect(due).toHaveLength(2);
	});
});
