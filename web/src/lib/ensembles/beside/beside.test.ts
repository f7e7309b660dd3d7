import { describe, expect, it } from 'vitest';
import { besideLines } from '$lib/charts/besideLines';
import { besideAccount, besideHeadline, besideSchema, moveWords, standing, type Stands } from './beside';

const piano = (name: string, cents: number): Stands => ({
	...{ id: name, name },
	levels: Array.from({ length: 88 }, (_, i) => [21 + i, cents] as const)
});
const AT_18 = { a4: 440, read: 18, played: 18 };

describe('two in one room', () => {
	it('meet half-way where both give way alike, and where one stays at the other', () => {
		const [low, high] = [piano('Low', -4), piano('High', 4)];
		const both = besideAccount(low, high, { firstGives: 'readily', secondGives: 'readily' })!;
		expect(both.apart).toBeCloseTo(8, 9);
		expect(both.first).toBeCloseTo(-both.second, 6);
		expect(both.then.rate).toBeLessThan(0.05 * both.now.rate);
		const one = besideAccount(low, high, { firstGives: 'readily', secondGives: 'stays' })!;
		expect(one.second).toBe(0);
		expect(one.first).toBeGreaterThan(7.5);
		// C8 beats most: it is the highest that both have. 4186 Hz by 8 cents.
		expect(one.now).toEqual({ note: 108, rate: expect.closeTo(4186.009 * (2 ** (8 / 1200) - 1), 3) });
		expect(besideHeadline(one)).toMatch(
			/^They lie 8\.0 cents apart on the average; C8 beats most, 19\.4 a second\. Afterwards /
		);
		expect(moveWords(high, one.second)).toBe('High: stays.');
		expect(moveWords(low, one.first)).toMatch(/^Low: 7\.\d cents up on the average, about A4 = 4(40\.\d|41\.\d) Hz\.$/);
	});

	it('share only the notes that both have', () => {
		const vibraphone = standing('vibraphone', { ...AT_18, a4: 442 });
		const account = besideAccount(piano('Grand', 0), vibraphone, { firstGives: 'readily', secondGives: 'stays' })!;
		expect([account.notes[0].note, account.notes.at(-1)!.note]).toEqual([53, 89]);
		expect(account.apart).toBeCloseTo(1200 * Math.log2(442 / 440), 9);
		const low = { id: 'x', name: 'Low', levels: [[30, 0]] as const };
		expect(besideAccount(low, vibraphone, { firstGives: 'readily', secondGives: 'stays' })).toBeUndefined();
	});

	it('follow the room: flue pipes rise by three cents a degree, a vibraphone does not', () => {
		const warm = { ...AT_18, played: 23 };
		expect(standing('organ', warm).levels[0][1]).toBeCloseTo(5 * 2.953, 2);
		expect(standing('vibraphone', warm).levels[0][1]).toBe(0);
	});

	it('are refused where their address is none', () => {
		expect(besideSchema.safeParse({ first: 'organ', second: 'vibraphone' }).success).toBe(true);
		for (const wrong of [{ first: 'harp' }, { a4: '600' }, { a4: 'x' }, { played: '70' }, { firstGives: 'never' }])
			expect(besideSchema.safeParse(wrong).success).toBe(false);
	});

	it('are drawn from their lowest shared note to the highest', () => {
		const { notes } = besideAccount(piano('Low', -4), piano('High', 4), {
			...({ firstGives: 'readily', secondGives: 'little' } as const)
		})!;
		const margin = { top: 10, right: 10, bottom: 20, left: 40 };
		const { apart, ticks } = besideLines(notes, { width: 600, height: 200, margin });
		expect(apart).not.toContain('NaN');
		expect(ticks.some(({ value }) => value === 0)).toBe(true);
	});
});
