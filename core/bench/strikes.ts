import {
	addRoomNoise,
	cents,
	centsBetween,
	createListener,
	createRandom,
	equalHz,
	hz,
	hzAbove,
	renderStrike,
	stringFromFirstPartial,
	typicalInharmonicity,
	USUAL_MOTION,
	type ListenerEvent,
	type StiffString,
	type StringKind,
	type StringReading
} from '../src/index';
import { misleadingFigures } from './misleading';
import { LAYERS, recordings, type Recording } from './recordings';

/* Strikes of one string beside each other: what is read of quiet ones, how two of them agree, what is heard of fast ones. */

const RATE = 48_000;
const A4 = hz(440);
const REGISTERS = [
	{ name: 'A0 to G♯2', from: 21, to: 44 },
	{ name: 'A2 to G♯4', from: 45, to: 68 },
	{ name: 'A4 to G♯6', from: 69, to: 92 },
	{ name: 'A6 to C8', from: 93, to: 108 }
] as const;

function listen(sound: Float32Array, note: number, kind: StringKind, sampleRate: number): ListenerEvent[] {
	const strings = {
		lowest: 21,
		highest: 108,
		a4: A4,
		inharmonicityAt: (each: number) => typicalInharmonicity(kind, each)
	};
	const listener = createListener({ sampleRate, strings });
	listener.expect({ note, pitch: equalHz(note, A4) });
	return listener.push(sound);
}

const readingOf = (events: readonly ListenerEvent[], note: number): StringReading | undefined =>
	events.flatMap((event) => (event.kind === 'reading' && event.reading.note === note ? [event.reading] : []))[0];

function stringAt(note: number, off: number, stiffness = 1): StiffString {
	const pitch = hzAbove(equalHz(note, A4), cents(off));
	return stringFromFirstPartial(pitch, stiffness * typicalInharmonicity('upright', note));
}

interface Sounding {
	readonly note: number;
	readonly strings: readonly StiffString[];
	readonly seed: number;
	readonly strength: number;
	/** Decibels over the noise. */
	readonly snr: number;
}

/** A strike in a room, its pitch falling by 1 to 3 cents as it pleases. */
function struck({ note, strings, seed, strength, snr }: Sounding): Float32Array {
	const random = createRandom(7919 * seed + note);
	const sound = new Float32Array(2 * RATE);
	const glide = { cents: 1 + 2 * random.uniform(), seconds: 0.1 + 0.1 * random.uniform() };
	const at = Math.round((0.3 + 0.02 * random.uniform()) * RATE);
	const strike = { note, strings, sampleRate: RATE, seconds: 1.6, strength, seed: 31 * seed + note, glide };
	sound.set(renderStrike({ ...strike, motion: USUAL_MOTION }), at);
	addRoomNoise(sound, RATE, snr, 13 * seed + note);
	return sound;
}

/** Shares of differences within one and two stated errors. */
function pairs(layers: readonly (readonly Recording[])[]) {
	const within = REGISTERS.map(() => [] as number[]);
	const add = (one: StringReading | undefined, other: StringReading | undefined) => {
		if (!one || !other) return;
		const register = REGISTERS.findIndex(({ from, to }) => one.note >= from && one.note <= to);
		const apart = Math.abs(centsBetween(one.pitch, other.pitch));
		within[register].push(apart / Math.hypot(one.pitchError, other.pitchError));
	};
	for (const apart of [0, 0.5]) {
		for (let note = 21; note <= 108; note++)
			for (let k = 0; k < (note >= 93 ? 5 : 3); k++) {
				const random = createRandom(17 * note + k);
				const [off, stiffness] = [20 * (2 * random.uniform() - 1), Math.exp(0.2 * (2 * random.uniform() - 1))];
				const offs = apart ? [off, off + apart * random.normal(), off + apart * random.normal()] : [off];
				const strings = offs.map((each) => stringAt(note, each, stiffness));
				const [one, other] = [0.5, 0.9].map((strength, i) => {
					const sound = struck({ note, strings, strength, seed: 2 * k + i + 1, snr: apart ? 30 : 20 });
					return readingOf(listen(sound, note, 'upright', RATE), note);
				});
				add(one, other);
			}
	}
	const read = layers.map((layer) =>
		layer.map(({ note, samples, sampleRate }) => {
			const room = new Float32Array(0.4 * sampleRate + samples.length);
			room.set(samples, 0.4 * sampleRate);
			addRoomNoise(room, sampleRate, 60, note);
			return readingOf(listen(room, note, 'grand', sampleRate), note);
		})
	);
	for (let i = 1; i < read.length; i++) read[i].forEach((reading, k) => add(reading, read[i - 1][k]));
	const share = (values: readonly number[], most: number) =>
		values.filter((each) => each < most).length / values.length;
	return REGISTERS.map(({ name }, i) => ({
		name,
		pairs: within[i].length,
		one: share(within[i], 1),
		two: share(within[i], 2)
	}));
}

/** Share of single strings that are read, at their worst octave. */
function quiet() {
	return [20, 10, 6].map((snr) => {
		const octaves = Array.from({ length: 8 }, () => ({ all: 0, read: 0 }));
		for (let note = 21; note <= 108; note++)
			for (let seed = 1; seed <= 5; seed++) {
				const octave = octaves[Math.floor((note - 21) / 12)];
				octave.all++;
				const sound = struck({ note, strings: [stringAt(note, 3)], strength: 0.3 + 0.1 * seed, seed, snr });
				if (readingOf(listen(sound, note, 'upright', RATE), note)) octave.read++;
			}
		const shares = octaves.map(({ all, read }) => read / all);
		return { snr, worst: Math.min(...shares), all: octaves.reduce((sum, { read }) => sum + read, 0) / (88 * 5) };
	});
}

const STRIKES = 6;
const EVERY_SECONDS = 0.7;
const RECORDING_SECONDS = STRIKES * EVERY_SECONDS + 0.8;

/** A note struck again and again: where the strikes fall, and what is heard. */
function again(
	note: number,
	damped: boolean,
	sampleRate: number,
	strike: (k: number) => Float32Array,
	kind: StringKind
) {
	const sound = new Float32Array(Math.round(RECORDING_SECONDS * sampleRate));
	const random = createRandom(note);
	const times = Array.from({ length: STRIKES }, (_, k) => 0.3 + EVERY_SECONDS * k + 0.03 * random.uniform());
	times.forEach((time, k) => {
		const at = Math.round(time * sampleRate);
		// The damper falls when the key is let go, before it is struck again.
		const from = at - Math.round(0.06 * sampleRate);
		if (damped && k > 0)
			for (let i = from; i < sound.length; i++) sound[i] *= Math.exp(-(i - from) / (0.02 * sampleRate));
		const struck = strike(k);
		for (let i = 0; i < struck.length && at + i < sound.length; i++) sound[at + i] += struck[i];
	});
	for (let i = 0; i < sound.length; i++) sound[i] += 1e-4 * random.normal();
	const events = listen(sound, note, kind, sampleRate);
	const strikes = events.flatMap((event) => (event.kind === 'strike' ? [event.at] : []));
	const heard = times.filter((time) => strikes.some((at) => at > time - 0.03 && at < time + 0.15)).length;
	const readings = events.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []));
	return { heard, more: Math.max(0, strikes.length - heard), readings };
}

function restrikes(layers: readonly (readonly Recording[])[]) {
	return [false, true].map((damped) => {
		const count = { all: 0, heard: 0, more: 0, read: 0, wrong: 0 };
		const add = (note: number, { heard, more, readings }: ReturnType<typeof again>, pitch?: number) => {
			count.all += STRIKES;
			count.heard += heard;
			count.more += more;
			count.read += readings.length;
			count.wrong += readings.filter((reading) => {
				if (reading.note !== note) return true;
				const off = pitch === undefined ? 0 : Math.abs(centsBetween(hz(pitch), reading.pitch));
				return off > 2 && off > 3 * reading.pitchError;
			}).length;
		};
		for (let note = 21; note <= 105; note += 2) {
			const string = stringAt(note, 0);
			const strike = (k: number) => {
				const strength = 0.4 + 0.1 * k;
				const seconds = RECORDING_SECONDS - EVERY_SECONDS * k;
				return renderStrike({
					note,
					strings: [string],
					sampleRate: RATE,
					seconds,
					strength,
					seed: 50 * note + k,
					motion: USUAL_MOTION
				});
			};
			add(note, again(note, damped, RATE, strike, 'upright'), equalHz(note, A4));
		}
		layers[0].forEach(({ note, sampleRate }, i) => {
			if (note > 105) return;
			const strike = (k: number) => fromTheBlow(layers[k % layers.length][i].samples);
			add(note, again(note, damped, sampleRate, strike, 'grand'));
		});
		return { damped, ...count };
	});
}

/** Without the silence before it. */
function fromTheBlow(samples: Float32Array): Float32Array {
	const loudest = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
	return samples.subarray(Math.max(0, samples.findIndex((sample) => Math.abs(sample) > 0.05 * loudest) - 240));
}

/** Strikes that are heard in recordings of one strike each, until it has died away. */
function single(layers: readonly (readonly Recording[])[]) {
	const count = { all: 0, more: 0, read: 0, moreRead: 0 };
	for (const { note, samples, sampleRate } of layers.flat()) {
		const room = new Float32Array(0.4 * sampleRate + samples.length);
		room.set(samples, 0.4 * sampleRate);
		const random = createRandom(note);
		for (let i = 0; i < room.length; i++) room[i] += 1e-5 * random.normal();
		const events = listen(room, note, 'grand', sampleRate);
		const of = (kind: ListenerEvent['kind']) => events.filter((event) => event.kind === kind).length;
		count.all++;
		if (of('strike') > 1) count.more++;
		if (of('reading') > 0) count.read++;
		if (of('reading') > 1) count.moreRead++;
	}
	return count;
}

const layers = await Promise.all(LAYERS.map((layer) => recordings(layer)));
/** So many clips of each kind. */
const MISLEADING = 300;

const figures = {
	pairs: pairs(layers),
	quiet: quiet(),
	restrikes: restrikes(layers),
	single: single(layers),
	misleading: misleadingFigures(MISLEADING)
};
console.log(JSON.stringify(figures));
