import type { Track } from './player.svelte';

/** Parts of a sound quieter than that share of its loudest part say nothing of how loud it is. */
const GATE = 0.1;
const PART_SECONDS = 0.1;
/** No sample goes beyond that. */
const FULL = 0.95;

/** Root mean square of the parts of a sound in which something sounds. */
export function loudness({ samples, sampleRate }: Track): number {
	const size = Math.max(1, Math.round(PART_SECONDS * sampleRate));
	const parts: number[] = [];
	for (let from = 0; from < samples.length; from += size) {
		const part = samples.subarray(from, from + size);
		parts.push(part.reduce((sum, value) => sum + value * value, 0) / part.length);
	}
	const loudest = Math.max(...parts, 0);
	const sounding = parts.filter((power) => power > GATE ** 2 * loudest);
	return sounding.length ? Math.sqrt(sounding.reduce((sum, power) => sum + power, 0) / sounding.length) : 0;
}

/** Two sounds as loud as each other: as loud as the quieter one can be made without being cut off. */
export function levelMatched(tracks: readonly Track[]): readonly Track[] {
	const measured = tracks.map((track) => ({
		track,
		level: loudness(track),
		peak: track.samples.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-9)
	}));
	const audible = measured.filter(({ level }) => level > 0);
	// The level that each could reach with its own peak at full scale; the least of them is in reach of all.
	const level = Math.min(...audible.map((each) => (FULL * each.level) / each.peak));
	return measured.map(({ track, level: own }) =>
		own > 0 ? { ...track, samples: track.samples.map((value) => (value * level) / own) } : track
	);
}
