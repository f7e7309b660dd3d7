import { struckKey, UPRIGHT, uprightString } from '../fixtures/upright';
import {
	cents,
	centsBetween,
	createListener,
	createRandom,
	equalHz,
	hz,
	hzAbove,
	isCertain,
	mainsSwitchedOn,
	renderMusic,
	renderSteadyTone,
	renderVoice,
	TELEPHONE,
	type Hz,
	type ListenerEvent,
	type Random
} from '../src/index';

const RATE = 48_000;
const SECONDS = 1.6;
const A4 = hz(440);

/** A sound, and what may be read of it. */
interface Made {
	readonly sound: Float32Array;
	/** The notes that a reading may name; none when nothing should be read. */
	readonly may: readonly number[];
	/** Where the note that is due stands, when it was struck by itself. */
	readonly pitch?: Hz;
	/** Samples of it that do not come in. */
	readonly lost?: { readonly from: number; readonly count: number };
}
type Maker = (random: Random, due: number) => Made;

const between = (random: Random, low: number, high: number) => low + Math.floor((high - low + 1) * random.uniform());
const pick = <T>(random: Random, of: readonly T[]) => of[between(random, 0, of.length - 1)];
const seedOf = (random: Random) => Math.floor(1e6 * random.uniform());
const times = (sound: Float32Array, level: number) => sound.map((sample) => level * sample);

function mixed(...sounds: readonly Float32Array[]): Float32Array {
	const sum = new Float32Array(Math.max(...sounds.map(({ length }) => length)));
	for (const sound of sounds) sound.forEach((value, i) => (sum[i] += value));
	const most = sum.reduce((top, value) => Math.max(top, Math.abs(value)), 0);
	return most > 0.9 ? times(sum, 0.9 / most) : sum;
}
const later = (sound: Float32Array, seconds: number) => {
	const whole = new Float32Array(sound.length + Math.round(seconds * RATE));
	whole.set(sound, whole.length - sound.length);
	return whole;
};
const noise = (random: Random, level: number, seconds = SECONDS) =>
	new Float32Array(Math.round(seconds * RATE)).map(() => level * random.normal());
const strike = (note: number, random: Random, off = 0, strength = 0.8) =>
	struckKey(note, { strings: [uprightString(note, off)], seconds: SECONDS, strength, seed: seedOf(random) });

const nothing = (sound: Float32Array): Made => ({ sound, may: [] });
const voice = (random: Random, manner: 'sung' | 'spoken', note: number) =>
	renderVoice(
		{ pitch: equalHz(note + random.uniform() - 0.5, A4), manner, seconds: SECONDS, seed: seedOf(random) },
		RATE
	);
/** The octave of a note that people sing in. */
const singable = (note: number) => 43 + ((note - 43 + 120) % 24);
const tone = (random: Random, of: { pitch: number; harmonics: readonly number[]; rise: number }) =>
	renderSteadyTone({ ...of, seconds: SECONDS, seed: seedOf(random), level: 0.02 + 0.1 * random.uniform() }, RATE);
const music = (random: Random) => renderMusic(SECONDS, seedOf(random), RATE);
const ringing = (random: Random, pitch: number, seconds: number) => {
	const phase = 2 * Math.PI * random.uniform();
	return new Float32Array(SECONDS * RATE).map(
		(_, i) => 0.4 * Math.sin((2 * Math.PI * pitch * i) / RATE + phase) * Math.exp(-i / (seconds * RATE))
	);
};
const keys =
	(...steps: readonly number[]): Maker =>
	(random) => {
		const low = between(random, 40, 88);
		return nothing(mixed(...[0, ...steps].map((step) => strike(low + step, random, 3 * random.normal()))));
	};
const wrong =
	(...steps: readonly number[]): Maker =>
	(random, due) => {
		const struck = Math.min(Math.max(due + pick(random, steps), 21), 108);
		return { sound: strike(struck, random, 10 * random.normal()), may: [struck] };
	};
/** The note that is due, by itself, with something behind it. */
const behind =
	(other: (random: Random) => Float32Array): Maker =>
	(random, due) => {
		const off = 8 * random.normal();
		const pitch = hzAbove(equalHz(due, A4), cents(off));
		return { sound: mixed(strike(due, random, off), other(random)), may: [due], pitch };
	};

const KINDS: Readonly<Record<string, Maker>> = {
	'steady noise': (random) => nothing(noise(random, 0.02)),
	'bang of noise': (random) => {
		const falls = RATE * (0.05 + 0.5 * random.uniform());
		return nothing(noise(random, 0.1).map((value, i) => value * Math.exp(-i / falls)));
	},
	clap: (random) => nothing(noise(random, 0.3).map((value, i) => value * Math.exp(-i / (0.012 * RATE)))),
	fan: (random) => {
		const blades = { pitch: 80 + 60 * random.uniform(), harmonics: [1, 0.4, 0.2], rise: 0.3 };
		return nothing(mixed(noise(random, 0.02), tone(random, blades)));
	},
	'spoken voice': (random) => nothing(voice(random, 'spoken', between(random, 43, 66))),
	'sung voice': (random) => nothing(voice(random, 'sung', between(random, 43, 66))),
	'sung on the note': (random, due) => nothing(voice(random, 'sung', singable(due))),
	'two who sing': (random, due) =>
		nothing(mixed(voice(random, 'sung', singable(due)), voice(random, 'sung', singable(due + 7)))),
	whistle: (random) =>
		nothing(tone(random, { pitch: 600 + 1400 * random.uniform(), harmonics: [1, 0.08, 0.02], rise: 0.05 })),
	'whistle on the note': (random, due) =>
		nothing(tone(random, { pitch: equalHz(Math.max(due, 72), A4), harmonics: [1, 0.08, 0.02], rise: 0.05 })),
	'pipe on the note': (random, due) =>
		nothing(tone(random, { pitch: equalHz(due, A4), harmonics: [1, 0.5, 0.4, 0.2, 0.15, 0.1, 0.08], rise: 0.04 })),
	telephone: (random) => nothing(tone(random, { ...TELEPHONE, pitch: 150 + 10 * random.normal() })),
	'mains of 50 Hz switched on': (random) => nothing(tone(random, mainsSwitchedOn(50))),
	'mains of 60 Hz switched on': (random) => nothing(tone(random, mainsSwitchedOn(60))),
	metronome: (random) => {
		const click = ringing(random, 800 + 1800 * random.uniform(), 0.006);
		return nothing(mixed(click, later(click, 0.5), later(click, 1)).subarray(0, SECONDS * RATE));
	},
	'knock on wood': (random) =>
		nothing(
			mixed(ringing(random, 90 + 80 * random.uniform(), 0.05), ringing(random, 180 + 200 * random.uniform(), 0.03))
		),
	'music alone': (random) => nothing(music(random)),
	'music and speech': (random) => nothing(mixed(music(random), voice(random, 'spoken', between(random, 43, 60)))),
	'a semitone': keys(1),
	'a whole tone': keys(2),
	'a third': (random, due) => keys(pick(random, [3, 4]))(random, due),
	'a fourth or fifth': (random, due) => keys(pick(random, [5, 7]))(random, due),
	'a sixth': (random, due) => keys(pick(random, [8, 9]))(random, due),
	'a triad': (random, due) =>
		keys(
			...pick(random, [
				[4, 7],
				[3, 7],
				[3, 8]
			])
		)(random, due),
	'the key beside': wrong(-1, 1),
	'another key': wrong(-12, -7, -2, 2, 7, 12),
	'music behind': behind((random) => times(music(random), 0.3)),
	'speech behind': behind((random) => times(voice(random, 'spoken', between(random, 43, 60)), 0.3)),
	'another piano behind': behind((random) =>
		times(mixed(strike(between(random, 45, 60), random, 8), strike(between(random, 61, 75), random, 8)), 0.3)
	),
	'mains behind': behind((random) => times(tone(random, mainsSwitchedOn(50)), 0.5)),
	'an old note rings on': (random, due) => {
		const old = Math.min(Math.max(due + pick(random, [-12, -7, -5, -4, 3, 4, 7]), 21), 108);
		const off = 8 * random.normal();
		const sound = mixed(strike(old, random, 0, 0.5), later(strike(due, random, off), 0.8));
		return { sound, may: [old, due], pitch: hzAbove(equalHz(due, A4), cents(off)) };
	},
	'struck again, more softly': (random, due) => {
		const off = 8 * random.normal();
		const sound = mixed(strike(due, random, off), times(later(strike(due, random, off, 0.4), 0.35), 0.5));
		return { sound, may: [due], pitch: hzAbove(equalHz(due, A4), cents(off)) };
	},
	'too loud': (random, due) => {
		const off = 8 * random.normal();
		const loud = times(strike(due, random, off), 3);
		return {
			sound: loud.map((sample) => Math.min(Math.max(sample, -1), 1)),
			may: [due],
			pitch: hzAbove(equalHz(due, A4), cents(off))
		};
	},
	'sound that is lost': (random, due) => {
		const off = 8 * random.normal();
		const from = Math.round((0.1 + 0.4 * random.uniform()) * RATE);
		const pitch = hzAbove(equalHz(due, A4), cents(off));
		return { sound: strike(due, random, off), may: [due], pitch, lost: { from, count: 2048 } };
	}
};

const BEFORE_SECONDS = 0.6;

function listenTo({ sound, lost }: Made, random: Random, due: number): readonly ListenerEvent[] {
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	listener.expect({ note: due, pitch: equalHz(due, A4) });
	const before = Math.round(BEFORE_SECONDS * RATE);
	const whole = noise(random, 2e-4, BEFORE_SECONDS + sound.length / RATE + 0.3);
	sound.forEach((value, i) => (whole[before + i] += value));
	if (!lost) return listener.push(whole);
	const from = before + lost.from;
	const events = listener.push(whole.subarray(0, from));
	return [...events, ...listener.lose(lost.count), ...listener.push(whole.subarray(from + lost.count))];
}

const isWrong = ({ may, pitch }: Made, due: number, events: readonly ListenerEvent[]) =>
	events.some((event) => {
		// Two keys that pitch alone cannot tell apart are asked about.
		if (event.kind !== 'reading' || event.or !== undefined) return false;
		const { note, pitch: read, pitchError } = event.reading;
		if (!may.includes(note)) return true;
		if (note !== due || pitch === undefined || !isCertain(pitchError)) return false;
		return Math.abs(centsBetween(pitch, read)) > Math.max(2, 3 * pitchError);
	});

/**
 * What the listener makes of sounds that mislead, each with some note due: what it reads, and what of it is wrong, in the
 * note or by more than two cents and three stated errors.
 * @param ofEach clips of each kind
 */
export function misleadingFigures(ofEach: number, seed = 4711) {
	const wrongs: string[] = [];
	const counts = Object.entries(KINDS).map(([kind, make], k) => {
		const count = { kind, all: 0, read: 0, wrong: 0, single: false };
		for (let i = 0; i < ofEach; i++) {
			const random = createRandom(seed + 1000 * k + i);
			const due = between(random, 24, 105);
			const made = make(random, due);
			const events = listenTo(made, random, due);
			count.all++;
			count.single = made.may.length > 0;
			if (events.some((event) => event.kind === 'reading' && event.or === undefined)) count.read++;
			if (!isWrong(made, due, events)) continue;
			count.wrong++;
			const notes = events.flatMap((event) => (event.kind === 'reading' ? [event.reading.note] : []));
			wrongs.push(`${kind}: due ${due}, right ${made.may.join(' or ') || 'nothing'}, read ${notes.join(' ')}`);
		}
		return count;
	});
	return { clips: ofEach * counts.length, wrong: wrongs, counts };
}
