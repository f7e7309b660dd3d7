import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centsBetween, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { partialHz } from '../strings/stiffString';
import { createRandom } from '../numeric/random';
import { measureTwin } from './measuredTwin';
import { strikePinned, turnPin, type PinnedString } from './pin';
import { defaultTwin, foundStrings, stringsOf, twinString, TWIN_A4 } from './simulatedInstrument';
import { decaySeconds } from '../strings/decay';
import { renderStrike } from './strike';

const twin = defaultTwin('upright', 21, 108, 5, 440);
const strike = { note: 69, strings: [twinString(twin, 69, 0)], sampleRate: 48_000, seconds: 1, strength: 0.8, seed: 1 };

describe('a strike', () => {
	it('is the same for the same seed and stays below full scale', () => {
		const sound = renderStrike(strike);
		expect(renderStrike(strike)).toEqual(sound);
		expect(Math.max(...sound.map(Math.abs))).toBeLessThan(1);
		expect(sound.every(Number.isFinite)).toBe(true);
	});

	it('dies away at the rate it states', () => {
		const rms = (sound: Float32Array, from: number) => {
			const part = sound.subarray(from * 48_000, (from + 0.1) * 48_000);
			return Math.sqrt(part.reduce((sum, sample) => sum + sample * sample, 0) / part.length);
		};
		// High in the treble one partial rules, so the whole falls as it does.
		const sound = renderStrike({ ...strike, note: 100, strings: [twinString(twin, 100, 0)] });
		const fall = Math.log(rms(sound, 0.2) / rms(sound, 0.5)) / 0.3;
		expect(fall * decaySeconds(100)).toBeCloseTo(1, 1);
	});

	it('sounds one to three strings', () => {
		expect(() => renderStrike({ ...strike, strings: [] })).toThrow('0 strings');
		expect(() => renderStrike({ ...strike, strings: Array(4).fill(strike.strings[0]) })).toThrow('4 strings');
	});
});

describe('a pin with friction', () => {
	const turns = fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { maxLength: 30 });

	it('never lets the speaking length stray further than the friction holds', () => {
		fc.assert(
			fc.property(turns, (list) => {
				const end = list.reduce<PinnedString>((string, by) => turnPin(string, by), { pin: 0, speaking: 0 });
				return Math.abs(end.pin - end.speaking) <= 1.2 + 1e-9;
			})
		);
	});

	it('ignores a small turn, follows a large one, and is evened out by strikes', () => {
		const still = { pin: 0, speaking: 0 };
		expect(turnPin(still, 1).speaking).toBe(0);
		const raised = turnPin(still, 5);
		expect(raised.speaking).toBeCloseTo(3.8, 9);
		let string = raised;
		for (let strike = 0; strike < 20; strike++) string = strikePinned(string, 1);
		expect(string.speaking).toBeCloseTo(5, 4);
	});
});

describe('an invented instrument', () => {
	it('is strung as its kind is', () => {
		expect([21, 40, 60].map((note) => stringsOf(twin, note))).toEqual([1, 2, 3]);
		expect(stringsOf(defaultTwin('harpsichord', 29, 89, 1, 415), 60)).toBe(1);
	});

	it('stands near the pitch it is kept at', () => {
		const low = defaultTwin('harpsichord', 29, 89, 1, 415);
		const [pitch] = foundStrings(low, 69);
		expect(Math.abs(pitch - centsBetween(TWIN_A4, hz(415)))).toBeLessThan(30);
		expect(foundStrings(low, 69)).toEqual([pitch]);
	});

	it('is measured as the listener would, within its stated errors', () => {
		const random = createRandom(8);
		const reading = measureTwin(twin, 60, -4, random);
		expect(Math.abs(centsBetween(equalHz(60, TWIN_A4), reading.pitch) + 4)).toBeLessThan(0.2);
		expect(reading.partials).toHaveLength(10);
		const string = twinString(twin, 60, -4);
		for (const { partial, frequency } of reading.partials)
			expect(Math.abs(centsBetween(partialHz(string, partial), frequency))).toBeLessThan(0.5);
	});
});
