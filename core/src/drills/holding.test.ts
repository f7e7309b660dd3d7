import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { HELD_STRINGS, HELD_WITHIN, HeldString, heldShare, HOLDING, holdingExercise, TEST_BLOWS } from './holding';

const [middle] = HOLDING.registers;
function exercises(seed: number) {
	const random = createRandom(seed);
	return Array.from({ length: HELD_STRINGS }, () => holdingExercise(middle, random));
}

describe('strings that are to hold', () => {
	it('move away where they were only turned to the place, and hold where they were struck and set back', () => {
		let [held, left] = [0, 0];
		for (const exercise of exercises(4)) {
			const turned = new HeldString(exercise);
			// By the figure alone: the friction is still between pin and string.
			for (let i = 0; i < 400 && Math.abs(turned.standing(0)) > 0.02; i++)
				turned.turn(-Math.sign(turned.standing(0)) * 0.05, 0);
			if (Math.abs(turned.movedLater(0)) < HELD_WITHIN) left++;
			const set = new HeldString(exercise);
			for (let round = 0; round < 12; round++) {
				for (let i = 0; i < 400 && Math.abs(set.standing(0)) > 0.05; i++)
					set.turn(-Math.sign(set.standing(0)) * 0.05, 0);
				for (let i = 0; i < TEST_BLOWS; i++) set.strike('blow', 0);
			}
			if (Math.abs(set.movedLater(0)) < HELD_WITHIN) held++;
			expect(set.blows).toBe(12 * TEST_BLOWS);
		}
		expect(left).toBeLessThan(held - 3);
		expect(held).toBeGreaterThanOrEqual(8);
	});

	it('know which way the lever went last', () => {
		const string = new HeldString(exercises(1)[0]);
		expect(string.last).toBeUndefined();
		string.turn(1, 0);
		string.turn(-0.2, 0);
		expect(string.last).toBe(-1);
	});

	it('are a share with an interval that holds the share', () => {
		const trial = (set: number) => ({ from: 5, asked: 0, set, tries: 3, seconds: 1 });
		const share = heldShare([0.1, -0.2, 0.6, 0.3].map(trial))!;
		expect(share.size).toBe(0.75);
		// Wilson's interval for three of four at 90 %.
		expect([share.low, share.high].map((value) => Number(value.toFixed(3)))).toEqual([0.356, 0.942]);
		expect(heldShare([])).toBeUndefined();
	});
});
