import { createRandom, type Random } from '../numeric/random';
import { decaySeconds } from '../strings/decay';
import { partialHz, type StiffString } from '../strings/stiffString';
import { addOscillators, type Glide, type Oscillator } from './oscillators';

/** How strings move when they are not ideal: all of it is left out unless asked for. */
export interface StringMotion {
	/** Strings of a note drive one bridge: together they fall faster, against each other slower (Weinreich 1977). */
	readonly coupled: boolean;
	/** Motion along the board rather than towards it: its share of the level, and how far it stands from the other, in cents. */
	readonly sideways: { readonly share: number; readonly cents: number };
	/** Level of the longitudinal mode, and of sums of neighbouring partials (Conklin 1999), in decibels; -Infinity: none. */
	readonly longitudinalDb: number;
	/** Level of the key's knock on its bed, in decibels. */
	readonly knockDb: number;
}

/** A string in good order in an ordinary instrument. */
export const USUAL_MOTION: StringMotion = {
	coupled: true,
	sideways: { share: 0.06, cents: 0 },
	longitudinalDb: -46,
	knockDb: -26
};

/** One partial brought out of a sound: factors on its level, and on that of all others. */
export interface PartialGains {
	readonly partial: number;
	readonly gain: number;
	readonly others: number;
}

/** A fork, or a tone like one: the first partial alone. */
export const PURE_TONE: PartialGains = { partial: 1, gain: 1, others: 0 };

/** One strike of a note, as it is to be made into sound. */
export interface Strike {
	/** Decides decay and brightness; the pitch comes from the strings. */
	readonly note: number;
	/** The strings left unmuted, one to three. */
	readonly strings: readonly StiffString[];
	readonly sampleRate: number;
	readonly seconds: number;
	/** 0 (softest) to 1 (a test blow). */
	readonly strength: number;
	readonly seed: number;
	/** Sharpness just after the strike. */
	readonly glide?: Glide;
	/** Ideal strings, each by itself, unless given. */
	readonly motion?: StringMotion;
	/** Of ideal strings alone. */
	readonly partials?: PartialGains;
}

const ATTACK_SECONDS = 0.003;
const HIGHEST_PARTIAL = 40;
const HIGHEST_HZ = 11_000;
/** Share of a string's loss that goes through the bridge; the rest stays in wire and air. */
const BRIDGE_SHARE = 0.6;
/** Motion along the board reaches it weakly and lasts. */
const SIDEWAYS_LOSS = 0.3;
/** A hammer strikes all strings of a note nearly at once. */
const PHASE_SCATTER = 0.15;
/** The key's knock on its bed: two resonances of the case, in Hz, and how long they ring. */
const KNOCK = [
	{ hz: 92, seconds: 0.045 },
	{ hz: 171, seconds: 0.03 }
] as const;
/** The longitudinal mode lies about so many times above the first partial and dies at once. */
const LONGITUDINAL = { ratio: 14.3, seconds: 0.06, highestPair: 7 } as const;

/** Level of partial n before normalising: strike point, hardness of the hammer, and a soundboard weak below 60 Hz. */
function partialLevel(note: number, partial: number, frequency: number, strength: number): number {
	const strikePoint = Math.abs(Math.sin((Math.PI * partial) / 7.6)) + 0.05;
	const rolloff = 0.1 * Math.exp(0.025 * (note - 21)) * (1.25 - 0.25 * strength);
	const board = frequency ** 2 / (frequency ** 2 + 60 ** 2);
	return strikePoint * Math.exp(-rolloff * (partial - 1)) * board;
}

/**
 * Additive synthesis of a struck note: inharmonic partials with decays of their own, one to three
 * strings, a burst of hammer noise; with `motion` also what real strings do besides. The loudest moment stays below
 * full scale.
 * @throws RangeError when no string, or more than three, is given
 */
export function renderStrike(strike: Strike): Float32Array<ArrayBuffer> {
	const { strings, sampleRate, seconds, strength, seed, motion } = strike;
	if (strings.length < 1 || strings.length > 3)
		throw new RangeError(`renderStrike: ${strings.length} strings given, 1 to 3 can sound`);
	const length = Math.round(seconds * sampleRate);
	const sound = new Float32Array(length);
	const random = createRandom(seed);
	const total = motion ? addMovingStrings(sound, strike, motion, random) : addIdealStrings(sound, strike, random);
	const scale = (0.25 + 0.45 * strength) / total;
	const attack = ATTACK_SECONDS * sampleRate;
	const noiseLength = 0.012 * sampleRate;
	for (let i = 0; i < length; i++) {
		const rise = i < attack ? i / attack : 1;
		const knock = i < 6 * noiseLength ? 0.04 * strength * Math.exp(-i / noiseLength) * random.normal() : 0;
		sound[i] = rise * (sound[i] * scale + knock);
	}
	if (motion) addKnock(sound, sampleRate, strength * 10 ** (motion.knockDb / 20), random);
	return sound;
}

/** The partials that sound, as long as they can be carried; the first one always. */
function soundingPartials(string: StiffString, sampleRate: number): { partial: number; frequency: number }[] {
	const limit = Math.min(0.45 * sampleRate, HIGHEST_HZ);
	return Array.from({ length: HIGHEST_PARTIAL }, (_, i) => ({
		partial: i + 1,
		frequency: partialHz(string, i + 1)
	})).filter(({ partial, frequency }) => partial === 1 || frequency <= limit);
}

const decayOf = (note: number, partial: number) => decaySeconds(note) / (1 + 0.07 * (partial - 1));

/** @returns the sum of all levels */
function addIdealStrings(sound: Float32Array, strike: Strike, random: Random): number {
	const { note, strings, sampleRate, strength, glide, partials } = strike;
	let total = 0;
	for (const string of strings)
		for (const { partial, frequency } of soundingPartials(string, sampleRate)) {
			const level = partialLevel(note, partial, frequency, strength);
			total += level;
			const phase = 2 * Math.PI * random.uniform();
			const gain = !partials ? 1 : partials.partial === partial ? partials.gain : partials.others;
			// What is brought out or left out does not change how loud the rest is.
			const one = { frequency, level: gain * level, loss: 1 / decayOf(note, partial), phase };
			if (gain > 0) addOscillators(sound, [one], { sampleRate, glide });
		}
	return total;
}

function addMovingStrings(sound: Float32Array, strike: Strike, motion: StringMotion, random: Random): number {
	const { note, strings, sampleRate, strength, glide } = strike;
	const { coupled, sideways, longitudinalDb } = motion;
	let total = 0;
	const levels: number[] = [];
	const partials = strings.map((string) => soundingPartials(string, sampleRate));
	for (const { partial, frequency } of partials[0]) {
		const level = partialLevel(note, partial, frequency, strength);
		levels.push(level);
		total += strings.length * level;
		const loss = 1 / decayOf(note, partial);
		const phase = 2 * Math.PI * random.uniform();
		const towards = partials.flatMap((each): Oscillator[] => {
			const own = each.find((other) => other.partial === partial);
			return own
				? [
						{
							frequency: own.frequency,
							level: (1 - sideways.share) * level,
							loss: coupled ? (1 - BRIDGE_SHARE) * loss : loss,
							phase: phase + PHASE_SCATTER * random.normal()
						}
					]
				: [];
		});
		const along = towards.map(({ frequency: own, phase: at }): Oscillator => ({
			frequency: own * 2 ** (sideways.cents / 1200),
			level: sideways.share * level,
			loss: SIDEWAYS_LOSS * loss,
			phase: at
		}));
		addOscillators(sound, towards, { sampleRate, glide, shared: coupled ? BRIDGE_SHARE * loss : 0 });
		if (sideways.share > 0) addOscillators(sound, along, { sampleRate, glide });
	}
	if (longitudinalDb > -Infinity) {
		const share = 10 ** (longitudinalDb / 20);
		const loss = 1 / LONGITUDINAL.seconds;
		const one = (frequency: number, level: number, fall: number) => {
			if (frequency < 0.45 * sampleRate)
				addOscillators(sound, [{ frequency, level, loss: fall, phase: 2 * Math.PI * random.uniform() }], {
					sampleRate,
					glide
				});
		};
		one(LONGITUDINAL.ratio * partials[0][0].frequency, share * total, loss);
		for (let i = 0; i + 1 < Math.min(partials[0].length, LONGITUDINAL.highestPair); i++) {
			const [low, high] = [partials[0][i], partials[0][i + 1]];
			const fall = 1 / decayOf(note, low.partial) + 1 / decayOf(note, high.partial);
			one(low.frequency + high.frequency, share * Math.sqrt(levels[i] * levels[i + 1]), fall);
		}
	}
	return total;
}

function addKnock(sound: Float32Array, sampleRate: number, level: number, random: Random): void {
	for (const { hz, seconds } of KNOCK)
		addOscillators(sound, [{ frequency: hz, level, loss: 1 / seconds, phase: 2 * Math.PI * random.uniform() }], {
			sampleRate
		});
}
