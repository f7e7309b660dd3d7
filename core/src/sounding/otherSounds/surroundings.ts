import { createRandom } from '../../numeric/random';
import { renderMusic } from './music';
import { mainsSwitchedOn, renderSteadyTone, TELEPHONE } from './steadyTone';
import { renderVoice, toLevel } from './voice';

/** What there is about a simulated instrument, or how it is struck, that makes listening harder. */
export const SURROUNDINGS = [
	{ id: 'quiet', isHeard: false, name: 'quiet room' },
	{ id: 'speech', isHeard: true, name: 'someone speaks' },
	{ id: 'singing', isHeard: true, name: 'someone sings' },
	{ id: 'music', isHeard: true, name: 'music plays' },
	{ id: 'telephone', isHeard: true, name: 'a telephone hums' },
	{ id: 'mains', isHeard: true, name: 'the mains hum' },
	{ id: 'fan', isHeard: true, name: 'a fan runs' },
	{ id: 'undamped', isHeard: false, name: 'dampers lifted' },
	{ id: 'loud', isHeard: false, name: 'played too loud' },
	{ id: 'gaps', isHeard: false, name: 'sound drops out' }
] as const;
export type Surroundings = (typeof SURROUNDINGS)[number]['id'];

const LEVEL = 0.05;
/** Semitones of pitches in which people speak and sing, above 100 Hz. */
const VOICE_SPAN = 14;

/** Seconds of what is heard besides the instrument, full scale 1. @returns undefined when there is nothing to hear */
export function renderSurroundings(
	surroundings: Surroundings,
	seconds: number,
	seed: number,
	sampleRate: number
): Float32Array<ArrayBuffer> | undefined {
	const random = createRandom(seed);
	const tone = (of: { pitch: number; harmonics: readonly number[]; rise: number }) =>
		renderSteadyTone({ ...of, seconds, level: LEVEL, seed }, sampleRate);
	const voice = (manner: 'spoken' | 'sung') =>
		renderVoice({ pitch: 100 * 2 ** ((VOICE_SPAN * random.uniform()) / 12), manner, seconds, seed }, sampleRate);
	const made = (): Float32Array | undefined => {
		switch (surroundings) {
			case 'speech':
				return voice('spoken');
			case 'singing':
				return voice('sung');
			case 'music':
				return renderMusic(seconds, seed, sampleRate);
			case 'telephone':
				return tone(TELEPHONE);
			case 'mains':
				return tone(mainsSwitchedOn(50));
			case 'fan': {
				const blades = tone({ pitch: 95, harmonics: [1, 0.5, 0.25], rise: 0.2 });
				return blades.map((sample) => sample + 0.5 * LEVEL * random.normal());
			}
			default:
				return undefined;
		}
	};
	const sound = made();
	return sound && new Float32Array(toLevel(sound, LEVEL));
}
