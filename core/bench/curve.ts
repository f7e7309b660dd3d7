/* Figures of tuning curves and inharmonicity, as one JSON object on standard output: run by scripts/bench.mjs. */
import { denseCurve } from '../fixtures/denseCurve';
import {
	cents,
	centsBetween,
	createListener,
	createRandom,
	curveErrors,
	curveSolver,
	equalHz,
	hz,
	instrumentStrings,
	keyboardInharmonicity,
	closestCurve,
	partialSharpness,
	PRIORITIES,
	priorityById,
	twoBranchInharmonicity,
	typicalInharmonicity,
	whatGivesWay,
	type CurveWish,
	type MeasuredString,
	type StringReading
} from '../src/index';
import { recordings, type Recording } from './recordings';

const LOWEST = 21;
const HIGHEST = 108;
const NOTES = Array.from({ length: HIGHEST - LOWEST + 1 }, (_, i) => LOWEST + i);
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((sum, each) => sum + each ** 2, 0) / values.length);
const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

function speed() {
	const upright = (note: number, partial: number) => partialSharpness(typicalInharmonicity('upright', note), partial);
	const keyboard = { lowest: LOWEST, highest: HIGHEST, sharpnessAt: upright };
	const solver = curveSolver(keyboard);
	const wishAt = (share: number): CurveWish => ({
		priority: priorityById('balanced'),
		blend: { with: priorityById('fifths'), share }
	});
	const timed = (goes: number, work: (share: number) => void) =>
		median(
			Array.from({ length: goes }, (_, i) => {
				const start = performance.now();
				work(0.01 + (0.98 * i) / goes);
				return performance.now() - start;
			})
		);
	timed(200, (share) => solver.solve(wishAt(share)));
	const banded = timed(1000, (share) => solver.solve(wishAt(share)));
	const shown = timed(200, (share) => whatGivesWay(solver.solve(wishAt(share)), upright, hz(440)));
	let furthest = 0;
	const dense = timed(8, (share) => {
		const reference = denseCurve({ ...keyboard, ...wishAt(share) });
		solver.solve(wishAt(share)).deviations.forEach((value, i) => {
			furthest = Math.max(furthest, Math.abs(value - reference[i]));
		});
	});
	const strings = instrumentStrings('upright', []);
	const band = timed(20, (share) => curveErrors(solver, wishAt(share), strings));
	return { banded, shown, dense, band, furthest };
}

/** How often the branches' parameters lie within one and two stated standard errors. */
function recovery() {
	const branches = { bassSlope: -0.095, bassLevel: -5.6, trebleSlope: 0.088, trebleLevel: -13.2 };
	const truth = [
		branches.bassSlope,
		branches.bassLevel + 30 * branches.bassSlope,
		branches.trebleSlope,
		branches.trebleLevel + 80 * branches.trebleSlope
	];
	let [one, two, all] = [0, 0, 0];
	const RUNS = 500;
	for (let seed = 1; seed <= RUNS; seed++) {
		const random = createRandom(seed);
		const measured = NOTES.slice(0, 76).map((note) => {
			const real = twoBranchInharmonicity(branches, note) * Math.exp(0.05 * random.normal());
			return { note, b: real * Math.exp(0.03 * random.normal()), error: 0.03 * real };
		});
		const { parameters, errors } = keyboardInharmonicity('upright', measured);
		truth.forEach((value, i) => {
			const off = Math.abs(parameters[i] - value) / errors[i];
			all++;
			if (off < 1) one++;
			if (off < 2) two++;
		});
	}
	return { runs: RUNS, one: one / all, two: two / all };
}

/** A second of a quiet room before the strike, as a microphone has it. */
const ROOM_SECONDS = 1;

function read({ note, samples, sampleRate }: Recording): StringReading | undefined {
	const listener = createListener({
		sampleRate,
		strings: {
			lowest: LOWEST,
			highest: HIGHEST,
			a4: hz(440),
			inharmonicityAt: (each) => typicalInharmonicity('grand', each)
		}
	});
	listener.expect({ note, pitch: equalHz(note, hz(440)) });
	const random = createRandom(note);
	const room = new Float32Array(ROOM_SECONDS * sampleRate).map(() => 1e-5 * random.normal());
	for (const event of [...listener.push(room), ...listener.push(samples), ...listener.push(room)])
		if (event.kind === 'reading' && event.reading.note === note) return event.reading;
	return undefined;
}

/** Strongest tone within reach of the note, for the few that the listener does not take: a fine scan, Hann window. */
function strongestNear({ note, samples, sampleRate }: Recording): number {
	const loudest = samples.reduce((most, each, i) => (Math.abs(each) > Math.abs(samples[most]) ? i : most), 0);
	const from = loudest + Math.round(0.03 * sampleRate);
	const length = Math.round(0.25 * sampleRate);
	let [best, most] = [0, -1];
	for (let off = -60; off <= 90; off += 0.5) {
		const turn = (2 * Math.PI * equalHz(note, hz(440)) * 2 ** (off / 1200)) / sampleRate;
		let [re, im] = [0, 0];
		for (let i = 0; i < length; i++) {
			const value = samples[from + i] * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / length));
			re += value * Math.cos(turn * i);
			im += value * Math.sin(turn * i);
		}
		if (re * re + im * im > most) [best, most] = [off, re * re + im * im];
	}
	return best;
}

const REGISTERS = [
	{ name: 'A1 to C7', from: 33, to: 96 },
	{ name: 'A0 to A7', from: 21, to: 105 },
	{ name: 'A0 to F♯1', from: 21, to: 30 },
	{ name: 'A1 to F♯3', from: 33, to: 54 },
	{ name: 'A3 to F♯5', from: 57, to: 78 },
	{ name: 'A5 to C7', from: 81, to: 96 },
	{ name: 'E♭7 to A7', from: 99, to: 105 }
];
/** Where the mean difference is taken out, since a single A4 carries its own error into every comparison. */
const MIDDLE = { from: 48, to: 84 };

async function recordedGrand() {
	const measured: MeasuredString[] = [];
	const stands: { note: number; deviation: number }[] = [];
	let recognised = 0;
	for (const recording of await recordings()) {
		const reading = read(recording);
		if (reading) recognised++;
		const deviation = reading
			? centsBetween(equalHz(recording.note, hz(440)), reading.pitch)
			: strongestNear(recording);
		stands.push({ note: recording.note, deviation });
		if (reading?.inharmonicity === undefined || reading.inharmonicityError === undefined) continue;
		const { note, pitch, pitchError, inharmonicity: b, inharmonicityError: error, partials } = reading;
		measured.push({
			note,
			b,
			error,
			partials: partials.map(({ partial, frequency, error: own }) => ({
				partial,
				sharpness: cents(1200 * Math.log2(frequency / (partial * pitch))),
				error: cents(Math.hypot((1200 / Math.LN2) * (own / frequency), pitchError))
			}))
		});
	}
	const strings = instrumentStrings('grand', measured);
	const solver = curveSolver({ lowest: LOWEST, highest: HIGHEST, sharpnessAt: strings.sharpnessAt });
	const against = (wish: CurveWish) => {
		const { deviations } = solver.solve(wish);
		const off = stands.map(({ note, deviation }) => ({ note, by: deviation - deviations[note - LOWEST] }));
		const within = (from: number, to: number) => off.filter(({ note }) => note >= from && note <= to);
		const level = mean(within(MIDDLE.from, MIDDLE.to).map(({ by }) => by));
		return REGISTERS.map(({ from, to }) => rms(within(from, to).map(({ by }) => by - level)));
	};
	const closest = closestCurve(
		solver,
		stands.filter(({ note }) => note <= 105).map(({ note, deviation }) => ({ note, deviation: cents(deviation) }))
	)!;
	const { priority, blend, topStretch } = closest.wish;
	const { scatter, parameters, outliers } = strings.inharmonicity;
	return {
		recognised,
		all: stands.length,
		scatter,
		parameters,
		outliers: outliers.map(({ note }) => note),
		registers: REGISTERS.map(({ name }) => name),
		priorities: [
			...PRIORITIES.map((each) => ({ name: each.name, rms: against({ priority: each }) })),
			{
				name: 'No stretch',
				rms: against({ priority: PRIORITIES[0], fixed: new Map(NOTES.map((note) => [note, cents(0)])) })
			}
		],
		fitted: {
			name: `${priority.name}${blend ? `, ${Math.round(100 * blend.share)} % ${blend.with.name.toLowerCase()}` : ''}, ${topStretch.toFixed(1)} cents on top`,
			rms: against(closest.wish)
		}
	};
}

const figures = { speed: speed(), recovery: recovery(), grand: await recordedGrand() };
process.stdout.write(JSON.stringify(figures));
