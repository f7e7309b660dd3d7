import { cents, hz, type StringReading } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { partialBars, partialWords } from './partials';

const reading: StringReading = {
	note: 69,
	struckAt: 1,
	moment: 0.5,
	pitch: hz(440),
	pitchError: cents(0.02),
	flexiblePitch: hz(439.8),
	inharmonicity: 8e-4,
	inharmonicityError: 1e-6,
	partials: [
		{ partial: 1, frequency: hz(440), error: 0.005, level: -32, decay: 0.61 },
		{ partial: 2, frequency: hz(881.06), error: 0.01, level: -30, decay: 14 },
		{ partial: 4, frequency: hz(1770.6), error: 0.02, level: -75, decay: undefined },
		{ partial: 9, frequency: hz(4100), error: 0.02, level: -110, decay: 0.2 }
	]
};

describe('partials of a strike', () => {
	it('in words: where they are heard, how sharp, how loud, how long', () => {
		expect(partialWords(reading, 2, 440)).toEqual({
			title: 'Partial 2, heard at A5',
			frequency: '881.06 Hz',
			error: '±0.02 cents',
			sharp: '2.1 cents sharp of 2 times the pitch',
			level: 'loudest',
			decay: 'falls to a third in 14 s'
		});
		expect(partialWords(reading, 1, 440)).toMatchObject({
			sharp: 'the pitch itself',
			level: '2 dB down',
			decay: 'falls to a third in 0.6 s'
		});
		expect(partialWords(reading, 4, 440)!.decay).toBe('does not fall yet');
		expect(partialWords(reading, 3, 440)).toBeUndefined();
	});

	it('as bars: the loudest reaches the top, the faintest is still to be seen', () => {
		const bars = partialBars(reading, 270, 96);
		expect(bars.map(({ partial }) => partial)).toEqual([1, 2, 4, 9]);
		expect(bars[1]).toMatchObject({ y: 0, height: 96 });
		expect(bars[3].height).toBe(2);
		expect(bars[0].height).toBeCloseTo(96 * (58 / 60), 6);
		bars.slice(1).forEach(({ x }, i) => expect(x).toBeGreaterThan(bars[i].x + bars[i].width));
	});
});
