/** What a cue tells: it holds, it must go up or down, or nothing that a tone could say. */
export type Cue = 'holds' | 'raise' | 'lower' | 'none';

/** Two short tones a fifth apart: upwards it holds; one alone, high: raise; one alone, low: lower. In Hz. */
const TONES: Record<Cue, readonly number[]> = { holds: [660, 990], raise: [990], lower: [440], none: [] };
const TONE_SECONDS = 0.16;
const LEVEL = 0.25;
const EDGE_SECONDS = 0.02;

/** A cue as sound; undefined where it has none. */
export function cueSamples(cue: Cue, sampleRate: number): Float32Array<ArrayBuffer> | undefined {
	const tones = TONES[cue];
	if (tones.length === 0) return undefined;
	const each = Math.round(TONE_SECONDS * sampleRate);
	const edge = EDGE_SECONDS * sampleRate;
	return Float32Array.from({ length: each * tones.length }, (_, i) => {
		const at = i % each;
		const swell = Math.min(1, at / edge, (each - at) / edge);
		return LEVEL * swell * Math.sin((2 * Math.PI * tones[Math.floor(i / each)] * at) / sampleRate);
	});
}
