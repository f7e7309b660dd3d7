import { median, quantile } from 'd3-array';
import { createRandom } from '../src/numeric/random';
import { heldBeat, octavePartner } from '../src/listening/lasting/heldInterval';
import { LastingListener, type LastingEvent, type LastingReading } from '../src/listening/lasting/lastingListener';
import { BOW_LIMITS, REED_LIMITS, type SteadyLimits } from '../src/listening/lasting/steadiness';
import { bent, PLAYED_RATE, playNote } from './played';
import { pressureSlope } from '../src/listening/lasting/pressureSlope';
import { trackHarmonics, trackTone } from '../src/listening/lasting/tracker';
import { BITE_RULES } from '../src/reeds/filing';
import { filePlate, SIMULATED_PLATE } from '../src/reeds/simulatedFiling';
import { compareReeds } from '../src/reeds/twoReeds';
import { renderSurroundings } from '../src/sounding/otherSounds/surroundings';
import { renderLastingTone, STEADY_REED, type LastingTone } from '../src/sounding/reed';

/*
 * Simulated reeds, dry and in a room (an exponential tail of 0.5 s, as loud as the tone): breath that rises in up to two seconds,
 * noise, wobble, slope. What the listener reads against what was made.
 */
const RATE = 24_000;
const COUNT = Number(process.env.FENDREL_BENCH_REEDS ?? 120);
const cents = (from: number, to: number) => 1200 * Math.log2(to / from);
const hertz = (note: number) => 440 * 2 ** ((note - 69) / 12);

/** Reflections that die away: sparse at first, each of them later than the one before. */
function inRoom(sound: Float32Array, seed: number, rate = RATE): Float32Array {
	const random = createRandom(seed);
	const out = sound.slice();
	for (let i = 0; i < 60; i++) {
		const delay = 0.008 + 0.5 * random.uniform();
		const share = 0.22 * Math.exp(-delay / 0.16) * (random.uniform() < 0.5 ? -1 : 1);
		const shift = Math.round(delay * rate);
		for (let k = shift; k < out.length; k++) out[k] += share * sound[k - shift];
	}
	return out;
}
const placed = (sound: Float32Array, isRoom: boolean, seed: number) => (isRoom ? inRoom(sound, seed) : sound);

function listen(sound: Float32Array, seed: number): LastingEvent[] {
	const random = createRandom(seed);
	const listener = new LastingListener(RATE);
	const quiet = (seconds: number) => Float32Array.from({ length: seconds * RATE }, () => 1e-4 * random.normal());
	return [quiet(0.3), sound, quiet(0.6)].flatMap((part) => listener.push(part));
}
const readingOf = (events: readonly LastingEvent[]) =>
	events.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []));

function reeds(isRoom: boolean) {
	const random = createRandom(isRoom ? 5 : 4);
	const [short, long, stated]: [number[], number[], number[]] = [[], [], []];
	let [read, octaves] = [0, 0];
	for (let i = 0; i < COUNT; i++) {
		const pitch = hertz(43 + 50 * random.uniform());
		const rise = 0.1 + 1.9 * random.uniform();
		const tone: LastingTone = {
			...STEADY_REED,
			...{ pitch, rise, seconds: 2 * rise + 1.5, seed: 31 + i, noise: 25 + 15 * random.uniform() },
			...{ brightness: 0.5 + 0.4 * random.uniform(), wobble: { cents: 0.5 * random.uniform(), rate: 4 } }
		};
		const sound = placed(renderLastingTone(tone, RATE), isRoom, i);
		const [reading] = readingOf(listen(sound, i));
		if (!reading) continue;
		read++;
		const off = cents(pitch, reading.pitch);
		if (Math.abs(off) > 600 || reading.partner) octaves++;
		long.push(Math.abs(off));
		stated.push(Math.abs(off) / reading.error);
		const whole = sound.subarray(Math.round((rise + 0.1) * RATE), Math.round((rise + 1.4) * RATE));
		for (const point of trackTone(whole, RATE, pitch)) short.push(Math.abs(cents(pitch, point.pitch)));
	}
	return {
		...{ isRoom, read: read / COUNT, octaves, short: quantile(short, 0.95)!, long: quantile(long, 0.95)! },
		withinTwo: stated.filter((each) => each <= 2).length / stated.length
	};
}

function slopes(isRoom: boolean) {
	const random = createRandom(isRoom ? 9 : 8);
	const [off, stated]: [number[], number[]] = [[], []];
	for (let i = 0; i < COUNT; i++) {
		const slope = -0.6 * random.uniform();
		const pitch = hertz(43 + 40 * random.uniform());
		const tone = { ...STEADY_REED, pitch, slope, from: -16, seconds: 4, seed: 7 + i, noise: 40 };
		const sound = placed(renderLastingTone(tone, RATE), isRoom, i).subarray(0.3 * RATE, 3.7 * RATE);
		const told = pressureSlope(trackTone(sound, RATE, pitch), () => trackHarmonics(sound, RATE, pitch));
		if (!told) continue;
		off.push(Math.abs(told.slope - slope));
		stated.push(Math.abs(told.slope - slope) / told.error);
	}
	const withinTwo = stated.filter((each) => each <= 2).length / stated.length;
	return { isRoom, told: off.length / COUNT, high: quantile(off, 0.95)!, withinTwo };
}

const MEETINGS = [
	[6, 5],
	[5, 4],
	[4, 3],
	[3, 2],
	[5, 3],
	[2, 1]
] as const;
const REGISTERS = [
	{ name: 'below C4', lowest: 43, highest: 59, aim: 0.05 },
	{ name: 'C4 to B4', lowest: 60, highest: 71, aim: 0.15 },
	{ name: 'above', lowest: 72, highest: 79, aim: 0.3 }
] as const;

function beats(isRoom: boolean, { name, lowest, highest, aim }: (typeof REGISTERS)[number]) {
	const random = createRandom(lowest + (isRoom ? 1 : 0));
	const off: number[] = [];
	let [asked, said, wrong] = [0, 0, 0];
	for (let i = 0; i < COUNT / 2; i++) {
		const [p, q] = MEETINGS[i % MEETINGS.length];
		const lower = hertz(lowest + (highest - lowest) * random.uniform());
		const beat = 6 * (random.uniform() - 0.5);
		const upper = (p * lower + beat) / q;
		const of = { ...STEADY_REED, seconds: 2.8, noise: 35 };
		const [one, other] = [lower, upper].map((pitch, k) => renderLastingTone({ ...of, pitch, seed: 3 * i + k }, RATE));
		const sound = placed(
			one.map((value, k) => value + other[k]),
			isRoom,
			i
		).subarray(0.4 * RATE, 2.4 * RATE);
		const heard =
			q === 1 ? octavePartner(sound, RATE, lower) : heldBeat(sound, RATE, lower * 1.002, upper * 0.999, [p, q]);
		asked++;
		if (!heard) continue;
		off.push(Math.abs(heard.rate - beat));
		if (Math.abs(beat) <= 0.3 || !heard.sense) continue;
		said++;
		if ((heard.sense === 'wide') !== beat > 0) wrong++;
	}
	return { name, isRoom, aim, answered: off.length / asked, high: quantile(off, 0.95)!, said, wrong };
}

/** Three tones at once, 4:5:6 but for some cents each: how far each interval is told off, in cents of its upper tone. */
function triads(isRoom: boolean) {
	const random = createRandom(isRoom ? 12 : 11);
	const off: number[] = [];
	let asked = 0;
	for (let i = 0; i < COUNT / 3; i++) {
		const root = hertz(48 + 24 * random.uniform());
		const pitches = [1, 5 / 4, 3 / 2].map((ratio) => root * ratio * 2 ** ((8 * random.normal()) / 1200));
		const of = { ...STEADY_REED, seconds: 2.8, noise: 35 };
		const tones = pitches.map((pitch, k) => renderLastingTone({ ...of, pitch, seed: 5 * i + k }, RATE));
		const sound = placed(
			tones[0].map((value, k) => value + tones[1][k] + tones[2][k]),
			isRoom,
			i
		).subarray(0.4 * RATE, 2.4 * RATE);
		for (const [low, high, p, q] of [
			[0, 1, 5, 4],
			[1, 2, 6, 5],
			[0, 2, 3, 2]
		] as const) {
			asked++;
			const third = pitches[3 - low - high];
			const heard = heldBeat(sound, RATE, pitches[low] * 1.002, pitches[high] * 0.999, [p, q], [third]);
			if (!heard) continue;
			const wanted = q * pitches[high] - p * pitches[low];
			off.push(Math.abs(cents(1, 1 + (heard.rate - wanted) / (q * pitches[high]))));
		}
	}
	return { isRoom, answered: off.length / asked, high: quantile(off, 0.95)! };
}

function readPlayed(sound: Float32Array, limits: SteadyLimits): LastingReading | undefined {
	const listener = new LastingListener(PLAYED_RATE, limits);
	const all = new Float32Array(sound.length + 1.2 * PLAYED_RATE);
	all.set(sound, 0.4 * PLAYED_RATE);
	return readingOf([...listener.push(all), ...listener.end()])[0];
}

/** Recorded reeds, moved by known cents, with a slow breath, wobble, wind and a room laid on. */
function played(isRoom: boolean) {
	const random = createRandom(isRoom ? 22 : 21);
	const off: number[] = [];
	let [all, read, octaves] = [0, 0, 0];
	for (const instrument of ['harmonica', 'reedOrgan'] as const)
		for (let note = 55; note <= 88; note += 3) {
			const clean = playNote(instrument, note);
			const reference = readPlayed(clean, REED_LIMITS);
			if (!reference) continue;
			all++;
			const [by, rise] = [60 * (random.uniform() - 0.5), 0.2 + 1.8 * random.uniform()];
			const tone = bent(clean, (at) => by + 0.4 * Math.sin(2 * Math.PI * 4.3 * at));
			const wind = 10 ** (reference.level / 20 - 1.5);
			const blown = tone.map((value, i) => value * Math.min(1, i / PLAYED_RATE / rise) + wind * random.normal());
			const told = readPlayed(isRoom ? inRoom(blown, note, PLAYED_RATE) : blown, REED_LIMITS);
			if (!told) continue;
			read++;
			const error = cents(reference.pitch, told.pitch) - by;
			if (Math.abs(error) > 600 || (told.partner && !reference.partner)) octaves++;
			off.push(Math.abs(error));
		}
	return { isRoom, all, read, octaves, high: quantile(off, 0.95)! };
}

/** Recorded bows, as they were played: read at the first one, within limits of their own. */
function bowed() {
	let [all, read] = [0, 0];
	for (const [instrument, lowest, highest] of [
		['violin', 55, 88],
		['viola', 48, 79],
		['cello', 36, 72]
	] as const)
		for (let note = lowest; note <= highest; note += 3) {
			all++;
			if (readPlayed(playNote(instrument, note), BOW_LIMITS)) read++;
		}
	return { all, read };
}

/** What is no tone: read of them. A straight voice is one. */
function noTones() {
	let [all, read] = [0, 0];
	for (const id of ['speech', 'music', 'fan', 'mains'] as const)
		for (let i = 0; i < COUNT / 8; i++) {
			all++;
			if (readingOf(listen(renderSurroundings(id, 3, 100 + i, RATE)!, i)).length) read++;
		}
	const random = createRandom(3);
	for (let i = 0; i < COUNT / 8; i++) {
		all++;
		const wind = Float32Array.from({ length: 3 * RATE }, () => 0.05 * random.normal());
		if (readingOf(listen(wind, i)).length) read++;
	}
	return { all, read };
}

const filed = BITE_RULES.map((rule) => {
	const all = filePlate({ ...SIMULATED_PLATE, reeds: 4000, rule });
	const over = all.filter(({ isOver }) => isOver).length / all.length;
	return { rule, rounds: median(all, ({ rounds }) => rounds)!, over };
});

function which() {
	const random = createRandom(6);
	return [1, 2, 3].map((apart) => {
		let [right, wrong] = [0, 0];
		for (let i = 0; i < 4000; i++) {
			const sense = random.uniform() < 0.5 ? -1 : 1;
			const at = [0, sense * apart].map((off, k) => {
				const slope = k === 0 ? -0.3 - 0.2 * random.uniform() : -0.2 * random.uniform();
				return {
					...{ off: off - slope * 12 + 0.15 * random.normal(), offError: 0.15, level: -20 },
					...{ slope: slope + 0.04 * random.normal(), error: 0.04 }
				};
			});
			const { apart: told, sharp } = compareReeds(at[0], at[1], -8);
			if (told * sense > 0) right++;
			if (sharp && (sharp === 'upper') !== sense > 0) wrong++;
		}
		return { apart, right: right / 4000, wrong: wrong / 4000 };
	});
}

const both = [false, true];
console.log(
	JSON.stringify({
		count: COUNT,
		reeds: both.map(reeds),
		slopes: both.map(slopes),
		...{ triads: both.map(triads), played: both.map(played), bowed: bowed() },
		beats: both.flatMap((isRoom) => REGISTERS.map((register) => beats(isRoom, register))),
		...{ noTones: noTones(), filed, which: which() }
	})
);
