import {
	centsBetween,
	COUNTING,
	HOLDING,
	PAIR_DRILL,
	partialHz,
	SETTING_APART,
	STILLNESS,
	USUAL_HAND
} from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeGround, turnUntil } from '$lib/tests/fakeSitting';
import { CountingSitting } from './countingSitting.svelte';
import { HoldingSitting } from './holdingSitting.svelte';
import { PairSitting } from './pairSitting.svelte';
import { SITTING } from './progress';
import type { TurnableString } from '$lib/audio/turnable.svelte';
import { SettingSitting } from './settingSitting.svelte';
import { habitWords } from './setWords';

let { sound, told, time, ground } = fakeGround();
beforeEach(() => {
	({ sound, told, time, ground } = fakeGround());
});

describe('strings that are brought together', () => {
	const begin = () => new SettingSitting({ ...ground, drill: STILLNESS, register: STILLNESS.registers[0] });
	const apart = () => centsBetween(partialHz(sound.string('still'), 1), partialHz(sound.string('turned'), 1));

	it('are measured as they stand, with strikes and time, ten to a sitting', () => {
		const sitting = begin();
		for (let i = 0; i < SITTING.setting; i++) {
			sitting.strike();
			const { from } = sitting.exercise;
			expect(apart()).toBeCloseTo(from, 9);
			turnUntil((by) => sitting.turn(by), apart, 0.1);
			const left = apart();
			time.now += 15;
			sitting.strike();
			sitting.stand();
			const { set, ...trial } = sitting.told!;
			expect(set).toBeCloseTo(left, 9);
			expect(trial).toMatchObject({ asked: 0, from, tries: 2, seconds: 15 });
		}
		expect(sitting.isOver).toBe(true);
		expect(told.at(-1)).toMatchObject({ isOver: true, trials: { length: SITTING.setting } });
		sitting.strike();
		sitting.turn(1);
		sitting.stand();
		expect(told).toHaveLength(SITTING.setting);
	});

	it('are not judged before they were heard, and not counted where the sound was taken away', () => {
		const sitting = begin();
		sitting.stand();
		expect([sitting.notice, sitting.trials.length]).toEqual(['Strike them first.', 0]);
		const { exercise } = sitting;
		sitting.interrupt('gone');
		expect(sitting.exercise).toBe(exercise);
		sitting.strike();
		sitting.interrupt('gone');
		expect([sitting.notice, sitting.trials.length]).toEqual(['gone', 0]);
		expect(sitting.exercise).not.toBe(exercise);
		sitting.end();
		expect([sitting.isOver, told]).toEqual([true, []]);
	});

	it('are set apart by what is asked, above or below', () => {
		const sitting = new SettingSitting({ ...ground, drill: SETTING_APART, register: SETTING_APART.registers[0] });
		for (const way of [1, -1]) {
			sitting.strike();
			const { asked } = sitting.exercise;
			turnUntil(
				(by) => sitting.turn(by),
				() => apart() - way * asked,
				0.02
			);
			sitting.stand();
			expect(Math.abs(sitting.told!.set - asked)).toBeLessThan(0.03);
		}
	});
});

describe('the pair method', () => {
	const off = (id: string) => centsBetween(partialHz(pair.exercise.string, 1), partialHz(sound.string(id), 1));
	let pair: PairSitting;
	const begin = (register: string) => {
		const of = PAIR_DRILL.registers.find(({ id }) => id === register)!;
		pair = new PairSitting({ ...ground, drill: PAIR_DRILL, register: of, hand: USUAL_HAND });
	};

	it('takes one try where the move comes out as its beat asks, and is at par', () => {
		begin('middle');
		for (let i = 0; i < SITTING.pair; i++) {
			const { from, note } = pair.exercise;
			const { by } = pair.state;
			expect(by).toBeCloseTo(Math.sign(-from) * Math.min(4, Math.abs(from)), 9);
			pair.strike();
			expect(off('1')).toBeCloseTo(from, 9);
			for (let tries = 0; tries < 3 && pair.exercise.note === note && pair.exercise.from === from; tries++) {
				const wanted = off('0') + pair.state.by;
				turnUntil(
					(turn) => pair.turn(turn),
					() => off('1') - wanted,
					0.01
				);
				// What is asked is what is heard: the beat of the two where it is counted.
				const beat = Math.abs(partialHz(sound.string('1'), 2) - partialHz(sound.string('0'), 2));
				expect(beat).toBeCloseTo(pair.asked, 1);
				pair.stand();
				turnUntil(
					(turn) => pair.turn(turn),
					() => off('0') - off('1'),
					0.01
				);
				pair.stand();
			}
			expect(pair.trials).toHaveLength(i + 1);
			const { set, tries, moves, par } = pair.told!;
			expect(Math.abs(set)).toBeLessThan(0.5);
			expect(tries).toBe(Math.abs(from) > 4.4 ? 2 : 1);
			expect(tries).toBeLessThanOrEqual(par);
			expect(moves![0].set).toBeCloseTo(moves![0].asked, 1);
		}
		expect(pair.isOver).toBe(true);
	});

	it('asks for a try more, scaled by the last, where the move fell short', () => {
		begin('middle');
		pair.strike();
		const { by } = pair.state;
		// Half of it only.
		const wanted = off('0') + by / 2;
		turnUntil(
			(turn) => pair.turn(turn),
			() => off('1') - wanted,
			0.01
		);
		pair.stand();
		turnUntil(
			(turn) => pair.turn(turn),
			() => off('0') - off('1'),
			0.01
		);
		pair.stand();
		expect(pair.state).toMatchObject({ phase: 'move', tries: 1 });
		expect(pair.state.scale).toBeCloseTo(1.6, 1);
		expect(pair.trials).toEqual([]);
	});

	it('against an octave is judged by the learner, who hears it and its test', () => {
		begin('octave42');
		pair.leave();
		expect(pair.notice).toBe('Strike the octave first.');
		pair.octave();
		expect(sound.sounding.map(({ id }) => id)).toEqual(['below', '0', '1']);
		const below = () => partialHz(sound.string('below'), 4);
		expect(centsBetween(below(), partialHz(sound.string('1'), 2))).toBeCloseTo(pair.exercise.from, 6);
		pair.test('inner');
		expect(sound.sounding.map(({ id }) => id)).toEqual(['test', 'below']);
		pair.test('outer');
		expect(sound.sounding.map(({ id }) => id)).toEqual(['test', '0', '1']);
		pair.octave();
		turnUntil(
			(by) => pair.turn(by),
			() => centsBetween(below(), partialHz(sound.string('1'), 2)),
			0.05
		);
		pair.stand();
		turnUntil(
			(by) => pair.turn(by),
			() => off('0') - off('1'),
			0.05
		);
		pair.stand();
		expect([pair.trials.length, pair.isMatching]).toEqual([0, false]);
		pair.leave();
		expect(pair.told).toMatchObject({ tries: 1 });
		expect(Math.abs(pair.told!.set)).toBeLessThan(0.1);
	});
});

describe('beats that are counted', () => {
	it('are the slope of the taps, by the clock of the sound', async () => {
		const player = {
			...{ playing: undefined as string | undefined, elapsed: 0, stop: () => void (player.playing = undefined) },
			inTurn: async (name: string, sounds: readonly (readonly { voices: readonly TurnableString['voice'][] }[])[]) => {
				player.playing = name;
				const [low, high] = sounds[0][0].voices;
				rate = Math.abs(partialHz(high.string, 2) - partialHz(low.string, 3));
			}
		};
		let rate = 0;
		const sitting = new CountingSitting({ ...ground, drill: COUNTING, register: COUNTING.registers[0], player });
		sitting.tap();
		expect([sitting.notice, sitting.taps.length]).toEqual(['Play it first, and tap while it sounds.', 0]);
		await sitting.play();
		sitting.count();
		expect(sitting.notice).toBe('Three taps at least make a count.');
		for (let i = 0; i < 5; i++) {
			player.elapsed = 0.3 + i / rate;
			sitting.tap();
		}
		expect(sitting.rate).toBeCloseTo(rate, 6);
		sitting.anew();
		expect(sitting.rate).toBeUndefined();
		for (let i = 0; i < 5; i++) {
			player.elapsed = 0.3 + i / (1.1 * rate);
			sitting.tap();
		}
		sitting.count();
		expect(sitting.told!.set / sitting.told!.asked).toBeCloseTo(1.1, 6);
		expect(sitting.told!.asked).toBeCloseTo(rate, 6);
		expect(told).toHaveLength(1);
	});
});

describe('strings that are to hold', () => {
	it('want their blows, and are read again when all have been left', () => {
		const sitting = new HoldingSitting({ ...ground, drill: HOLDING, register: HOLDING.registers[0] });
		sitting.stand();
		expect(sitting.notice).toBe('Strike them first.');
		sitting.strike();
		sitting.stand();
		expect(sitting.notice).toBe('Give it 3 firm blows before you leave it.');
		const apart = () => centsBetween(partialHz(sound.string('still'), 1), partialHz(sound.string('turned'), 1));
		for (let i = 0; i < 10; i++) {
			expect([sitting.done, sitting.trials.length]).toEqual([i, 0]);
			for (let round = 0; round < 10; round++) {
				for (let blow = 0; blow < 3; blow++) sitting.strike(true);
				time.now += 8;
				// Towards it from where it stands, by hairs: pin and string come to rest with each other.
				for (let i = 0; i < 400 && Math.abs(apart()) > 0.05; i++) sitting.turn(-0.03 * Math.sign(apart()));
			}
			for (let blow = 0; blow < 3; blow++) sitting.strike(true);
			sitting.stand();
		}
		expect([sitting.isOver, told.length]).toEqual([true, 1]);
		const { trials, isOver } = told[0];
		expect([isOver, trials.length]).toEqual([true, 10]);
		for (const { tries, seconds, last } of trials) {
			expect(tries).toBe(33);
			expect(seconds).toBe(80);
			expect(Math.abs(last!)).toBe(1);
		}
		// Struck and corrected again and again, most hold.
		expect(trials.filter(({ set }) => Math.abs(set) < 0.5).length).toBeGreaterThan(5);
		expect(habitWords(trials)).toMatch(/of \d+ turned (up|down) last \d+ held/i);
		expect(habitWords([])).toBeUndefined();
	});
});
