import { describe, expect, it } from 'vitest';
import { hz } from '../units/quantity';
import { pitchLoad } from './pitchLoad';

describe('what a pitch loads', () => {
	const found = (level: number) => [60, 61].map((note) => ({ note, level, strings: [level, level, level], unison: 1 }));
	const wire = { material: 'steel', core: 0.001, length: 0.65 } as const;

	it('adds 12.25 per cent of tension for a hundred cents', () => {
		const { change, highest } = pitchLoad(
			found(-100),
			0,
			() => hz(261.6),
			() => undefined
		);
		expect(change).toBeCloseTo(2 ** (200 / 1200) - 1, 12);
		expect(highest).toBeUndefined();
		expect(
			pitchLoad(
				found(-100),
				-100,
				() => hz(261.6),
				() => undefined
			).change
		).toBeCloseTo(0, 12);
	});

	it('names the string that comes nearest to breaking', () => {
		const { highest } = pitchLoad(
			found(0),
			0,
			(note) => hz(note === 61 ? 277.2 : 261.6),
			() => wire
		);
		// T = (2 L F)^2 mu over S_ut A: (2 * 0.65 * 277.2)^2 * 7850 / 2211e6.
		expect(highest!.note).toBe(61);
		expect(highest!.share).toBeCloseTo(((2 * 0.65 * 277.2) ** 2 * 7850) / 2.211e9, 3);
	});
});
