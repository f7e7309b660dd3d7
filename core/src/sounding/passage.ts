import type { StiffString } from '../strings/stiffString';
import { renderStrike, type PartialGains, type StringMotion } from './strike';

/** A string that sounds. */
export interface PassageVoice {
	readonly note: number;
	readonly string: StiffString;
	/** One partial louder, or alone. */
	readonly partials?: PartialGains;
	/** An ideal string unless given. */
	readonly motion?: StringMotion;
}

/** Notes struck together, within a passage. */
export interface Chord {
	/** Seconds from the passage's start. */
	readonly at: number;
	/** Seconds until the dampers fall. */
	readonly seconds: number;
	readonly voices: readonly PassageVoice[];
}

/** Time in which the dampers silence a chord. */
const DAMP_SECONDS = 0.08;
/** How hard the keys are struck: as one plays, not as one tests. */
const STRENGTH = 0.5;

/** A passage's chords as one sound, loudest at 0.8 of full scale. @throws RangeError when there is nothing to sound */
export function renderPassage(chords: readonly Chord[], sampleRate: number, seed: number): Float32Array<ArrayBuffer> {
	if (!chords.some(({ voices }) => voices.length > 0)) throw new RangeError('renderPassage: no chord to sound');
	const end = Math.max(...chords.map(({ at, seconds }) => at + seconds + DAMP_SECONDS));
	const sound = new Float32Array(Math.ceil(end * sampleRate));
	chords.forEach(({ at, seconds, voices }, c) => {
		const start = Math.round(at * sampleRate);
		const held = seconds * sampleRate;
		const damp = DAMP_SECONDS * sampleRate;
		voices.forEach(({ note, string, partials, motion }, v) => {
			const strike = renderStrike({
				note,
				strings: [string],
				sampleRate,
				seconds: seconds + DAMP_SECONDS,
				strength: STRENGTH,
				seed: seed + 97 * c + v,
				...{ partials, motion }
			});
			for (let i = 0; i < strike.length && start + i < sound.length; i++)
				sound[start + i] += strike[i] * (i < held ? 1 : Math.max(0, 1 - (i - held) / damp));
		});
	});
	const loudest = sound.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
	return loudest > 0 ? sound.map((sample) => (0.8 * sample) / loudest) : sound;
}
