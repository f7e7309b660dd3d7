import { describe, expect, it } from 'vitest';
import { addRoom, USUAL_ROOM } from './room';

const RATE = 16_000;
const level = (sound: Float32Array) =>
	10 * Math.log10(sound.reduce((sum, value) => sum + value * value, 0) / sound.length);
/** Power about a frequency, by correlation. */
const at = (sound: Float32Array, hz: number) => {
	let [re, im] = [0, 0];
	sound.forEach((value, i) => {
		re += value * Math.cos((2 * Math.PI * hz * i) / RATE);
		im += value * Math.sin((2 * Math.PI * hz * i) / RATE);
	});
	return 20 * Math.log10((2 * Math.hypot(re, im)) / sound.length);
};
const quiet = { microphoneDb: -Infinity, backgroundDb: -Infinity, seed: 4 };

describe('a room', () => {
	it('adds noise at the levels that are asked for', () => {
		for (const change of [{ microphoneDb: -60 }, { backgroundDb: -50 }]) {
			const sound = new Float32Array(2 * RATE);
			addRoom(sound, RATE, { ...quiet, ...change });
			expect(level(sound)).toBeCloseTo(Object.values(change)[0], 0);
		}
	});

	it('has a background that falls towards the treble', () => {
		const sound = new Float32Array(4 * RATE);
		addRoom(sound, RATE, { ...quiet, backgroundDb: -30 });
		const band = (from: number) =>
			10 *
			Math.log10(Array.from({ length: 40 }, (_, i) => 10 ** (at(sound, from + 1.7 * i) / 10)).reduce((a, b) => a + b));
		// Three octaves at 3 dB each; forty bins leave about 1 dB of chance.
		expect(band(200) - band(1600)).toBeGreaterThan(5);
		expect(band(200) - band(1600)).toBeLessThan(14);
	});

	it('hums at the mains and its multiples', () => {
		const sound = new Float32Array(RATE);
		addRoom(sound, RATE, { ...quiet, hum: { mains: 60, db: -40 } });
		expect(at(sound, 60)).toBeCloseTo(-40 + 3.01, 1);
		expect(at(sound, 120)).toBeCloseTo(-40 + 3.01 + 20 * Math.log10(0.6), 1);
		expect(at(sound, 90)).toBeLessThan(-80);
	});

	it('goes on sounding after the sound, for the time that is asked for', () => {
		const sound = new Float32Array(2 * RATE);
		for (let i = 0; i < RATE / 10; i++) sound[i] = Math.sin(i / 3);
		addRoom(sound, RATE, { ...quiet, echo: { seconds: 0.5, db: -6 } });
		const part = (from: number) => level(sound.subarray(from * RATE, (from + 0.1) * RATE));
		expect(part(0.2) - part(0.5)).toBeCloseTo(36, -1);
	});

	it('comes out the same for the same seed', () => {
		const [one, two] = [new Float32Array(1000), new Float32Array(1000)];
		addRoom(one, RATE, USUAL_ROOM);
		addRoom(two, RATE, USUAL_ROOM);
		expect([...one]).toEqual([...two]);
	});
});
