import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { OnsetFollower, SLICE_SECONDS } from './onset';

const RATE = 48_000;
const SLICE = Math.round(SLICE_SECONDS * RATE);

/** Times of strikes in a sound that is given by its level and time. */
function strikes(seconds: number, sampleAt: (t: number) => number): number[] {
	const sound = Float32Array.from({ length: seconds * RATE }, (_, i) => sampleAt(i / RATE));
	const follower = new OnsetFollower(RATE);
	const found: number[] = [];
	for (let at = 0; at + SLICE <= sound.length; at += SLICE)
		if (follower.slice(sound, at, at + SLICE).strike) found.push(at / RATE);
	return found;
}
const random = createRandom(1);
const room = (level: number) => level * random.normal();
const struck = (t: number, at: number, level: number) =>
	t < at ? 0 : level * Math.exp(-(t - at) / 0.6) * Math.sin(2 * Math.PI * 330 * t);

describe('strikes', () => {
	it('are placed within 10 ms, over rooms from silent to loud', () => {
		for (const noise of [0, 1e-4, 3e-3]) {
			const [first, ...more] = strikes(1.5, (t) => struck(t, 0.5, 0.3) + room(noise));
			expect(Math.abs(first - 0.5)).toBeLessThan(0.01);
			expect(more).toEqual([]);
		}
	});

	it('are told apart while the string still rings', () => {
		const found = strikes(2.5, (t) => struck(t, 0.4, 0.2) + (t > 1.2 ? struck(t, 1.2, 0.6) : 0) + room(1e-4));
		expect(found).toHaveLength(2);
	});

	it('are not made of steady noise, of a swell, or of the end of a sound', () => {
		expect(strikes(2, () => room(0.02))).toEqual([]);
		expect(strikes(3, (t) => 0.1 * t * Math.sin(2 * Math.PI * 220 * t) + room(0.01)).length).toBeLessThanOrEqual(1);
		// The rumble of a room, loud beside a note that dies away.
		const rumble = (t: number) => 0.01 * Math.sin(2 * Math.PI * 23 * t) * Math.sin(2 * Math.PI * 1.7 * t);
		expect(strikes(6, (t) => struck(t, 0.4, 0.2) + rumble(t) + room(1e-5))).toHaveLength(1);
		expect(
			strikes(2, (t) => (t < 1 ? 0.2 * Math.sin(2 * Math.PI * 220 * t) : 0) + room(1e-3)).filter((at) => at > 0.5)
		).toEqual([]);
	});
});
