import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { fitDampedPartial, partialEnvelope } from '../closer/envelope';
import type { Expected } from './expected';
import { byManyTones } from './manyTones';

const RATE = 6000;
const SECONDS = 5;
const ABOUT = 440;
const SPACING = 30;

interface Heard {
	readonly frequency: number;
	readonly amplitude: number;
	readonly decaySeconds: number;
}
const soundOf = (strings: readonly Heard[]) =>
	Float32Array.from({ length: RATE * SECONDS }, (_, i) =>
		strings.reduce(
			(sum, { frequency, amplitude, decaySeconds }) =>
				sum + amplitude * Math.exp(-i / RATE / decaySeconds) * Math.sin((2 * Math.PI * frequency * i) / RATE),
			0
		)
	);
const envelopeOf = (sound: Float32Array) => partialEnvelope(sound, RATE, ABOUT, SPACING)!;
const expected = (frequency: number, amplitude: number): Expected => ({
	...{ frequency, error: 0.15, amplitude, decaySeconds: 2 }
});

describe('several tones in a band', () => {
	it('are shared out between two notes: each stands where its strings alone do, or nothing is said', () => {
		// The same fifty each time: that some are not told apart is no fault, and must not be chance.
		const random = createRandom(15);
		const cases = Array.from({ length: 50 }, (_, i) => {
			const isWide = i % 2 === 0;
			const beat = 0.8 + 0.6 * random.uniform();
			const apart = 0.35 + 0.3 * random.uniform();
			const note = (at: number): Heard[] => [
				{ frequency: at, amplitude: 1, decaySeconds: 2 + random.uniform() },
				{ frequency: at + apart, amplitude: 0.5, decaySeconds: 2 + random.uniform() }
			];
			const at = isWide ? [ABOUT, ABOUT + beat] : [ABOUT + beat, ABOUT];
			const [lower, upper] = at.map(note);
			const [low, high] = [lower, upper].map((strings) => fitDampedPartial(envelopeOf(soundOf(strings)))!);
			const mixed = soundOf([...lower, ...upper]).map((value) => value + 0.003 * random.normal());
			const told = byManyTones({
				envelope: envelopeOf(mixed),
				// The laws stand a little off.
				low: expected(at[0] + 0.1, low.amplitude),
				high: expected(at[1] - 0.1, high.amplitude)
			});
			return told && { off: Math.abs(told.rate - (high.frequency - low.frequency)), told, isWide };
		});
		const answered = cases.filter((each) => each !== undefined);
		expect(answered.length).toBeGreaterThanOrEqual(45);
		expect(answered.every(({ told, isWide }) => told.wide > 0.5 === isWide)).toBe(true);
		// Unresolved strings bend one another: nine in ten times by less than a twentieth of a beat.
		const off = answered.map((each) => each.off).sort((a, b) => a - b);
		expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(0.05);
		expect(off.at(-1)).toBeLessThan(0.1);
	});

	it('are none where one string sounds alone', () => {
		const alone = soundOf([{ frequency: ABOUT, amplitude: 1, decaySeconds: 2 }]);
		expect(
			byManyTones({ envelope: envelopeOf(alone), low: expected(ABOUT, 1), high: expected(ABOUT + 2, 1) })
		).toBeUndefined();
	});
});
