import {
	COUNTING,
	HOLDING,
	hz,
	PAIR_DRILL,
	SETTING_APART,
	STILLNESS,
	USUAL_HAND,
	type IntervalKind,
	type SetTrial
} from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { HeardCounting } from './heardCounting.svelte';
import { HeardHolding, type HoldingBegun } from './heardHolding.svelte';
import { HeardOctave } from './heardOctave.svelte';
import { HeardSitting, type HeardDrill } from './heardSitting.svelte';
import type { HeardStrike } from './heardStrings.svelte';

let told: { trials: readonly SetTrial[]; isOver: boolean }[];
let due: number[];
let clock: number;
const onanswered = (trials: readonly SetTrial[], isOver: boolean) => void told.push({ trials, isOver });
const begin = (drill: HeardDrill) => {
	const of = { stillness: STILLNESS, apart: SETTING_APART, pair: PAIR_DRILL }[drill];
	const ground = { drill, register: of.registers[0], hand: USUAL_HAND, seed: 2, onanswered };
	return new HeardSitting({ ...ground, ondue: (note) => void due.push(note), now: () => clock });
};
const strike = (of: Partial<HeardStrike>): HeardStrike => ({
	...{ note: 60, apart: undefined, off: 0, error: 0.05, level: -20, partials: [] },
	...of
});
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
		sitting.heard(strike({ note: note + 1, apart: 0.1, off: 0 }));
		expect([sitting.strikes, sitting.notice]).toEqual([0, 'That was B♭3; A3 is due.']);
		for (const apart of [4.2, 1.5, undefined]) sitting.heard(strike({ note, apart, off: 1 }));
		sitting.stand();
		expect([sitting.notice?.startsWith('That strike did not tell'), told]).toEqual([true, []]);
		sitting.heard(strike({ note, apart: 0.3, off: 1 }));
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
		sitting.heard(strike({ note, apart: 1.1 * asked, off: 0 }));
		sitting.stand();
		expect(sitting.told).toMatchObject({ asked, set: 1.1 * asked });
	});

	it('go through the pair method: cleaned and measured, moved, matched, and measured again', () => {
		const sitting = begin('pair');
		const { note } = sitting;
		sitting.heard(strike({ note, apart: 0.1, off: -3 }));
		sitting.stand();
		expect(sitting.pair).toMatchObject({ phase: 'move', by: 3, tries: 0 });
		expect(sitting.par).toBeGreaterThanOrEqual(1);
		sitting.heard(strike({ note, apart: 2.4, off: -1.8 }));
		sitting.stand();
		expect(sitting.pair.phase).toBe('match');
		sitting.heard(strike({ note, apart: 0.1, off: -0.7 }));
		sitting.stand();
		expect(sitting.pair).toMatchObject({ phase: 'move', tries: 1 });
		sitting.heard(strike({ note, apart: 0.8, off: -0.3 }));
		sitting.stand();
		sitting.heard(strike({ note, apart: 0.1, off: 0.1 }));
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

describe('strings that are to hold', () => {
	let kept: HoldingBegun;
	const begun = (from: HoldingBegun = { left: [], trials: [] }) =>
		new HeardHolding({
			...{
				register: HOLDING.registers[0],
				begun: from,
				onanswered: (trials: readonly SetTrial[]) => onanswered(trials, true),
				now: () => 1000 * clock
			},
			...{ onkept: (now: HoldingBegun) => void (kept = now), ondue: (note: number) => void due.push(note) }
		});
	/** Three firm blows, each of which leaves it a little lower. */
	const blows = (sitting: HeardHolding, off: number) => {
		for (const above of [0.2, 0.1, 0]) sitting.heard(strike({ note: sitting.note, off: off + above }));
	};

	it('are left after three firm blows, and read again ten minutes later, over a page that was closed', () => {
		const sitting = begun();
		sitting.stand();
		expect(sitting.notice).toBe('Strike it first.');
		sitting.heard(strike({ note: 61 }));
		expect(sitting.notice).toBe('That was C♯4; C4 is due.');
		sitting.heard(strike({ off: 3, level: -30 }));
		blows(sitting, 1);
		// The soft one does not count; the sense of the last turn was said of this string alone.
		expect(sitting.blows).toBe(3);
		sitting.last = -1;
		clock += 30;
		sitting.stand();
		expect(sitting.left).toEqual([{ note: 60, from: 3, off: 1, at: 1000 * clock, seconds: 30, tries: 4, last: -1 }]);
		expect([sitting.note, sitting.last]).toEqual([61, undefined]);
		while (!sitting.isLater) {
			blows(sitting, 0);
			sitting.stand();
		}
		const again = begun(JSON.parse(JSON.stringify(kept)) as HoldingBegun);
		expect([again.isLater, again.note, due.at(-1)]).toEqual([true, 60, 60]);
		clock += 60;
		again.heard(strike({ note: 60, off: 1 }));
		expect(again.notice).toBe('C4 has not stood for ten minutes yet.');
		expect(again.wait(1000 * clock)).toBe(540_000);
		// A clock that was set back makes nobody wait longer.
		expect(again.wait(0)).toBe(600_000);
		clock += 541;
		blows(again, 0.3);
		again.heard(strike({ note: 60, off: 0.3, error: 0.4 }));
		again.stand();
		expect(again.notice).toMatch(/^That strike could not be read finely enough/);
		again.heard(strike({ note: 60, off: 0.3 }));
		again.stand();
		expect(again.trials[0]).toMatchObject({ note: 60, from: 3, asked: 0, tries: 4, seconds: 30, last: -1 });
		expect(again.trials[0].set).toBeCloseTo(-0.7, 12);
		while (!again.isOver) {
			blows(again, 0.1);
			again.stand();
		}
		expect(told).toHaveLength(1);
		expect(told[0].trials).toHaveLength(10);
		expect(told[0].trials.slice(1).every(({ set }) => Math.abs(set - 0.1) < 1e-9)).toBe(true);
	});

	it('that were read before the sitting is ended are kept', () => {
		const sitting = begun();
		while (!sitting.isLater) {
			blows(sitting, 0);
			sitting.stand();
		}
		clock += 601;
		blows(sitting, 0);
		sitting.stand();
		expect(told).toEqual([]);
		sitting.end();
		expect(told.map(({ trials }) => trials.length)).toEqual([1]);
	});
});

describe('pairs against the octave below', () => {
	const begun = () =>
		new HeardOctave({
			...{ register: PAIR_DRILL.registers[2], onanswered, now: () => clock },
			ondue: (note) => void due.push(note)
		});
	/** A note whose partial has that frequency, read to so many hertz. */
	const sounds = (note: number, partial: number, frequency: number, error = 0.01) =>
		strike({ note, partials: [{ partial, frequency: hz(frequency), error, level: -30, decay: 2 }] });

	it('are measured from the partials that meet, before and when the learner says that they are pure', () => {
		const sitting = begun();
		expect([sitting.note, sitting.below, sitting.test, due]).toEqual([65, 53, 49, [53]]);
		sitting.stand();
		expect(sitting.notice).toBe('Strike F3 by itself, and let it ring.');
		sitting.heard(sounds(65, 2, 700));
		expect(sitting.notice).toBe('That was F4; F3 is due.');
		sitting.heard(sounds(53, 4, 700));
		sitting.heard(sounds(65, 2, 700 * 2 ** (4 / 1200)));
		expect([sitting.phase, sitting.due, sitting.told]).toEqual(['work', undefined, undefined]);
		// What is struck while one works is not measured.
		for (const off of [3, 2, 1]) sitting.heard(sounds(65, 2, 700 * 2 ** (off / 1200)));
		clock += 90;
		sitting.stand();
		expect(sitting.due).toBe(53);
		sitting.heard(sounds(53, 4, 700));
		// A partial that errs by half a hertz says nothing of half a cent; one that is not there neither.
		sitting.heard(sounds(65, 2, 700, 0.5));
		expect([sitting.notice?.startsWith('Where their partials meet'), sitting.due]).toEqual([true, 53]);
		sitting.heard(sounds(53, 4, 700.1));
		sitting.heard(sounds(65, 2, 700.1 * 2 ** (0.3 / 1200)));
		const [trial] = told[0].trials as [SetTrial];
		expect(trial).toMatchObject({ asked: 0, tries: 3, seconds: 90, note: 65 });
		expect([trial.from, trial.set].map((figure) => figure.toFixed(6))).toEqual(['4.000000', '0.300000']);
		expect([sitting.note, sitting.due]).toEqual([67, 55]);
	});
});
