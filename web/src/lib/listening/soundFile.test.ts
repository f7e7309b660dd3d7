import { describe, expect, it } from 'vitest';
import { WaveFile } from 'wavefile';
import { soundFile } from './soundFile';

const RATE = 48_000;
const sine = (size: number) =>
	Float32Array.from({ length: RATE / 10 }, (_, i) => size * Math.sin((2 * Math.PI * 440 * i) / RATE));

describe('a strike as a file', () => {
	it('holds the sound in sixteen bits, at its rate, and clips nothing', async () => {
		for (const size of [0.5, 3]) {
			const samples = sine(size);
			const file = new WaveFile(new Uint8Array(await soundFile({ samples, sampleRate: RATE }).arrayBuffer()));
			const { sampleRate, bitsPerSample } = file.fmt as { sampleRate: number; bitsPerSample: number };
			expect([sampleRate, bitsPerSample]).toEqual([RATE, 16]);
			const read = file.getSamples() as unknown as Float64Array;
			expect(read.length).toBe(samples.length);
			const gain = Math.min(1, 0.9 / size);
			// Half a step of sixteen bits.
			for (let i = 0; i < read.length; i += 37)
				expect(Math.abs(read[i] / 32_767 - gain * samples[i])).toBeLessThan(2e-5);
		}
	});
});
