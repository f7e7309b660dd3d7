import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { createRandom } from '../numeric/random';
import { renderPassage, type Chord } from '../sounding/passage';
import { noteName } from '../units/note';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { centsBetween, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { DEFAULT_EAR } from '../bearing/ear';
import { DRILLS } from './drills';
import { COMMAS, DIESES } from './commas';
import { leanOf } from './lean';
import { OCTAVES_DRILL, WIDE_OR_NARROW } from './octaves';
import { PARTIALS } from './partials';
import { STAIRCASE } from './staircase';
import type { Trial } from './threshold';
import { choicesOf } from './drill';
import { earFromRates, RATES } from './rates';
import { SIZES } from './sizes';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), typicalInharmonicity('upright', note));

/** Partials that coincide, by semitones: of the lower note, and of the upper one. */
const COINCIDES: Readonly<Record<number, readonly [number, number]>> = {
	...{ 3: [6, 5], 4: [5, 4], 7: [3, 2], 9: [5, 3], 16: [5, 2], 28: [5, 1] }
};

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

const CHOICES = DRILLS.filter((drill) => drill.kind === 'choice');
const numbered = CHOICES.flatMap((drill) => drill.registers.map((register) => ({ drill, register })));

describe('what drills play', () => {
	it('is on notes of the register and what it says lies above, with the right answer among those there are', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...numbered),
				fc.nat(1e6),
				fc.double({ min: 0, max: 1, noNaN: true }),
				({ drill, register }, seed, share) => {
					const { smallest, largest, guess } = register.task;
					const size = smallest * (largest / smallest) ** share;
					const { sounds, right, before = 0, way } = drill.trial(strings, register, size, createRandom(seed));
					expect(guess).toBeCloseTo(1 / choicesOf(register), 12);
					expect(right).toBeLessThan(choicesOf(register));
					if (register.answers) expect(register.answers).toHaveLength(choicesOf(register));
					else expect(sounds).toHaveLength(before + choicesOf(register));
					// Who answers by a name has a sense to lean to, or names a note.
					if (way) expect(right).toBe(way > 0 ? 1 : 0);
					for (const { note } of sounds.flat().flatMap(({ voices }) => voices)) {
						expect(note).toBeGreaterThanOrEqual(register.lowest - drill.reach.below);
						expect(note).toBeLessThanOrEqual(register.highest + drill.reach.above);
					}
				}
			)
		);
	});

	it('is one sound that differs among others that do not, anywhere among them', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(
					...numbered.filter(({ drill }) => ['sizes', 'octaves', 'commas', 'partials'].includes(drill.id))
				),
				fc.nat(1e6),
				({ drill, register }, seed) => {
					const { sounds, right, before = 0 } = drill.trial(strings, register, register.task.usual, createRandom(seed));
					const chosen = sounds.slice(before);
					const others = chosen.filter((_, i) => i !== right);
					for (const other of others) {
						expect(other).toEqual(others[0]);
						expect(other).not.toEqual(chosen[right]);
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
			const rates = sounds.map(([{ voices }]) => {
				const [p, q] = COINCIDES[voices[1].note - voices[0].note];
				return partialHz(voices[1].string, q) - partialHz(voices[0].string, p);
			});
			expect(rates[right] / rates[1 - right]).toBeCloseTo(1.3, 9);
			expect(Math.sqrt(rates[0] * rates[1])).toBeGreaterThan(register.id === 'slow' ? 0.84 : 3.3);
		}
	});
});

describe('an octave and its test', () => {
	it('has the faster side of the test pair say which way it is, whatever its size', () => {
		for (const register of WIDE_OR_NARROW.registers)
			for (let seed = 0; seed < 40; seed++) {
				const { sounds, way } = WIDE_OR_NARROW.trial(strings, register, 1, createRandom(seed));
				const [octave, ...tests] = sounds.map(([{ voices }]) => voices);
				const [p, q] = register.id === 'middle' ? [4, 2] : [6, 3];
				expect(centsBetween(partialHz(octave[0].string, p), partialHz(octave[1].string, q))).toBeCloseTo(way!, 6);
				const [inner, outer] = tests.map((voices) => {
					const [low, high] = [...voices].sort((a, b) => a.note - b.note);
					const [r, s] = COINCIDES[high.note - low.note];
					return Math.abs(partialHz(high.string, s) - partialHz(low.string, r));
				});
				expect(Math.sign(outer - inner)).toBe(way);
			}
	});
});

describe('a staircase', () => {
	it('has one step out where a step is asked for, and the named note in two of them', () => {
		for (const register of STAIRCASE.registers)
			for (let seed = 0; seed < 40; seed++) {
				const { sounds, right, moved } = STAIRCASE.trial(strings, register, 3, createRandom(seed));
				const thirds = sounds.flat();
				const out = thirds.flatMap(({ voices }, i) => (voices.some(({ note }) => note === moved!.note) ? [i] : []));
				if (register.id === 'step') expect(out).toEqual([right]);
				else {
					expect(out).toHaveLength(2);
					expect(noteName(moved!.note)).toBe(register.answers![right]);
				}
				for (const { voices } of thirds)
					for (const { note, string } of voices) {
						const off = centsBetween(partialHz(strings(note), 1), partialHz(string, 1));
						expect(off).toBeCloseTo(note === moved!.note ? 3 * moved!.way : 0, 9);
					}
			}
	});
});

describe('thirds that do not come round', () => {
	it('fall short of an octave by 41.06 cents, or exceed it by 62.57, where they are pure', () => {
		expect(DIESES.major).toBeCloseTo(41.06, 2);
		expect(DIESES.minor).toBeCloseTo(62.57, 2);
		// Ideal strings: the first partials are all there is.
		const ideal = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), 0);
		for (const register of COMMAS.registers) {
			const { sounds, right } = COMMAS.trial(ideal, register, register.task.largest, createRandom(9));
			const size = ({ voices: [a, b] }: Chord) => centsBetween(partialHz(a.string, 1), partialHz(b.string, 1));
			const [pure] = register.id === 'major' ? [1200 * Math.log2(5 / 4)] : [1200 * Math.log2(6 / 5)];
			sounds.forEach((chords, i) => {
				const thirds = chords.slice(0, -1).map(size);
				const octave = size(chords.at(-1)!);
				for (const third of thirds) expect(third).toBeCloseTo(i === right ? pure : 1200 / thirds.length, 6);
				expect(octave).toBeCloseTo(
					thirds.reduce((sum, third) => sum + third, 0),
					6
				);
			});
		}
	});
});

describe('a partial', () => {
	it('is heard alone, and is the only thing that is louder in one of three', () => {
		const sampleRate = 16_000;
		const level = (sound: Float32Array, frequency: number) => {
			let [re, im] = [0, 0];
			for (let i = 0; i < sound.length; i++) {
				re += sound[i] * Math.cos((2 * Math.PI * frequency * i) / sampleRate);
				im += sound[i] * Math.sin((2 * Math.PI * frequency * i) / sampleRate);
			}
			return Math.hypot(re, im);
		};
		const [register] = PARTIALS.registers;
		const { sounds, right } = PARTIALS.trial(strings, register, 12, createRandom(3));
		const [plain, louder] = [sounds[1 + ((right + 1) % 3)], sounds[1 + right]].map(([one]) => {
			const sound = renderPassage([one], sampleRate, 1);
			const { partial } = one.voices[0].partials!;
			return [partial, partial + 1, partial + 2].map((n) => level(sound, partialHz(one.voices[0].string, n)));
		});
		const gain = (i: number) => 20 * Math.log10(louder[i] / plain[i]);
		// The whole is brought to the same peak: only what is louder than the others counts.
		expect(gain(0) - gain(1)).toBeCloseTo(12, 0);
		expect(gain(1) - gain(2)).toBeCloseTo(0, 0);
	});
});

describe('a lean', () => {
	it('is found where it is, and is none where there is none', () => {
		const random = createRandom(5);
		for (const lean of [-2.5, 0, 2]) {
			const trials = Array.from({ length: 120 }, (): Trial => {
				const size = 0.5 + 8 * random.uniform();
				const way = random.uniform() < 0.5 ? -1 : 1;
				const saysSharp = way * size + lean + 2.5 * random.normal() > 0;
				return { size, way, isRight: saysSharp === way > 0 };
			});
			const found = leanOf(trials, 3)!;
			expect(Math.abs(found.value - lean)).toBeLessThan(1.2);
			expect(found.low).toBeLessThanOrEqual(lean);
			expect(found.high).toBeGreaterThanOrEqual(lean);
		}
		expect(leanOf([{ size: 1, isRight: true }], 3)).toBeUndefined();
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
