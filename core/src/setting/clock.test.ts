import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { whatFits, type StillToDo } from './clock';
import { keyWeights, parseKeys, playedWeights, usualWeights } from './programme';

describe('what fits into the time that is left', () => {
	const note = fc.record({
		off: fc.double({ min: -30, max: 30, noNaN: true }),
		minutes: fc.integer({ min: 1, max: 40 }).map((tenths) => tenths / 10),
		weight: fc.double({ min: 0, max: 3, noNaN: true })
	});

	it('brings as much as the best of all choices', () => {
		fc.assert(
			fc.property(fc.array(note, { maxLength: 10 }), fc.integer({ min: 0, max: 120 }), (some, tenths) => {
				const all: StillToDo[] = some.map((each, i) => ({ ...each, note: i }));
				const gain = (notes: readonly StillToDo[]) =>
					notes.reduce((sum, { off, weight }) => sum + weight * Math.abs(off), 0);
				let most = 0;
				for (let set = 0; set < 1 << all.length; set++) {
					const chosen = all.filter((_, i) => set & (1 << i));
					const ticks = chosen.reduce((sum, { minutes }) => sum + Math.round(10 * minutes), 0);
					if (ticks <= tenths) most = Math.max(most, gain(chosen));
				}
				const fits = whatFits(all, tenths / 10);
				expect(gain(all.filter((each) => fits.notes.includes(each.note)))).toBeCloseTo(most, 6);
				expect(fits.minutes).toBeLessThanOrEqual(tenths / 10 + 1e-9);
				expect(fits.notes.length + fits.leftOut.length).toBe(all.length);
			}),
			{ numRuns: 60 }
		);
	});

	it('is everything when there is time enough, and nothing when there is none', () => {
		const all = [60, 61].map((each) => ({ note: each, off: 3, minutes: 1, weight: 1 }));
		expect(whatFits(all, 2)).toEqual({ notes: [60, 61], leftOut: [], minutes: 2, share: 1 });
		expect(whatFits(all, -3)).toEqual({ notes: [], leftOut: [60, 61], minutes: 0, share: 0 });
	});
});

describe('a programme', () => {
	const mean = (weights: readonly (readonly [number, number])[]) =>
		weights.reduce((sum, [, weight]) => sum + weight, 0) / weights.length;

	it('weighs notes so that their mean is one', () => {
		for (const weights of [
			usualWeights(21, 108),
			keyWeights([{ tonic: 0, mode: 'major' }], 21, 108),
			playedWeights([{ note: 60, seconds: 2 }], 21, 108),
			playedWeights([], 36, 84)
		])
			expect(mean(weights)).toBeCloseTo(1, 12);
	});

	it('prefers what its keys and its pieces play', () => {
		const inE = new Map(keyWeights([{ tonic: 4, mode: 'major' }], 21, 108));
		expect(inE.get(68)).toBeGreaterThan(4 * inE.get(67)!);
		const piece = new Map(
			playedWeights(
				[
					{ note: 50, seconds: 3 },
					{ note: 51, seconds: 1 }
				],
				21,
				108
			)
		);
		expect(piece.get(50)).toBeGreaterThan(2 * piece.get(51)!);
		expect(piece.get(90)).toBeGreaterThan(0);
		// A note that is held for a minute is heard for some seconds.
		expect(playedWeights([{ note: 50, seconds: 60 }], 21, 108)).toEqual(
			playedWeights([{ note: 50, seconds: 4 }], 21, 108)
		);
	});

	it('is read as it is typed, and what is no key is named', () => {
		expect(parseKeys('C, f# minor; Eb\nB♭m')).toEqual([
			{ tonic: 0, mode: 'major' },
			{ tonic: 6, mode: 'minor' },
			{ tonic: 3, mode: 'major' },
			{ tonic: 10, mode: 'minor' }
		]);
		expect(parseKeys('C, H moll')).toEqual({ wrong: 'H moll' });
		expect(parseKeys('')).toEqual([]);
		// C flat is B.
		expect(parseKeys('Cb')).toEqual([{ tonic: 11, mode: 'major' }]);
	});
});
