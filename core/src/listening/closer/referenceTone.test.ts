import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { cents } from '../../units/quantity';
import { measureReference, trueRate } from './referenceTone';

const RATE = 16_000;
function tone(known: number, offset: number, { level = 0.3, noise = 1e-3, wobble = 0, seconds = 6 } = {}) {
	const random = createRandom(5);
	let phase = 0;
	return new Float32Array(seconds * RATE).map((_, i) => {
		phase += (2 * Math.PI * known * 2 ** ((offset + wobble * Math.sin((2 * Math.PI * i) / RATE)) / 1200)) / RATE;
		return level * Math.sin(phase) + noise * random.normal();
	});
}

describe('a reference tone', () => {
	it.each([440, 1000])('of %i Hz tells what the clock is off by, within its error', (known) => {
		const found = measureReference(tone(known, 0.83), RATE, known);
		if ('problem' in found) throw new Error(found.problem);
		expect(Math.abs(found.offset - 0.83)).toBeLessThan(4 * found.offsetError);
		expect(found.offsetError).toBeLessThan(0.01);
		// A clock that is that much slow makes it right again.
		expect(found.frequency * (trueRate(RATE, found.offset) / RATE)).toBeCloseTo(known, 3);
	});

	it.each([
		['too quiet', tone(440, 0, { level: 1e-4, noise: 1e-5 })],
		['too quiet', tone(440, 0, { seconds: 2 })],
		['not steady', tone(440, 0, { wobble: 30 })],
		['too far off', tone(440, 35)]
	])('that is %s is refused', (problem, samples) => expect(measureReference(samples, RATE, 440)).toEqual({ problem }));

	it('that is right leaves the rate as it is', () => expect(trueRate(48_000, cents(0))).toBe(48_000));
});
