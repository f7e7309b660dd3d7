import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { createRandom } from '../numeric/random';
import { renderPassage } from '../sounding/passage';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { centsBetween, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { DEFAULT_EAR } from '../bearing/ear';
import { DRILLS } from './drills';
import { OCTAVES_DRILL } from './octaves';
import { earFromRates, RATES } from './rates';
import { SIZES } from './sizes';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));

/** Frequency near `about` in a sound: the phase of a Hann-windowed part against that of a later one. */
function frequencyNear(sound: Float32Array, sampleRate: number, about: number, from: number, apart: number): number {
	const length = Math.round(0.5 * sampleRate);
	const phaseAt = (start: number) => {
		let [re, im] = [0, 0];
		for (let i = 0; i < length; i++) {
			const window = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / length);
			const angle = (2 * Math.PI * about * (start + i)) / sampleRate;
			re += window * sound[start + i] * Math.cos(angle);
			im -= window * sound[start + i] * Math.sin(angle);
		}
		return Math.atan2(im, re);
	};
	const step = Math.round(apart * sampleRate);
	const start = Math.round(from * sampleRate);
	const turned = phaseAt(start + step) - phaseAt(start);
	return about + (Math.atan2(Math.sin(turned), Math.cos(turned)) / (2 * Math.PI * step)) * sampleRate;
}

describe('what drills play', () => {
	it('is one sound that differs among others that do not, on notes of the register, anywhere among them', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...DRILLS.flatMap((drill) => drill.registers.map((register) => ({ drill, register })))),
				fc.nat(1e6),
				fc.double({ min: 0, max: 1, noNaN: true }),
				({ drill, register }, seed, share) => {
					const { smallest, largest } = register.task;
					const size = smallest * (largest / smallest) ** share;
					const { sounds, right } = drill.trial(strings, register, size, createRandom(seed));
					expect(sounds).toHaveLength(drill.choices);
					expect(register.task.guess).toBeCloseTo(1 / drill.choices, 12);
					const others = sounds.filter((_, i) => i !== right);
					for (const other of others) {
						expect(other).toEqual(others[0]);
						expect(other).not.toEqual(sounds[right]);
						const [{ voices }] = other;
						expect(voices[0].note).toBeGreaterThanOrEqual(register.lowest);
						expect(voices[0].note).toBeLessThanOrEqual(register.highest);
					}
				}
			)
		);
		const places = [0, 0, 0];
		for (let seed = 0; seed < 300; seed++)
			places[SIZES.trial(strings, SIZES.registers[0], 1, createRandom(seed)).right]++;
		// A third each: 300 draws scatter by 8.
		for (const count of places) expect(Math.abs(count - 100)).toBeLessThan(35);
	});

	it('is within 0.02 cent of what is asked, measured from the samples', () => {
		const sampleRate = 48_000;
		for (const register of SIZES.registers)
			for (const size of [0.5, 1, 2, 5]) {
				const { sounds, right } = SIZES.trial(strings, register, size, createRandom(7));
				const [chord] = sounds[right];
				// Each string by itself: what is added is the sum of both.
				const [clean, moved] = chord.voices.map((voice) => {
					const sound = renderPassage([{ ...chord, voices: [voice] }], sampleRate, 1);
					const about = partialHz(voice.string, 1);
					const rough = frequencyNear(sound, sampleRate, about, 0.1, 0.05);
					return frequencyNear(sound, sampleRate, rough, 0.1, 1.2);
				});
				expect(Math.abs(Math.abs(centsBetween(hz(clean), hz(moved))) - size)).toBeLessThan(0.02);
			}
	});

	it('is pure at the coincidence by which octaves are set there, or off it by what is asked', () => {
		for (const [id, p, q] of [
			['bass', 6, 3],
			['middle', 4, 2],
			['treble', 2, 1]
		] as const) {
			const register = OCTAVES_DRILL.registers.find((each) => each.id === id)!;
			const { sounds, right } = OCTAVES_DRILL.trial(strings, register, 1.7, createRandom(5));
			sounds.forEach(([{ voices }], i) => {
				const off = centsBetween(partialHz(voices[0].string, p), partialHz(voices[1].string, q));
				expect(Math.abs(off)).toBeCloseTo(i === right ? 1.7 : 0, 9);
			});
		}
	});

	it('beats as much faster as is asked', () => {
		for (const register of RATES.registers) {
			const { sounds, right } = RATES.trial(strings, register, 0.3, createRandom(3));
			const [p, q] = register.id === 'quick' ? [5, 4] : [3, 2];
			const rates = sounds.map(([{ voices }]) => partialHz(voices[1].string, q) - partialHz(voices[0].string, p));
			expect(rates[right] / rates[1 - right]).toBeCloseTo(1.3, 9);
			expect(Math.sqrt(rates[0] * rates[1])).toBeGreaterThan(register.id === 'quick' ? 5.9 : 0.84);
		}
	});
});

describe('the ear of bearing plans from thresholds', () => {
	it('is what an ear with that scatter would show', () => {
		// By trial: judgements of two rates, each with its own scatter, and how often the faster one seems so.
		const random = createRandom(11);
		const ear = earFromRates(0.2, 0.3, DEFAULT_EAR.bias);
		for (const [threshold, rate, scatter] of [
			[0.2, 7, ear.share],
			[0.3, 1, ear.floor]
		]) {
			let right = 0;
			for (let i = 0; i < 20_000; i++) {
				const judged = [rate * (1 + threshold), rate].map((each) => Math.log(each) + scatter * random.normal());
				if (judged[0] > judged[1]) right++;
			}
			// 20,000 draws scatter by 0.003.
			expect(right / 20_000).toBeCloseTo(0.5 + 0.5 * (1 - Math.exp(-1)), 2);
		}
		expect(ear.bias).toBe(DEFAULT_EAR.bias);
	});
});
