/* Figures of what a survey says, as one JSON object on standard output: run by scripts/bench.mjs. */
import {
	createRandom,
	everyLevel,
	fewestStrings,
	instrumentState,
	leastMovement,
	NOTHING_LEARNED,
	pitchPrice,
	plannedPasses,
	priceCurve,
	raiseOrder,
	strays,
	TEMPERAMENT_OCTAVE,
	USUAL_NEAR_ENOUGH,
	USUAL_THRESHOLDS,
	verdict,
	type FoundLevel
} from '../src/index';

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

/** What stands with the last strike, in milliseconds: the fastest of several goes. */
function verdictMilliseconds(): number {
	const random = createRandom(3);
	const found = keyboard(3, 1.6, 1, 0).found.map((each) => ({
		...each,
		level: each.level - 23,
		spread: Math.abs(random.normal()),
		unison: 2,
		hasFalseBeat: false
	}));
	const compass = { lowest: 21, highest: 108, breakNote: BREAK };
	const work = () => {
		const state = instrumentState(found, compass, TEMPERAMENT_OCTAVE);
		const said = verdict(state, USUAL_NEAR_ENOUGH.home, USUAL_THRESHOLDS, false);
		const notes = everyLevel(found, compass).map(({ note, level }) => ({
			...{ note, level, unison: 2 },
			strings: note < 31 ? [level] : [level - 0.5, level, level + 0.5]
		}));
		const costs = [
			leastMovement(notes, 88),
			fewestStrings(notes, 3),
			pitchPrice(notes, 0, 3),
			priceCurve(notes, -40, 15, 3)
		];
		const raised = raiseOrder(
			'bassFirst',
			notes.map(({ note }) => note)
		).map((note) => ({
			...{ note, strings: 3, row: 'plain' as const, found: notes[note - 21].level, error: 0.2, target: 0 },
			bound: { most: 30, by: 'rule' as const }
		}));
		return [said, costs, plannedPasses('coupled', raised, NOTHING_LEARNED)];
	};
	let best = Infinity;
	for (let go = 0; go < 12; go++) {
		const start = performance.now();
		work();
		best = Math.min(best, performance.now() - start);
	}
	return best;
}

console.log(
	JSON.stringify({
		surveys: SURVEYS,
		verdict: verdictMilliseconds(),
		strays: [figuresOf(1, 1, 8), figuresOf(1.6, 1, 13), figuresOf(1, 3.1, 10), figuresOf(1, 1, 6)]
	})
);
