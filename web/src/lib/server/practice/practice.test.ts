import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { createRandom, rightShare, SIZES, ThresholdSearch, type Trial } from '@fendrel/core';
import { sittingSchema, type SentSitting } from '$lib/practice/sittingFormat';
import { progressOf, recentTrials } from '$lib/practice/progress';
import {
	earOf,
	keepEar,
	keepShowsPractice,
	removeSitting,
	shownIn,
	showsPractice,
	sittingsOf
} from '../db/stores/sittings';
import { newWorkshop, withDatabase } from '../tests/parts';
import { beganBy, keepSitting } from './sittings';

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
		const [{ figure, sittings }] = progressOf(sat);
		expect(sittings).toHaveLength(3);
		// Sixty answers place it within a half, nine times of ten; this ear's are among them.
		expect(figure!.size).toBeGreaterThan(0.6);
		expect(figure!.size).toBeLessThan(1.6);
		expect(figure!.trials).toBe(60);
	});

	it('says when it began by its own clock, whatever a device’s clock says', () => {
		const now = Date.parse('2026-07-14T10:00:00Z');
		const at = (text: string) => new Date(text).toISOString();
		const by = (beganAt: string, sentAt?: string) =>
			beganBy(now, { beganAt: at(beganAt), sentAt: sentAt && at(sentAt) });
		// Twenty minutes ago by a clock that is five years slow; one that was set back meanwhile; one that tells nothing.
		expect(by('2021-07-14T09:00:00Z', '2021-07-14T09:20:00Z')).toEqual(new Date(now - 20 * 60_000));
		expect(by('2026-07-14T09:00:00Z', '2026-07-01T09:00:00Z')).toEqual(new Date(now));
		expect(by('2031-07-14T09:00:00Z')).toEqual(new Date(now));
		expect(by('2026-07-13T09:00:00Z')).toEqual(new Date('2026-07-13T09:00:00Z'));
	});

	it('keeps what was set, with what it came to', async () => {
		const { userId } = await newWorkshop();
		const trials = [0.2, -0.4, 0.3, -0.1, 0.2].map((set) => ({
			from: 5,
			asked: 0,
			set,
			tries: 4,
			seconds: 20.5,
			note: 60
		}));
		const beganAt = new Date().toISOString();
		await keepSitting(userId, uuid(), { drill: 'stillness', register: 'middle', beganAt, trials });
		// Whoever only pretends leaves as much as there was.
		const pretended = Array(8).fill({ ...trials[0], set: 5 });
		await keepSitting(userId, uuid(), { drill: 'stillness', register: 'tenor', beganAt, trials: pretended });
		const [middle, tenor] = progressOf(await sittingsOf(userId));
		expect(middle.figure!.size).toBeCloseTo(Math.sqrt(0.34 / 5), 9);
		expect([tenor.figure, tenor.sittings[0].isGuessed]).toEqual([undefined, true]);
	});

	it('shows practice to the workshop only where its owner says so', async () => {
		const { userId, workshopId } = await newWorkshop();
		expect([await showsPractice(userId), await shownIn(workshopId, 'another')]).toEqual([false, []]);
		await keepShowsPractice(userId, true);
		expect((await shownIn(workshopId, 'another')).map(({ id }) => id)).toEqual([userId]);
		expect([await shownIn(workshopId, userId), await shownIn(uuid(), 'another')]).toEqual([[], []]);
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
			{ ...good, trials: [{ from: 1, asked: 0, set: 0, tries: 1, seconds: 1 }] },
			{ ...good, drill: 'stillness', register: 'middle' },
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
