import { describe, expect, it } from 'vitest';
import { struckKey, uprightString } from '../../../fixtures/upright';
import { createRandom } from '../../numeric/random';
import { equalHz } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { resolveComponents } from './components';
import { partialEnvelope } from './envelope';
import { analyseUnison } from './unison';

const RATE = 24_000;
function struck(note: number, offs: readonly number[], seed = 1) {
	const strings = offs.map((off) => uprightString(note, off));
	const sound = struckKey(note, { strings, sampleRate: RATE, seconds: 2, strength: 0.8, seed });
	const random = createRandom(seed + 9);
	return sound.subarray(Math.round(0.06 * RATE)).map((value) => value + 1e-4 * random.normal());
}
const analysed = (note: number, offs: readonly number[], seed?: number) =>
	analyseUnison({
		samples: struck(note, offs, seed),
		sampleRate: RATE,
		string: uprightString(note),
		strings: offs.length
	});

describe('tones within a partial', () => {
	it('are told apart from half a turn on, with the errors that they state', () => {
		const random = createRandom(3);
		let [told, ratios, all] = [0, 0, 0];
		for (const beat of [0.8, 1.5, 4])
			for (let run = 0; run < 12; run++) {
				const phases = [6.28 * random.uniform(), 6.28 * random.uniform()];
				const samples = Float32Array.from({ length: 1.5 * RATE }, (_, i) => {
					const t = i / RATE;
					const tones = [440, 440 + beat].map((f, k) => (k ? 0.5 : 1) * Math.cos(2 * Math.PI * f * t + phases[k]));
					return Math.exp(-t) * (tones[0] + tones[1]) + 0.02 * random.normal();
				});
				const { components } = resolveComponents(partialEnvelope(samples, RATE, 440.4, 60)!, 3)!;
				all++;
				if (components.length !== 2) continue;
				told++;
				const [strong, weak] = components;
				expect(strong.amplitude).toBeGreaterThan(weak.amplitude);
				ratios += ((weak.frequency - strong.frequency - beat) / Math.hypot(weak.error, strong.error)) ** 2;
			}
		expect(told / all).toBeGreaterThan(0.9);
		expect(Math.sqrt(ratios / told)).toBeGreaterThan(0.6);
		expect(Math.sqrt(ratios / told)).toBeLessThan(1.6);
	});

	it('are one where there is one: nothing is made of noise', () => {
		for (let seed = 1; seed <= 12; seed++) {
			const random = createRandom(seed);
			const samples = Float32Array.from(
				{ length: RATE },
				(_, i) => Math.exp(-i / RATE) * Math.cos((2 * Math.PI * 330 * i) / RATE + seed) + 0.05 * random.normal()
			);
			expect(resolveComponents(partialEnvelope(samples, RATE, 330.2, 60)!, 3)!.components).toHaveLength(1);
		}
		expect(resolveComponents(partialEnvelope(new Float32Array(RATE), RATE, 330, 165)!, 3)).toBeUndefined();
	});
});

describe('a unison', () => {
	it.each([
		[57, [0, 1.2]],
		[60, [0, 3]],
		[69, [0.5, -1]],
		[72, [0, 4]]
	])('of two strings at %i, %o cents: its spread within its error', (note, offs) => {
		const { told, spread, partials } = analysed(note, offs);
		expect(told).toBe(2);
		const real = Math.abs(offs[0] - offs[1]);
		expect(Math.abs(spread!.cents - real)).toBeLessThan(Math.max(0.05, 5 * spread!.error));
		// The same cents beat n times as fast in partial n.
		for (const { partial, beat } of partials)
			if (beat !== undefined)
				expect(beat / (partial * equalHz(note, hz(440)) * (2 ** (real / 1200) - 1))).toBeCloseTo(1, 1);
	});

	it('of three strings is told as three, from end to end', () => {
		const { told, spread } = analysed(64, [0, 2.4, -1.8]);
		expect(told).toBe(3);
		expect(spread!.cents).toBeCloseTo(4.2, 1);
	});

	it('that is clean, or a single string, is one; and says what it could not have told', () => {
		for (const note of [48, 60, 72]) {
			const { told, spread, unresolved } = analysed(note, [0, 0]);
			expect([told, spread]).toEqual([1, undefined]);
			expect(unresolved).toBeGreaterThan(0.05);
			expect(unresolved).toBeLessThan(3);
		}
		expect(analysed(64, [0]).told).toBe(1);
		expect(() => analysed(64, [])).toThrow('0 strings');
	});
});
