import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterPairStrike, PAIR_BEGUN, pairBeat, type PairState, type PairStrike } from './pairMethod';

const strike = (apart: number, off: number): PairStrike => ({ apart, off, limit: 0.4, within: 0.5 });
const after = (strikes: readonly PairStrike[], from: PairState = PAIR_BEGUN) => strikes.reduce(afterPairStrike, from);

describe('the pair method', () => {
	it('cleans, judges, moves one by its beat, matches the other, and judges again', () => {
		expect(after([strike(2, -3)])).toMatchObject({ phase: 'clean', tries: 0 });
		const moving = after([strike(2, -3), strike(0.2, -3)]);
		expect(moving).toMatchObject({ phase: 'move', by: 3, tries: 0 });
		expect(after([strike(1.5, -2.2)], moving)).toEqual(moving);
		const matching = after([strike(2.9, -1.5)], moving);
		expect(matching.phase).toBe('match');
		expect(after([strike(1, -0.8)], matching)).toEqual(matching);
		expect(after([strike(0.1, 0.2)], matching)).toMatchObject({ phase: 'done', tries: 1 });
	});

	it('is done at once where the clean pair stands where it should: the first measurement is no try', () => {
		expect(after([strike(0, 0.3)])).toMatchObject({ phase: 'done', tries: 0 });
	});

	it('imitates no beat under half a cent, and scales the next move by what the last one reached', () => {
		expect(after([{ ...strike(0, -0.4), within: 0.2 }]).phase).toBe('shade');
		// Four were asked for, two were reached: of the two that are left three are asked for.
		const again = after([strike(0, -4), strike(4, -2), strike(0, -2)]);
		expect(again).toMatchObject({ phase: 'move', tries: 1, scale: 1.6 });
		expect(again.by).toBeCloseTo(3.2);
		// No further at once than two strings are still a ruler.
		expect(after([strike(0, -12)]).by).toBe(4);
		const over = after([strike(0, -4), strike(4, 0), strike(0, 1)]);
		expect(over.by).toBeCloseTo(-0.8);
	});

	it('lands whatever the hand makes of a move, and always says something', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -15, max: 15, noNaN: true }),
				fc.double({ min: 0.7, max: 1.4, noNaN: true }),
				(from, hand) => {
					let [state, at] = [PAIR_BEGUN, from];
					for (let round = 0; round < 12 && state.phase !== 'done'; round++) {
						state = afterPairStrike(state, strike(0, at));
						if (state.phase === 'move' || state.phase === 'shade') {
							// The beat shows how far one string has gone; the other follows it, more or less.
							state = afterPairStrike(state, strike(Math.abs(state.by), at));
							at += state.by * hand;
						}
					}
					expect(state.phase).toBe('done');
					expect(Math.abs(at)).toBeLessThanOrEqual(0.5);
				}
			)
		);
	});

	it('knows the beat that a size of move makes: 2 cents at 880 Hz beat once a second', () => {
		expect(pairBeat(2, 880)).toBeCloseTo(1.017, 3);
		expect(pairBeat(-2, 880)).toBe(pairBeat(2, 880));
	});
});
