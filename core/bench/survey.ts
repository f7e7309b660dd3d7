/* Figures of what a survey says, as one JSON object on standard output: run by scripts/bench.mjs. */
import { createRandom, strays, type FoundLevel } from '../src/index';

/** Surveys of each kind. */
const SURVEYS = Number(process.env.FENDREL_BENCH_SURVEYS ?? 1000);
const BREAK = 44;
const JUMP = 6;

/** A keyboard that lies on a slope, with a step at its break, its notes scattered. */
function keyboard(
	seed: number,
	scatter: number,
	step: number,
	strayBy: number
): { found: FoundLevel[]; stray: number } {
	const random = createRandom(seed);
	const notes: number[] = [];
	for (let i = 0; i < 88; i += step) notes.push(21 + Math.round(i));
	const stray = notes[Math.floor(random.uniform() * notes.length)];
	const found = notes.map((note) => ({
		note,
		level:
			-8 - 0.05 * (note - 60) + (note >= BREAK ? JUMP : 0) + scatter * random.normal() + (note === stray ? strayBy : 0),
		error: 0.1
	}));
	return { found, stray };
}

function figuresOf(scatter: number, step: number, by: number) {
	let [found, falseAlarms, right] = [0, 0, 0];
	for (let seed = 1; seed <= SURVEYS; seed++) {
		const quiet = keyboard(seed, scatter, step, 0);
		if (strays(quiet.found, BREAK).strays.length) falseAlarms++;
		const loud = keyboard(seed, scatter, step, by);
		const out = strays(loud.found, BREAK).strays;
		if (out.some(({ note }) => note === loud.stray)) found++;
		if (out.length === 1) right++;
	}
	return {
		scatter,
		notes: Math.ceil(88 / step),
		by,
		found: found / SURVEYS,
		only: right / SURVEYS,
		falseAlarms: falseAlarms / SURVEYS
	};
}

console.log(
	JSON.stringify({
		surveys: SURVEYS,
		strays: [figuresOf(1, 1, 8), figuresOf(1.6, 1, 13), figuresOf(1, 3.1, 10), figuresOf(1, 1, 6)]
	})
);
