import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderLastingTone, STEADY_REED } from '../../sounding/reed';
import { heldBeat, octavePartner } from './heldInterval';

const RATE = 24_000;
const SECONDS = 2;
const two = (lower: number, upper: number, seed: number, noise = 40) => {
	const of = { ...STEADY_REED, seconds: SECONDS + 0.8, noise };
	const one = renderLastingTone({ ...of, pitch: lower, seed }, RATE);
	const other = renderLastingTone({ ...of, pitch: upper, seed: seed + 1 }, RATE);
	return one.map((value, i) => value + other[i]).subarray(0.4 * RATE, (0.4 + SECONDS) * RATE);
};
const MEETINGS = [
	[6, 5],
	[5, 4],
	[4, 3],
	[3, 2],
	[5, 3]
] as const;

describe('two tones that last', () => {
	it('beat as they were made: within a twentieth below C4, more above, and the sense is right', () => {
		const random = createRandom(2);
		for (let note = 43; note <= 76; note += 8)
			for (const [p, q] of MEETINGS) {
				const lower = 440 * 2 ** ((note - 69) / 12);
				const beat = 4 * (random.uniform() - 0.5);
				const upper = (p * lower + beat) / q;
				const heard = heldBeat(two(lower, upper, note), RATE, lower * 1.003, upper * 0.998, [p, q])!;
				const most = note < 60 ? 0.05 : note < 72 ? 0.15 : 0.3;
				expect(Math.abs(heard.rate - beat)).toBeLessThan(most);
				if (Math.abs(beat) > 0.3) expect(heard.sense).toBe(beat > 0 ? 'wide' : 'narrow');
			}
	});

	it('an octave apart have no harmonics of the upper one’s own: the difference is told by how the even ones turn', () => {
		const random = createRandom(3);
		for (let note = 48; note <= 72; note += 3) {
			const lower = 440 * 2 ** ((note - 69) / 12);
			const difference = (random.uniform() < 0.5 ? -1 : 1) * (0.5 + 2 * random.uniform());
			const sound = two(lower, 2 * lower + difference, note);
			expect(heldBeat(sound, RATE, lower, 2 * lower, [2, 1])).toBeUndefined();
			const partner = octavePartner(sound, RATE, lower * 1.001)!;
			expect(Math.abs(partner.rate - difference)).toBeLessThan(note < 60 ? 0.05 : 0.15);
			expect(partner.sense).toBe(difference > 0 ? 'wide' : 'narrow');
		}
	});

	it('are not heard where one sounds alone', () => {
		for (let note = 48; note <= 76; note += 4) {
			const pitch = 440 * 2 ** ((note - 69) / 12);
			const wobbling = { ...STEADY_REED, wobble: { cents: 1.5, rate: 4 }, seconds: 2.8, pitch, seed: note };
			const alone = renderLastingTone(wobbling, RATE).subarray(0.4 * RATE, 2.4 * RATE);
			expect(octavePartner(alone, RATE, pitch)).toBeUndefined();
		}
	});
});
