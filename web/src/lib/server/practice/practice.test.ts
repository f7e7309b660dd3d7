import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { createRandom, rightShare, SIZES, ThresholdSearch, type Trial } from '@fendrel/core';
import { sittingSchema, type SentSitting } from '$lib/practice/sittingFormat';
import { progressOf, recentTrials } from '$lib/practice/progress';
import { earOf, keepEar, removeSitting, sittingsOf } from '../db/stores/sittings';
import { newWorkshop, withDatabase } from '../tests/parts';
import { keepSitting } from './sittings';

withDatabase();

const [REGISTER] = SIZES.registers;
/** Answers of an ear that hears from so many cents on. */
function answers(threshold: number, count: number, seed = 4): Trial[] {
	const random = createRandom(seed);
	const search = new ThresholdSearch(REGISTER.task);
	for (let i = 0; i < count; i++) {
		const size = search.next();
		search.answer({ size, isRight: random.uniform() < rightShare(1 / 3, threshold, 2, 0.02, size) });
	}
	return search.trials;
}
const sitting = (trials: Trial[], beganAt = new Date()): SentSitting => ({
	...{ drill: 'sizes', register: REGISTER.id, beganAt: beganAt.toISOString(), trials }
});

describe('keeping sittings', () => {
	it('keeps the longest of what arrives, in any order and at once, and nobody else’s', async () => {
		const { userId } = await newWorkshop();
		const other = await newWorkshop();
		const all = answers(1, 24);
		const id = uuid();
		await Promise.all([10, 24, 5, 15].map((count) => keepSitting(userId, id, sitting(all.slice(0, count)))));
		await keepSitting(userId, id, sitting(all.slice(0, 7)));
		expect(await keepSitting(other.userId, id, sitting(answers(1, 30)))).toBe('not yours');
		expect(await removeSitting(other.userId, id)).toBe(false);
		expect((await sittingsOf(userId)).map(({ trials }) => trials)).toEqual([all]);
		expect(await removeSitting(userId, id)).toBe(true);
		expect(await sittingsOf(userId)).toEqual([]);
	});

	it('makes no threshold of guesses, and one of what was heard lately', async () => {
		const { userId } = await newWorkshop();
		const now = Date.now();
		const guesses = answers(1e9, 40, 9);
		await keepSitting(userId, uuid(), sitting(guesses, new Date(now - 5000)));
		// Years ago the ear was another.
		await keepSitting(userId, uuid(), sitting(answers(8, 60), new Date(now - 400 * 86_400_000)));
		await keepSitting(userId, uuid(), sitting(answers(1, 60, 2), new Date(now - 86_400_000)));
		const sat = await sittingsOf(userId);
		expect(sat.map(({ isGuessed }) => isGuessed)).toEqual([false, false, true]);
		expect(recentTrials(sat)).toHaveLength(60);
		const [{ threshold, sittings }] = progressOf(sat);
		expect(sittings).toHaveLength(3);
		// Sixty answers place it within a half, nine times of ten; this ear's are among them.
		expect(threshold!.size).toBeGreaterThan(0.6);
		expect(threshold!.size).toBeLessThan(1.6);
		expect(threshold!.trials).toBe(60);
	});

	it('refuses what is no sitting', () => {
		const good = sitting(answers(1, 3));
		expect(sittingSchema.safeParse(good).success).toBe(true);
		for (const bad of [
			{ ...good, drill: 'pitch' },
			{ ...good, register: 'none' },
			{ ...good, beganAt: 'yesterday' },
			{ ...good, trials: [] },
			{ ...good, trials: [{ size: -1, isRight: true }] },
			{ ...good, trials: [{ size: Infinity, isRight: true }] },
			{ ...good, trials: Array(201).fill({ size: 1, isRight: true }) }
		])
			expect(sittingSchema.safeParse(bad).success).toBe(false);
	});

	it('keeps an ear, and lets go of it', async () => {
		const { userId } = await newWorkshop();
		expect(await earOf(userId)).toBeUndefined();
		await keepEar(userId, { floor: 0.08, share: 0.05, bias: 0.1 });
		expect(await earOf(userId)).toEqual({ floor: 0.08, share: 0.05, bias: 0.1 });
		await keepEar(userId, null);
		expect(await earOf(userId)).toBeUndefined();
	});
});
