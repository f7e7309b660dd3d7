/* Figures of the estimator, as one JSON object on standard output: run by scripts/bench.mjs. */
import FFT from 'fft.js';
import {
	addRoomNoise,
	cents,
	centsBetween,
	createListener,
	createRandom,
	equalHz,
	hz,
	hzAbove,
	noteName,
	renderStrike,
	stringFromFirstPartial,
	typicalInharmonicity,
	type ListenerEvent
} from '../src/index';

const RATE = 48_000;
const A4 = hz(440);
const BLOCK = 1024;
const START = 0.3;
const strings = {
	lowest: 21,
	highest: 108,
	a4: A4,
	inharmonicityAt: (note: number) => typicalInharmonicity('upright', note)
};

function scene(note: number, off: number, stiffness: number, seed: number) {
	const pitch = hzAbove(equalHz(note, A4), cents(off));
	const b = stiffness * typicalInharmonicity('upright', note);
	const sound = new Float32Array(2 * RATE);
	const strike = {
		note,
		strings: [stringFromFirstPartial(pitch, b)],
		sampleRate: RATE,
		seconds: 1.7,
		strength: 0.7,
		seed
	};
	sound.set(renderStrike(strike), START * RATE);
	addRoomNoise(sound, RATE, 20, seed + 1);
	return { sound, pitch, b };
}

function listen(sound: Float32Array): ListenerEvent[] {
	const listener = createListener({ sampleRate: RATE, strings });
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

/** Estimator against the bare transforms that any estimator at this rate would need. */
function speed() {
	const made = Array.from({ length: 30 }, (_, i) => scene(33 + 2 * i, 5, 1, i).sound);
	const seconds = made.length * 2;
	for (const sound of made.slice(0, 5)) listen(sound);
	const own = cpu(() => made.forEach(listen));
	const size = 8192;
	const fft = new FFT(size);
	const out = fft.createComplexArray();
	const input = new Array<number>(size).fill(0.1);
	const frames = Math.round((seconds * RATE) / (size / 4));
	const bare = cpu(() => {
		for (let i = 0; i < frames; i++) fft.realTransform(out, input);
	});
	return { secondsPerCpuSecond: seconds / own, timesBareTransforms: own / bare };
}

/** Memory after listening for so many minutes, garbage collected. */
function memory(minutes: number) {
	const { sound } = scene(57, 2, 1, 3);
	const listener = createListener({ sampleRate: RATE, strings });
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
	return { megabytes: heap(), growth: heap() - before, minutes };
}

console.log(
	JSON.stringify({ errors: errors(), latency: [33, 45, 57, 69, 81].map(latency), speed: speed(), memory: memory(10) })
);
