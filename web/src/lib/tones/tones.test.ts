import { hz, type LastingEvent, type LastingReading } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { toneTrace } from '$lib/charts/toneTrace';
import { ToneBoard } from './toneBoard.svelte';
import { partnerWords, slopeWords } from './toneWords';

const reading = (of: Partial<LastingReading> = {}) =>
	({
		...{ from: 1, to: 3, pitch: hz(442), error: 0.02, level: -20, softest: -20, wobble: 0.2, drift: 0 },
		...{ slope: undefined, partner: undefined },
		...of
	}) as LastingReading;
const point = (at: number, pitch: number): LastingEvent =>
	({ kind: 'tone', at, pitch: hz(pitch), error: 0.1, level: -20 }) as LastingEvent;

describe('tones that are heard', () => {
	it('are followed while they sound, and listed once they were read, counted from the A4 that is asked for', () => {
		const board = new ToneBoard(() => 442);
		board.hear([{ kind: 'begun', at: 1, pitch: 442 }, point(1.1, 442), point(1.2, 443)]);
		expect(board.sounds).toBe(true);
		expect(board.live).toMatchObject({ note: 69 });
		expect(board.live!.off).toBeCloseTo(3.912, 2);
		expect(board.trace.map(({ at }) => Number(at.toFixed(3)))).toEqual([0.1, 0.2]);
		board.hear([{ kind: 'reading', at: 3, reading: reading() }]);
		expect([board.sounds, board.read.length, board.read[0].note]).toEqual([false, 1, 69]);
		expect(board.read[0].off).toBeCloseTo(0, 9);
		board.hear([{ kind: 'reading', at: 9, reading: reading({ pitch: hz(221) }) }]);
		expect(board.read.map(({ note }) => note)).toEqual([57, 69]);
		board.clear();
		expect([board.read, board.live]).toEqual([[], undefined]);
	});

	it('that are refused leave what was read as it was, until the next one begins', () => {
		const board = new ToneBoard(() => 440);
		board.hear([{ kind: 'reading', at: 3, reading: reading() }]);
		board.hear([{ kind: 'refused', at: 5, why: 'uneven' }]);
		expect([board.refused, board.read.length]).toEqual(['uneven', 1]);
		board.hear([{ kind: 'begun', at: 6, pitch: 440 }]);
		expect(board.refused).toBeUndefined();
	});

	it('are drawn over some seconds, a still one as a still line', () => {
		const frame = { width: 400, height: 200, margin: { top: 10, right: 10, bottom: 20, left: 50 } };
		const still = Array.from({ length: 20 }, (_, i) => ({ at: i / 10, cents: 0.1, note: 69, level: -20 }));
		const { path, yTicks, xTicks } = toneTrace(still, frame);
		expect(path.startsWith('M50')).toBe(true);
		expect(yTicks.map(({ value }) => value)).toContain(0);
		expect(xTicks.at(-1)!.value).toBe(4);
		expect(toneTrace([], frame).path ?? null).toBeNull();
	});

	it('are said in words: the slope on the breath, the octave with it', () => {
		expect(slopeWords(reading())).toBe('not swelled');
		expect(slopeWords(reading({ slope: { slope: -0.312, error: 0.021, swells: 1 } }))).toBe('−0.31 ±0.02 c/dB');
		const partner = { rate: 1.5, error: 0.02, gain: 9, sense: 'wide' } as const;
		expect(partnerWords(reading({ partner }))).toBe('1.50 a second wide');
		expect(partnerWords(reading({ partner: { ...partner, rate: 0.02, error: 0.1, sense: undefined } }))).toBe(
			'slower than 0.2 a second'
		);
		expect(partnerWords(reading())).toBe('none');
	});
});
