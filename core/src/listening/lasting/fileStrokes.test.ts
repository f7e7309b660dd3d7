import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderSurroundings } from '../../sounding/otherSounds/surroundings';
import { renderLastingTone, STEADY_REED } from '../../sounding/reed';
import { FileStrokes } from './fileStrokes';

const RATE = 44_100;
/** Rasps of a file: noise that is high, swells and dies away, one stroke after the other. */
function filing(strokes: number, seed: number, seconds = 0.2, gap = 0.35): Float32Array {
	const random = createRandom(seed);
	const sound = new Float32Array(Math.round((0.5 + strokes * (seconds + gap)) * RATE));
	let before = 0;
	for (let i = 0; i < sound.length; i++) {
		const at = i / RATE - 0.3;
		const within = at >= 0 ? at % (seconds + gap) : Infinity;
		const loud = within < seconds && at < strokes * (seconds + gap) ? Math.sin((Math.PI * within) / seconds) : 0;
		const white = random.normal();
		sound[i] = 0.03 * loud * (white - 0.6 * before) + 2e-4 * random.normal();
		before = white;
	}
	return sound;
}
const count = (sound: Float32Array) => {
	const listener = new FileStrokes(RATE);
	let strokes = 0;
	for (let from = 0; from < sound.length; from += 1024) strokes += listener.push(sound.subarray(from, from + 1024));
	return strokes;
};

describe('strokes of a file', () => {
	it('are counted one by one, short or long, quick or slow', () => {
		for (const [seed, strokes] of [
			[1, 1],
			[2, 4],
			[3, 9]
		] as const) {
			expect(count(filing(strokes, seed))).toBe(strokes);
			expect(count(filing(strokes, seed, 0.1, 0.2))).toBe(strokes);
			expect(count(filing(strokes, seed, 0.45, 0.3))).toBe(strokes);
		}
	});

	it('are not heard in reeds, hum, or silence', () => {
		expect(count(new Float32Array(RATE))).toBe(0);
		for (const pitch of [196, 523, 1568])
			expect(count(renderLastingTone({ ...STEADY_REED, pitch, noise: 25, seed: 3 }, RATE))).toBe(0);
		expect(count(renderSurroundings('mains', 4, 5, RATE)!)).toBe(0);
		expect(count(renderSurroundings('fan', 4, 5, RATE)!)).toBe(0);
	});
});
