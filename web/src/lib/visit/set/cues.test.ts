import { describe, expect, it } from 'vitest';
import { cueSamples } from './cueSound';
import { spokenCue, spokenNote } from './spoken';

describe('cues', () => {
	it('are spoken as a colleague would', () => {
		expect(spokenNote(61)).toBe('C sharp 4');
		expect(spokenCue(57, 'raise', -3.4, 57)).toBe('Raise A 3, 3 cents.');
		expect(spokenCue(57, 'lower', 1.24, 57)).toBe('Lower A 3, 1.2 cents.');
		expect(spokenCue(57, 'holds', 0.1, 62)).toBe('A 3 holds. Next: D 4.');
		expect(spokenCue(57, 'none', undefined, 57)).toBe('');
	});

	it('sound from silence to silence, never louder than a quiet voice', () => {
		for (const cue of ['holds', 'raise', 'lower'] as const) {
			const samples = cueSamples(cue, 48_000)!;
			expect(Math.max(...samples.map(Math.abs))).toBeLessThanOrEqual(0.25);
			expect(Math.abs(samples[0])).toBe(0);
			expect(Math.abs(samples.at(-1)!)).toBeLessThan(0.01);
		}
		expect(cueSamples('none', 48_000)).toBeUndefined();
	});

	it('go up where the string must, and down where it must', () => {
		const crossings = (cue: 'raise' | 'lower') =>
			cueSamples(cue, 48_000)!.filter((value, i, all) => i > 0 && value >= 0 !== all[i - 1] >= 0).length;
		expect(crossings('raise')).toBeGreaterThan(2 * crossings('lower'));
	});
});
