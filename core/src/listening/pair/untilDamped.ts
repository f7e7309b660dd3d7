/** Level is followed by frames of that length, in seconds. */
const FRAME = 0.025;
/** Dampers take so many decibels in so many frames; no string falls like that by itself. */
const FALL_DB = 8;
const FRAMES = 6;
/** Beats swell again; what dampers have taken does not come back. */
const BACK_DB = 6;

/** How many of the samples sound freely: up to where dampers fell, or all of them. @param from where a strike's own fall is over */
export function untilDamped(samples: Float32Array, sampleRate: number, from: number): number {
	const size = Math.round(FRAME * sampleRate);
	const levels: number[] = [];
	for (let at = from; at + size <= samples.length; at += size) {
		let power = 0;
		for (let i = at; i < at + size; i++) power += samples[i] ** 2;
		levels.push(10 * Math.log10(power / size + 1e-14));
	}
	// The loudest that comes after each frame.
	const later = new Float64Array(levels.length + 1).fill(-Infinity);
	for (let i = levels.length - 1; i >= 0; i--) later[i] = Math.max(levels[i], later[i + 1]);
	for (let i = 0; i + FRAMES < levels.length; i++)
		if (levels[i] - levels[i + FRAMES] > FALL_DB && later[i + FRAMES] < levels[i] - BACK_DB) return from + i * size;
	return samples.length;
}
