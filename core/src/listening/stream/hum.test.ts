import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { HumWatch } from './hum';

const RATE = 16_000;
function room(seconds: number, tones: readonly (readonly [frequency: number, amplitude: number])[], noise = 3e-4) {
	const random = createRandom(4);
	return Float32Array.from({ length: seconds * RATE }, (_, i) =>
		tones.reduce((sum, [f, a]) => sum + a * Math.sin((2 * Math.PI * f * i) / RATE + f), noise * random.normal())
	);
}
function watch(sound: Float32Array, quiet = true) {
	const hum = new HumWatch(RATE);
	for (let from = 0; from < sound.length; from += 80) hum.push(sound.subarray(from, from + 80), quiet);
	return hum.hum;
}

describe('the mains', () => {
	it.each([50, 60])('at %i Hz is heard by two of its harmonics', (mains) => {
		expect(
			watch(
				room(1.2, [
					[mains, 2e-3],
					[2 * mains, 4e-3],
					[3 * mains, 1e-3]
				])
			)
		).toBe(mains);
	});

	it('is not heard where there is none: a quiet room, a string, traffic, half a second', () => {
		expect(watch(room(2, []))).toBeUndefined();
		// G1 of a piano, 49 Hz, with its partials.
		expect(
			watch(
				room(
					2,
					[1, 2, 3, 4, 5].map((n) => [49 * n, 3e-3])
				)
			)
		).toBeUndefined();
		expect(watch(room(2, [[50, 5e-3]]))).toBeUndefined();
		expect(watch(room(2, [], 0.02))).toBeUndefined();
		const hum = [
			[50, 3e-3],
			[100, 3e-3],
			[150, 3e-3]
		] as const;
		expect(watch(room(0.5, hum))).toBeUndefined();
		expect(watch(room(2, hum), false)).toBeUndefined();
	});

	it('goes when the plug is pulled', () => {
		const watching = new HumWatch(RATE);
		watching.push(
			room(1, [
				[50, 3e-3],
				[100, 3e-3]
			]),
			true
		);
		expect(watching.hum).toBe(50);
		watching.push(room(1, []), true);
		expect(watching.hum).toBeUndefined();
	});
});
