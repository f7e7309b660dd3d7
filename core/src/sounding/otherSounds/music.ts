import { createRandom } from '../../numeric/random';
import { equalHz } from '../../units/pitch';
import { hz } from '../../units/quantity';
import { renderSteadyTone } from './steadyTone';
import { toLevel } from './voice';

/** Triads over a bass, in semitones. */
const CHORDS = [
	[0, 16, 19, 24],
	[0, 15, 19, 24],
	[0, 12, 16, 21],
	[0, 7, 16, 22]
] as const;
const BEAT_SECONDS = 0.45;

/** Music from a loudspeaker in the room: chords of tones that last, a tune over them. */
export function renderMusic(seconds: number, seed: number, sampleRate: number): Float32Array {
	const random = createRandom(seed);
	const pick = <T>(of: readonly T[]) => of[Math.floor(of.length * random.uniform())];
	const sound = new Float32Array(Math.round(seconds * sampleRate));
	const brightness = 0.45 + 0.35 * random.uniform();
	const add = (note: number, from: number, lasts: number, level: number) => {
		const pitch = equalHz(note, hz(440 * 2 ** ((random.uniform() - 0.5) / 30)));
		const harmonics = Array.from({ length: 10 }, (_, k) => brightness ** k);
		const tone = renderSteadyTone(
			{ pitch, harmonics, rise: 0.02 + 0.05 * random.uniform(), seconds: lasts, level, seed: seed + note },
			sampleRate
		);
		const start = Math.round(from * sampleRate);
		for (let i = 0; i < tone.length && start + i < sound.length; i++) sound[start + i] += tone[i];
	};
	const tonic = 40 + Math.floor(12 * random.uniform());
	for (let from = 0; from < seconds; from += 2 * BEAT_SECONDS) {
		const root = tonic + pick([0, 5, 7, 9]);
		for (const step of pick(CHORDS)) add(root + step, from, 2 * BEAT_SECONDS, 0.5);
		for (const half of [0, 1]) add(root + 24 + pick([0, 2, 4, 7]), from + half * BEAT_SECONDS, BEAT_SECONDS, 0.8);
	}
	return toLevel(sound, 0.15);
}
