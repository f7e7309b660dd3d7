import {
	bearingPlan,
	beatOf,
	centsBetween,
	createRandom,
	DEFAULT_EAR,
	examinedTasks,
	partialHz,
	temperamentById,
	USUAL_BANDS,
	type IntervalKind
} from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { fakeGround, strings, turnUntil } from '$lib/tests/fakeSitting';
import { BearingsSitting } from './bearingsSitting.svelte';
import { ExaminationSitting } from './examinationSitting.svelte';

let { sound, told, time, ground } = fakeGround();
beforeEach(() => {
	({ sound, told, time, ground } = fakeGround());
});

describe('an examination', () => {
	const plan = bearingPlan({
		...{ school: 'circle', start: 69, low: 53, high: 65, strings, ear: DEFAULT_EAR },
		temperament: temperamentById('equal')
	});
	const rateOf = (lower: number, upper: number, kind: IntervalKind) =>
		beatOf(strings(lower), strings(upper), kind).rate;

	it('goes from the fork to the unisons, each set by what was left before it, and is read when all is left', () => {
		const tasks = examinedTasks(plan, rateOf, createRandom(5));
		const sitting = new ExaminationSitting({ ...ground, tasks, bands: USUAL_BANDS, gear: 1.2 });
		sitting.stand();
		expect(sitting.notice).toBe('Strike it first.');
		for (const { by } of tasks) {
			/** How far off it is heard to be: cents of a unison, beats of an interval. */
			const off = () => {
				const [other, turned] = [sound.string('other'), sound.string('turned')];
				if (by.is !== 'interval') return centsBetween(partialHz(other, 1), partialHz(turned, 1));
				const isUpper = sitting.due.exercise.note > by.other;
				const [lower, upper] = isUpper ? [other, turned] : [turned, other];
				return (isUpper ? 1 : -1) * (beatOf(lower, upper, by.kind).rate - by.rate);
			};
			// Firm blows, then the pin by what is left: what the friction holds the next blows bring out.
			for (let round = 0; round < 16; round++) {
				for (let i = 0; i < 3; i++) sitting.strike(true);
				sitting.turn(-0.7 * off());
				time.now += 30;
			}
			for (let i = 0; i < 3; i++) sitting.strike(true);
			sitting.stand();
		}
		expect(sitting.isOver).toBe(true);
		expect(sitting.result!.score).toBeGreaterThan(75);
		const [{ trials, isOver }] = told;
		expect([isOver, trials.length]).toEqual([true, tasks.length]);
		sitting.strike();
		sitting.stand();
		expect(told).toHaveLength(1);
	});
});

describe('bearings', () => {
	const plan = bearingPlan({
		...{ school: 'circle', start: 69, low: 53, high: 65, strings, ear: DEFAULT_EAR },
		temperament: temperamentById('equal')
	});
	const begin = () => new BearingsSitting({ ...ground, plan, ear: DEFAULT_EAR });
	/** Sets the step's note by its interval. */
	function setStep(sitting: BearingsSitting, wrongBy = 0): void {
		const { by } = sitting.due;
		if (!by[0]) return;
		const { edge } = by[0];
		sitting.strikeDue();
		const rate = () => beatOf(sound.string(String(edge.lower)), sound.string(String(edge.upper)), edge.kind).rate;
		turnUntil(
			(turn) => sitting.turn(turn),
			() => rate() - edge.rate - wrongBy,
			0.01
		);
	}

	it('are scored when all is set, and one wrong step is found with what followed', () => {
		const sitting = begin();
		sitting.turn(1);
		expect(sitting.notice).toBe('The fork gives this note: it stands.');
		for (let step = 0; step < plan.steps.length; step++) {
			sitting.goTo(step);
			setStep(sitting, step === 5 ? 2.5 : 0);
		}
		time.now += 600;
		sitting.finish();
		expect(sitting.score!.wrong).toMatchObject({ step: 5, note: plan.steps[5].note });
		expect(sitting.score!.wrong!.followed.length).toBeGreaterThan(0);
		const [{ trials, isOver }] = told;
		expect([isOver, trials.length]).toEqual([
			true,
			plan.steps.filter(({ by, note }) => by.length && note <= 65).length
		]);
		for (const { set, note } of trials)
			expect(set).toBeCloseTo(sitting.score!.notes.find((each) => each.note === note)!.off, 9);
		sitting.strike(60);
		sitting.goTo(2);
		expect(told).toHaveLength(1);
	});

	it('are not scored while a note has not been set: that one is shown', () => {
		const sitting = begin();
		for (const step of [1, 2, 4]) {
			sitting.goTo(step);
			setStep(sitting);
		}
		sitting.finish();
		expect([sitting.score, sitting.step, sitting.notice]).toEqual([undefined, 3, 'This note has not been set yet.']);
		sitting.end();
		expect([sitting.isOver, told]).toEqual([true, []]);
	});
});
