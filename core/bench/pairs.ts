import { quantile } from 'd3-array';
import { beatOfPair, PAIR_RATE, struckPair, thoughtOf } from '../fixtures/strikePairs';
import { openPairs } from './openPairs';
import { hearPair } from '../src/listening/pair/hearPair';

/*
 * Two single strings struck together, 20 dB over the noise, notes about 8 cents off and B by a tenth: the beat that is heard
 * against the one that they were made with. Every seed is another instrument.
 */
type Pair = readonly [lower: number, upper: number];
interface Kind {
	readonly name: string;
	readonly semitones: number;
	readonly pairs: readonly Pair[];
}
const KINDS: readonly Kind[] = [
	{ name: 'thirds, sixths, tenths', semitones: 4, pairs: [[5, 4]] },
	{ name: 'thirds, sixths, tenths', semitones: 3, pairs: [[6, 5]] },
	{ name: 'thirds, sixths, tenths', semitones: 9, pairs: [[5, 3]] },
	{ name: 'thirds, sixths, tenths', semitones: 16, pairs: [[5, 2]] },
	{ name: 'fourths and fifths', semitones: 5, pairs: [[4, 3]] },
	{
		name: 'fourths and fifths',
		semitones: 7,
		pairs: [
			[3, 2],
			[6, 4]
		]
	},
	{
		name: 'octaves, twelfths, double octaves',
		semitones: 12,
		pairs: [
			[2, 1],
			[4, 2],
			[6, 3]
		]
	},
	{ name: 'octaves, twelfths, double octaves', semitones: 19, pairs: [[3, 1]] },
	{ name: 'octaves, twelfths, double octaves', semitones: 24, pairs: [[4, 1]] }
];
const LOWEST = 41;
const HIGHEST = 74;
const EACH = Number(process.env.FENDREL_BENCH_PAIRS ?? 3);

interface Heard {
	readonly error: number;
	readonly stated: number;
	readonly isSenseSaid: boolean;
	readonly isSenseWrong: boolean;
}

function measured(name: string, seconds: number) {
	let asked = 0;
	const heard: Heard[] = [];
	for (const { semitones, pairs } of KINDS.filter((each) => each.name === name))
		for (let note = LOWEST; note <= HIGHEST; note += 3)
			for (let again = 0; again < EACH; again++) {
				const made = struckPair({ note, semitones, seed: 1 + 100 * semitones + 7 * note + 1013 * again, seconds });
				const sound = { samples: made.samples, sampleRate: PAIR_RATE };
				const told = hearPair(sound, thoughtOf(note), thoughtOf(note + semitones), pairs);
				asked += pairs.length;
				for (const beat of told.kind === 'heard' ? told.beats : []) {
					if (beat.certainty === 'not to be said') continue;
					const truth = beatOfPair(made, [beat.lowerPartial, beat.upperPartial]);
					heard.push({
						error: Math.abs(beat.rate - truth),
						stated: beat.error,
						isSenseSaid: beat.sense !== undefined,
						isSenseWrong: beat.sense !== undefined && (beat.sense === 'wide') !== truth > 0
					});
				}
			}
	const errors = heard.map(({ error }) => error);
	const said = heard.filter(({ isSenseSaid }) => isSenseSaid).length;
	return {
		...{ name, seconds, asked },
		answered: heard.length / asked,
		median: quantile(errors, 0.5)!,
		high: quantile(errors, 0.95)!,
		far: errors.filter((error) => error > 1).length / heard.length,
		senseSaid: said / heard.length,
		senseWrong: heard.filter(({ isSenseWrong }) => isSenseWrong).length / Math.max(1, said),
		withinOne: heard.filter(({ error, stated }) => error <= stated).length / heard.length,
		withinTwo: heard.filter(({ error, stated }) => error <= 2 * stated).length / heard.length
	};
}

/** What is no pair: one key alone, a third note besides, another key than was thought. */
function refused() {
	let [all, right] = [0, 0];
	for (let note = LOWEST; note <= 66; note += 3)
		for (const semitones of [4, 7, 9]) {
			const pairs: readonly Pair[] = [[5, 4]];
			const ask = (samples: Float32Array, as = semitones) => {
				all++;
				const sound = { samples, sampleRate: PAIR_RATE };
				if (hearPair(sound, thoughtOf(note), thoughtOf(note + as), pairs).kind === 'refused') right++;
			};
			const seed = 17 * note + semitones;
			ask(struckPair({ note, semitones, seed, only: 'lower' }).samples);
			ask(struckPair({ note, semitones, seed, only: 'upper' }).samples);
			const third = struckPair({ note: note + 14, semitones, seed: seed + 1, only: 'lower' }).samples;
			ask(struckPair({ note, semitones, seed }).samples.map((value, i) => value + 0.8 * third[i]));
			ask(struckPair({ note, semitones, seed }).samples, semitones + 1);
		}
	return { all, right: right / all };
}

const names = [...new Set(KINDS.map(({ name }) => name))];
const began = process.cpuUsage();
const rows = [3, 1].flatMap((seconds) => names.map((name) => measured(name, seconds)));
const { user } = process.cpuUsage(began);
const sounds = rows.reduce((sum, { asked }) => sum + asked, 0);
const open = await openPairs();
console.log(JSON.stringify({ open, rows, refused: refused(), each: EACH, cpu: user / 1e6 / sounds }));
