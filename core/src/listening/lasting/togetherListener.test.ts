import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { renderLastingTone, STEADY_REED, type LastingTone } from '../../sounding/reed';
import { TogetherListener, type Together, type TogetherEvent } from './togetherListener';

const RATE = 44_100;
const mix = (tones: readonly Partial<LastingTone>[]) => {
	const all = tones.map((tone, i) =>
		renderLastingTone({ ...STEADY_REED, noise: 38, seconds: 2.4, pitch: 262, seed: 7 + i, ...tone }, RATE)
	);
	const silence = 0.4 * RATE;
	return Float32Array.from({ length: all[0].length + 2 * silence }, (_, i) =>
		all.reduce((sum, tone) => sum + (tone[i - silence] ?? 0), 0)
	);
};
function hear(asked: Together, sound: Float32Array): TogetherEvent[] {
	const listener = new TogetherListener(RATE, asked);
	const events: TogetherEvent[] = [];
	for (let from = 0; from < sound.length; from += 1024)
		events.push(...listener.push(sound.subarray(from, from + 1024)));
	return events.filter(({ kind }) => kind !== 'level');
}
const cents = (pitch: number, by: number) => pitch * 2 ** (by / 1200);

describe('tones that sound together', () => {
	it('tell the beats of a triad, pair by pair, as its pitches have them', () => {
		const random = createRandom(4);
		for (let times = 0; times < 6; times++) {
			const pitches = [1, 5 / 4, 3 / 2].map((ratio) => cents(330 * ratio, 8 * random.normal()));
			const pairs = [
				{ lower: 0, upper: 1, partials: [5, 4] },
				{ lower: 1, upper: 2, partials: [6, 5] },
				{ lower: 0, upper: 2, partials: [3, 2] }
			] as const;
			const asked = { tones: [330, 412.5, 495], pairs };
			const [begun, told] = hear(asked, mix(pitches.map((pitch) => ({ pitch }))));
			expect(begun.kind).toBe('begun');
			if (told.kind !== 'beats') throw new Error(told.kind);
			pairs.forEach(({ lower, upper, partials: [p, q] }, i) => {
				const true_ = q * pitches[upper] - p * pitches[lower];
				// A fifth of a beat, where three tones share few harmonics; the bench has the figures.
				expect(Math.abs(told.beats[i]!.rate - true_)).toBeLessThan(0.2);
				if (Math.abs(true_) > 0.5) expect(told.beats[i]!.sense).toBe(true_ > 0 ? 'wide' : 'narrow');
			});
		}
	});

	it('tell the beat of an octave and its sense; a still one is slower than can be told', () => {
		const asked = { tones: [262, 524], pairs: [{ lower: 0, upper: 1, partials: [2, 1] }] } as const;
		const beatOf = (pitch: number) => {
			const told = hear(asked, mix([{ pitch: 262 }, { pitch }])).at(-1)!;
			return told.kind === 'beats' ? told.beats[0]! : undefined;
		};
		expect(beatOf(524 + 1.2)).toMatchObject({ sense: 'wide', rate: expect.closeTo(1.2, 1) });
		expect(beatOf(524 - 0.8)).toMatchObject({ sense: 'narrow', rate: expect.closeTo(-0.8, 1) });
		const still = beatOf(524)!;
		expect([still.sense, still.error < 0.5]).toEqual([undefined, true]);
	});

	it('are refused when they are others, break off, or are too short', () => {
		const asked = { tones: [330, 412.5], pairs: [{ lower: 0, upper: 1, partials: [5, 4] }] } as const;
		const noise = createRandom(3);
		const breath = Float32Array.from({ length: 3 * RATE }, (_, k) =>
			k > 0.3 * RATE && k < 2.3 * RATE ? 0.05 * noise.normal() : 0
		);
		expect(hear(asked, breath).at(-1)).toMatchObject({ kind: 'refused', why: 'not these' });
		expect(hear(asked, mix([{ pitch: 330, seconds: 0.9 }])).at(-1)).toMatchObject({ why: 'too short' });
		const listener = new TogetherListener(RATE, asked);
		listener.push(mix([{ pitch: 330 }]).subarray(0, RATE));
		expect(listener.lose()).toMatchObject([{ why: 'interrupted' }]);
		expect(listener.lose()).toEqual([]);
	});
});
