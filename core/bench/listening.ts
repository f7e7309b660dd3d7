/* Figures of the estimator, as one JSON object on standard output: run by scripts/bench.mjs. */
import FFT from 'fft.js';
import { UPRIGHT, inRoom, struckKey, uprightString } from '../fixtures/upright';
import { YIN } from 'pitchfinder';
import { PitchDetector } from 'pitchy';
import { fitDampedPartial, leastFrequencyError, partialEnvelope } from '../src/listening/closer/envelope';
import {
	addRoom,
	analyseUnison,
	cents,
	centsBetween,
	createListener,
	createRandom,
	equalHz,
	habitAt,
	instrumentStrings,
	hz,
	hzAbove,
	noteName,
	renderStrike,
	stringFromFirstPartial,
	StrikeKeeper,
	typicalInharmonicity,
	USUAL_HABITS,
	USUAL_MOTION,
	USUAL_ROOM,
	type ListenerEvent,
	type ListeningHabits
} from '../src/index';
import { recordings } from './recordings';

const RATE = 48_000;
const A4 = hz(440);
const BLOCK = 1024;
const START = 0.3;
function scene(note: number, off: number, stiffness: number, seed: number, glide?: { cents: number; seconds: number }) {
	const string = uprightString(note, off, stiffness);
	const struck = struckKey(note, { strings: [string], seconds: 1.7, seed, glide });
	const sound = inRoom([{ at: START, sound: struck }], 2, { seed: seed + 1 });
	return { sound, pitch: hzAbove(equalHz(note, A4), cents(off)), b: string.inharmonicity };
}

function listen(sound: Float32Array): ListenerEvent[] {
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const events: ListenerEvent[] = [];
	for (let at = 0; at < sound.length; at += BLOCK) events.push(...listener.push(sound.subarray(at, at + BLOCK)));
	return events;
}

const cpu = (work: () => void) => {
	const before = process.cpuUsage();
	work();
	const { user, system } = process.cpuUsage(before);
	return (user + system) / 1e6;
};
const quantile = (values: number[], share: number) =>
	[...values].sort((a, b) => a - b)[Math.floor(share * (values.length - 1))];

/** Errors over the keyboard, four strings to a note. */
function errors() {
	const random = createRandom(1);
	const registers = { 'A0 to G♯1': [21, 32], 'A1 to C7': [33, 96], 'C♯7 to C8': [97, 108] } as const;
	return Object.entries(registers).map(([name, [from, to]]) => {
		const off: number[] = [];
		const b: number[] = [];
		let heard = 0;
		let all = 0;
		for (let note = from; note <= to; note++)
			for (let run = 0; run < 4; run++) {
				const made = scene(note, 40 * (random.uniform() - 0.5), Math.exp(0.2 * random.normal()), 100 * note + run);
				const event = listen(made.sound).find(({ kind }) => kind === 'reading');
				all++;
				if (event?.kind !== 'reading' || event.reading.note !== note) continue;
				heard++;
				off.push(Math.abs(centsBetween(made.pitch, event.reading.pitch)));
				if (event.reading.inharmonicity !== undefined) b.push(Math.abs(event.reading.inharmonicity / made.b - 1));
			}
		return { name, heard, all, median: quantile(off, 0.5), high: quantile(off, 0.95), b: quantile(b, 0.5) };
	});
}

/** Seconds of sound after the strike until the first figure, and until figures stay within half a cent. */
function latency(note: number) {
	const { sound, pitch } = scene(note, -6, 1.1, note);
	const settling = listen(sound).flatMap((event) => (event.kind === 'settling' ? [event] : []));
	let good = Infinity;
	for (const { at, pitch: heard } of [...settling].reverse()) {
		if (Math.abs(centsBetween(pitch, heard)) > 0.5) break;
		good = at;
	}
	return { note: noteName(note), first: settling[0].at - START, good: good - START };
}

/** All analyses on one core: listening, hum, the kept strike and its unison; against bare transforms at the same rate. */
function speed() {
	const made = Array.from({ length: 30 }, (_, i) => scene(33 + 2 * i, 5, 1, i).sound);
	const seconds = made.length * 2;
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const keeper = new StrikeKeeper(RATE, UPRIGHT.inharmonicityAt);
	const all = (sound: Float32Array) => {
		for (let at = 0; at < sound.length; at += BLOCK) {
			const block = sound.subarray(at, at + BLOCK);
			for (const { samples, settledFrom, string } of keeper.push(block, listener.push(block)))
				analyseUnison({ samples: samples.subarray(settledFrom), sampleRate: RATE, string, strings: 3 });
		}
	};
	for (let round = 0; round < 2; round++) for (const sound of made) all(sound);
	const own = cpu(() => made.forEach(listen));
	const withAll = cpu(() => made.forEach(all));
	const size = 8192;
	const fft = new FFT(size);
	const out = fft.createComplexArray();
	const input = new Array<number>(size).fill(0.1);
	const frames = Math.round((seconds * RATE) / (size / 4));
	const bare = cpu(() => {
		for (let i = 0; i < frames; i++) fft.realTransform(out, input);
	});
	return { secondsPerCpuSecond: seconds / withAll, listeningAlone: seconds / own, timesBareTransforms: own / bare };
}

/** Two estimators for any sound, made for voices and single instruments, on the same strikes: what they say at the moment. */
function others() {
	const size = 8192;
	const yin = YIN({ sampleRate: RATE, threshold: 0.1 });
	const mcleod = PitchDetector.forFloat32Array(size);
	const registers = {
		'A0 to E♭2': [21, 39],
		'E2 to B3': [40, 59],
		'C4 to B5': [60, 83],
		'C6 to C8': [84, 108]
	} as const;
	const cpus = { own: 0, yin: 0, mcleod: 0 };
	let seconds = 0;
	const rows = Object.entries(registers).map(([name, [from, to]]) => {
		const off = { own: [] as number[], yin: [] as number[], mcleod: [] as number[] };
		for (let note = from; note <= to; note++) {
			const { sound, pitch } = scene(note, 10, 1.1, note);
			seconds += sound.length / RATE;
			const take = (into: number[], found: number | null | undefined) =>
				into.push(found ? Math.abs(1200 * Math.log2(found / pitch)) : Infinity);
			cpus.own += cpu(() => {
				const event = listen(sound).find(({ kind }) => kind === 'reading');
				take(off.own, event?.kind === 'reading' ? event.reading.pitch : undefined);
			});
			// Theirs is one frame at the moment at which ours is read; nothing else of the two seconds.
			const at = Math.round((START + habitAt(USUAL_HABITS, note).moment) * RATE) - size / 2;
			const frame = sound.slice(at, at + size);
			cpus.yin += cpu(() => take(off.yin, yin(frame)));
			cpus.mcleod += cpu(() => take(off.mcleod, mcleod.findPitch(frame, RATE)[0]));
		}
		const of = (values: number[]) => ({
			median: quantile(values, 0.5),
			wrong: values.filter((value) => value > 50).length / values.length
		});
		return { name, own: of(off.own), yin: of(off.yin), mcleod: of(off.mcleod) };
	});
	// A frame a quarter of its length further is what following a sound would cost them.
	const frames = (seconds * RATE) / (size / 4);
	const notes = rows.length ? 88 : 0;
	return {
		rows,
		speed: {
			own: seconds / cpus.own,
			yin: seconds / ((cpus.yin / notes) * frames),
			mcleod: seconds / ((cpus.mcleod / notes) * frames)
		}
	};
}

/** Strings as they are in rooms: two stages, a bridge, phantoms, a knock, an echo, background, hum; one string and three. */
function lively() {
	return [1, 3].map((count) => {
		const off: number[] = [];
		const b: number[] = [];
		const within: number[] = [];
		let recognised = 0;
		for (let note = 21; note <= 108; note++) {
			const random = createRandom(note + 5);
			const pitch = hzAbove(equalHz(note, A4), cents(30 * (random.uniform() - 0.5)));
			const stiffness = Math.exp(0.2 * random.normal()) * typicalInharmonicity('upright', note);
			const glide = { cents: 1 + 2 * random.uniform(), seconds: 0.12 };
			const sound = new Float32Array(2.6 * RATE);
			const strung = Array.from({ length: count }, (_, k) =>
				stringFromFirstPartial(hzAbove(pitch, cents(0.5 * (k - (count - 1) / 2))), stiffness)
			);
			const strike = { note, strings: strung, sampleRate: RATE, seconds: 2.2, strength: 0.7, seed: note, glide };
			sound.set(renderStrike({ ...strike, motion: USUAL_MOTION }), START * RATE);
			addRoom(sound, RATE, { ...USUAL_ROOM, hum: { mains: 50, db: -60 }, seed: note });
			const event = listen(sound).find(({ kind }) => kind === 'reading');
			if (event?.kind !== 'reading' || event.reading.note !== note) continue;
			recognised++;
			const { reading } = event;
			const glided = glide.cents * Math.exp(-reading.moment / glide.seconds);
			const error = Math.abs(centsBetween(pitch, reading.pitch) - glided);
			off.push(error);
			within.push(error / reading.pitchError);
			if (reading.inharmonicity !== undefined && note <= 84) b.push(Math.abs(reading.inharmonicity / stiffness - 1));
		}
		return {
			strings: count,
			recognised,
			median: quantile(off, 0.5),
			high: quantile(off, 0.95),
			b: quantile(b, 0.5),
			within: within.filter((each) => each < 2).length / within.length
		};
	});
}

/** Any sample rate: every third note of the keyboard. */
function rates() {
	return [16_000, 22_050, 44_100, 96_000].map((rate) => {
		const off: number[] = [];
		let [read, all] = [0, 0];
		for (let note = 21; note <= 108; note += 3) {
			const pitch = hzAbove(equalHz(note, A4), cents(7));
			const struck = struckKey(note, { strings: [uprightString(note, 7)], sampleRate: rate });
			const sound = inRoom([{ at: START, sound: struck }], 2, { rate, seed: note });
			const listener = createListener({ sampleRate: rate, strings: UPRIGHT });
			const event = listener.push(sound).find(({ kind }) => kind === 'reading');
			all++;
			if (event?.kind !== 'reading' || event.reading.note !== note) continue;
			read++;
			off.push(Math.abs(centsBetween(pitch, event.reading.pitch)));
		}
		return { rate, read, all, median: quantile(off, 0.5), high: quantile(off, 0.95) };
	});
}

/** Memory after listening for so many minutes, garbage collected. */
function memory(minutes: number) {
	const { sound } = scene(57, 2, 1, 3);
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const heap = () => {
		globalThis.gc?.();
		const { heapUsed, arrayBuffers } = process.memoryUsage();
		return (heapUsed + arrayBuffers) / 2 ** 20;
	};
	const play = (seconds: number) => {
		for (let t = 0; t < seconds; t += 2)
			for (let at = 0; at < sound.length; at += BLOCK) listener.push(sound.subarray(at, at + BLOCK));
	};
	play(20);
	const before = heap();
	play(60 * minutes);
	const after = heap();
	return { megabytes: after, growth: after - before, minutes };
}

/** Bytes allocated for a second of sound, before any garbage is collected: in a quiet room, and while notes sound. */
function allocation() {
	const random = createRandom(2);
	const quiet = new Float32Array(RATE).map(() => 1e-4 * random.normal());
	const { sound } = scene(57, 2, 1, 3);
	return [quiet, sound].map((each) => {
		const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
		const blocks = Array.from({ length: Math.floor(each.length / BLOCK) }, (_, i) =>
			each.subarray(i * BLOCK, (i + 1) * BLOCK)
		);
		const play = () => blocks.forEach((block) => listener.push(block));
		for (let i = 0; i < 20; i++) play();
		globalThis.gc?.();
		const before = process.memoryUsage().heapUsed;
		for (let i = 0; i < 3; i++) play();
		return (process.memoryUsage().heapUsed - before) / ((3 * each.length) / RATE);
	});
}

/** One sinusoid in white noise against the Cramer-Rao bound; 2,000 runs a point, at a rate that such pitches need. */
function sinusoids() {
	const rate = 8000;
	const RUNS = 2000;
	return [0.1, 0.3, 1].map((seconds) => ({
		seconds,
		ratios: [0, 20, 40, 60].map((snrDb) => {
			const random = createRandom(snrDb + 1);
			const snr = 10 ** (snrDb / 10);
			const count = Math.round(seconds * rate);
			const sound = new Float32Array(count);
			let squares = 0;
			for (let run = 0; run < RUNS; run++) {
				const frequency = 200 + 1800 * random.uniform();
				const phase = 2 * Math.PI * random.uniform();
				const noise = Math.sqrt(1 / (2 * snr));
				for (let i = 0; i < count; i++)
					sound[i] = Math.cos((2 * Math.PI * frequency * i) / rate + phase) + noise * random.normal();
				const found = fitDampedPartial(partialEnvelope(sound, rate, frequency + random.normal(), frequency)!)!;
				squares += (found.frequency - frequency) ** 2;
			}
			return Math.sqrt(squares / RUNS) / leastFrequencyError(snr, count, rate);
		})
	}));
}

/** Errors against the pitch at the fixed moment while the pitch still falls after the strike. */
function gliding() {
	const random = createRandom(8);
	const off: number[] = [];
	const b: number[] = [];
	for (let note = 21; note <= 96; note++)
		for (let run = 0; run < 2; run++) {
			const glide = { cents: 1 + 4 * random.uniform(), seconds: 0.08 + 0.12 * random.uniform() };
			const made = scene(note, 30 * (random.uniform() - 0.5), Math.exp(0.2 * random.normal()), 77 * note + run, glide);
			const event = listen(made.sound).find(({ kind }) => kind === 'reading');
			if (event?.kind !== 'reading' || event.reading.note !== note) continue;
			const { pitch, moment, inharmonicity } = event.reading;
			off.push(Math.abs(centsBetween(made.pitch, pitch) - glide.cents * Math.exp(-moment / glide.seconds)));
			if (inharmonicity !== undefined && note <= 84) b.push(Math.abs(inharmonicity / made.b - 1));
		}
	return { median: quantile(off, 0.5), high: quantile(off, 0.95), b: quantile(b, 0.5) };
}

/**
 * Recorded strikes, each read at two moments more than half a second apart. What the pitch as a whole has moved in between
 * is settling and taken out; what is left of a partial's difference is compared with the errors stated.
 */
async function recorded() {
	const MOMENTS = [0.35, 0.9] as const;
	const registers = { 'A0 to F♯2': [21, 42], 'A2 to F♯4': [45, 66], 'A4 to F♯6': [69, 90], 'A6 to C8': [93, 108] };
	const measured: { note: number; b: number; error: number }[] = [];
	const off = Object.keys(registers).map(() => ({ apart: [] as number[], within: [] as number[] }));
	let [recognised, all] = [0, 0];
	const grand = { ...UPRIGHT, inharmonicityAt: (note: number) => typicalInharmonicity('grand', note) };
	const read = (samples: Float32Array, sampleRate: number, habits: ListeningHabits) => {
		const listener = createListener({ sampleRate, strings: grand, habits });
		const random = createRandom(3);
		const room = new Float32Array(sampleRate).map(() => 1e-5 * random.normal());
		const events = [...listener.push(room), ...listener.push(samples), ...listener.push(room)];
		const event = events.find(({ kind }) => kind === 'reading');
		return event?.kind === 'reading' ? event.reading : undefined;
	};
	for (const { note, samples, sampleRate } of await recordings()) {
		const reading = read(samples, sampleRate, USUAL_HABITS);
		all++;
		if (reading?.note !== note) continue;
		recognised++;
		const { inharmonicity: b, inharmonicityError: error } = reading;
		if (b !== undefined && error !== undefined) measured.push({ note, b, error });
		const [early, late] = MOMENTS.map((moment) => read(samples, sampleRate, [{ to: 127, partial: 1, moment }]));
		// A note that had died by the second moment was read twice at the same place.
		if (!early || !late || late.moment - early.moment < 0.4) continue;
		const register = Object.values(registers).findIndex(([from, to]) => note >= from && note <= to);
		for (const one of early.partials.filter(({ partial }) => partial <= 8)) {
			const other = late.partials.find(({ partial }) => partial === one.partial);
			if (!other) continue;
			const apart = one.frequency * (late.pitch / early.pitch) - other.frequency;
			off[register].apart.push(Math.abs(1200 * Math.log2(1 + apart / other.frequency)));
			off[register].within.push(Math.abs(apart) / Math.hypot(one.error, other.error));
		}
	}
	const share = (values: readonly number[], most: number) =>
		values.filter((each) => each < most).length / Math.max(1, values.length);
	return {
		recognised,
		all,
		moments: MOMENTS,
		scatter: instrumentStrings('grand', measured).inharmonicity.scatter,
		registers: Object.keys(registers).map((name, i) => ({
			name,
			partials: off[i].apart.length,
			median: quantile(off[i].apart, 0.5),
			high: quantile(off[i].apart, 0.9),
			within: share(off[i].within, 1),
			withinTwo: share(off[i].within, 2)
		}))
	};
}

const figures = {
	errors: errors(),
	latency: [33, 45, 57, 69, 81].map(latency),
	speed: speed(),
	memory: memory(60),
	allocation: allocation(),
	others: others(),
	lively: lively(),
	rates: rates(),
	sinusoids: sinusoids(),
	gliding: gliding(),
	recorded: await recorded()
};
console.log(JSON.stringify(figures));
