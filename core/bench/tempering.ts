/* Figures of intervals, bearing plans and counted beats, as one JSON object on standard output: run by scripts/bench.mjs. */
import {
	beatOf,
	bearingPlan,
	cents,
	coincidences,
	COMPUTED,
	countedKind,
	createRandom,
	DEFAULT_EAR,
	hz,
	hzAbove,
	partialHz,
	pitchesFromCounts,
	SCHOOLS,
	simulatePlan,
	targetTable,
	temperamentById,
	typicalInharmonicity
} from '../src/index';
import { finish } from '../fixtures/finish';

const temperament = temperamentById('equal');
const table = targetTable({
	lowest: 21,
	highest: 108,
	a4: hz(440),
	temperament,
	inharmonicityAt: (note) => typicalInharmonicity('upright', note)
});
const strings = (note: number) => table[note - 21].string;

/** The fastest of several goes, in milliseconds: what the machine can do when nobody disturbs it. */
function fastest(goes: number, work: () => void): number {
	let best = Infinity;
	for (let i = 0; i < goes; i++) {
		const start = performance.now();
		work();
		best = Math.min(best, performance.now() - start);
	}
	return best;
}

/** Every interval up to three octaves over 88 notes. */
function allIntervals(look: (lower: number, upper: number) => void): number {
	let count = 0;
	for (let lower = 21; lower <= 108; lower++)
		for (let upper = lower; upper <= Math.min(108, lower + 36); upper++) {
			look(lower, upper);
			count++;
		}
	return count;
}

let pairs = 0;
const book = () => {
	pairs = 0;
	allIntervals((lower, upper) => (pairs += coincidences(strings(lower), strings(upper), hz(440)).length));
};
/** The same by looking at all 256 pairs of every interval. */
const plain = () =>
	allIntervals((lower, upper) => {
		for (let p = 1; p <= 16; p++)
			for (let q = 1; q <= 16; q++)
				if (Math.abs(1200 * Math.log2(partialHz(strings(upper), q) / partialHz(strings(lower), p))) <= 50) pairs++;
	});
const intervals = allIntervals(() => {});
const bookTime = fastest(30, book);
const found = pairs;
const plainTime = fastest(5, plain);

const plans = [...SCHOOLS.map(({ id }) => id), COMPUTED].map((school) => {
	const make = () => bearingPlan({ school, start: 69, low: 53, high: 65, strings, temperament, ear: DEFAULT_EAR });
	let errors = finish(simulatePlan(make(), strings, DEFAULT_EAR, 10_000, 1)).result;
	const time = fastest(8, () => {
		errors = finish(simulatePlan(make(), strings, DEFAULT_EAR, 10_000, 1)).result;
	});
	const scatter = { ...DEFAULT_EAR, bias: 0 };
	const plain = bearingPlan({ school, start: 69, low: 53, high: 65, strings, temperament, ear: scatter });
	const alone = finish(simulatePlan(plain, strings, scatter, 10_000, 1)).result;
	return {
		school,
		time,
		overall: errors.overall,
		closing: errors.closing,
		scatterOverall: alone.overall,
		scatterClosing: alone.closing
	};
});

/** Hidden octaves, their beats rounded to a tenth; the root mean square of what is found against what was hidden. */
const solved = (
	[
		['all intervals of the octave', [3, 4, 5, 7, 8, 9, 12]],
		['thirds and fifths', [3, 4, 7]]
	] as const
).map(([name, semitones]) => {
	const random = createRandom(77);
	let [squares, notes, refused] = [0, 0, 0];
	for (let run = 0; run < 200; run++) {
		const off = Array.from({ length: 13 }, (_, i) => (i === 4 ? 0 : 8 * random.normal()));
		const at = (note: number) => ({
			...strings(note),
			flexiblePitch: hzAbove(strings(note).flexiblePitch, cents(off[note - 53]))
		});
		const counts = semitones.flatMap((each) =>
			Array.from({ length: 13 - each }, (_, i) => {
				const [lower, upper, kind] = [53 + i, 53 + i + each, countedKind(each)!];
				const { rate } = beatOf(at(lower), at(upper), kind);
				const sense = rate < 0 ? ('narrow' as const) : ('wide' as const);
				return { lower, upper, kind, rate: Math.round(10 * Math.abs(rate)) / 10, sense, error: 0.03 };
			})
		);
		const result = pitchesFromCounts(counts, { strings, reference: 57, bias: 0.1 });
		if (result.kind !== 'solved') {
			refused++;
			continue;
		}
		const { measured } = result.solutions[0];
		measured.notes.forEach((note, i) => {
			if (note === 57) return;
			squares += (measured.deviations[i] - off[note - 53]) ** 2;
			notes++;
		});
	}
	return { name, rms: Math.sqrt(squares / notes), octaves: 200, refused };
});

console.log(JSON.stringify({ intervals, found, bookTime, plainTime, plans, solved }));
