import { USUAL_HABITS } from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { clockOffset, keepClockOffset } from '$lib/audio/deviceClock';
import { registerReach } from './registers';
import { habitsSchema } from './habitsSchema';

describe('habits of listening', () => {
	it('are the four registers with their partials and moments, or none', () => {
		expect(habitsSchema.parse(USUAL_HABITS)).toEqual(USUAL_HABITS);
		expect(habitsSchema.parse(null)).toBeNull();
		const [first, ...others] = USUAL_HABITS;
		for (const wrong of [
			[],
			others,
			[{ ...first, to: 50 }, ...others],
			[{ ...first, partial: 9 }, ...others],
			[{ ...first, moment: 0.1 }, ...others],
			[{ ...first, moment: Number.NaN }, ...others]
		])
			expect(habitsSchema.safeParse(wrong).success).toBe(false);
	});

	it('are named by where they lie', () => {
		expect(USUAL_HABITS.map((_, i) => registerReach(USUAL_HABITS, i))).toEqual([
			'to E♭2',
			'E2 to B3',
			'C4 to B5',
			'C6 and up'
		]);
	});
});

describe('the clock of a microphone', () => {
	const kept = new Map<string, string>();
	beforeEach(() =>
		vi.stubGlobal('localStorage', {
			getItem: (key: string) => kept.get(key) ?? null,
			setItem: (key: string, value: string) => kept.set(key, value)
		})
	);
	afterEach(() => {
		kept.clear();
		vi.unstubAllGlobals();
	});

	it('is kept for each device by itself, and forgotten when it is right', () => {
		keepClockOffset('one', 1.25);
		keepClockOffset('two', -0.5);
		expect([clockOffset('one'), clockOffset('two'), clockOffset('three')]).toEqual([1.25, -0.5, 0]);
		keepClockOffset('one', 0);
		expect(clockOffset('one')).toBe(0);
		expect(clockOffset('two')).toBe(-0.5);
	});

	it('is none when what was kept is damaged or beyond belief', () => {
		for (const damaged of ['{', '[]', '{"one":"two"}', '{"one":900}']) {
			kept.set('fendrel.clocks', damaged);
			expect(clockOffset('one')).toBe(0);
		}
	});
});
