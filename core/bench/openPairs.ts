import { quantile } from 'd3-array';
import { createRandom } from '../src/numeric/random';
import { decimated } from '../src/numeric/decimate';
import { fitDampedPartial, partialEnvelope } from '../src/listening/closer/envelope';
import { hearPair } from '../src/listening/pair/hearPair';
import { equalHz, hz, partialHz, stringFromFirstPartial, type StiffString } from '../src/index';
import { usualB } from '../fixtures/strikePairs';
import { LAYERS, recordings } from './recordings';

/*
 * Notes of a recorded grand, all strings open, mixed two and two: the beat that is heard in the mixture against the one that each
 * note alone tells, as a single damped tone over the same seconds, where each alone is one. Notes that were not recorded are made by resampling their
 * neighbours, by 1.5 semitones at most. The layer struck with middle force was looked at while this was made, the other two when it was last changed.
 */
type Meeting = readonly [lowerPartial: number, upperPartial: number];
const KINDS: readonly (readonly [semitones: number, meetings: readonly Meeting[]])[] = [
	[3, [[6, 5]]],
	[4, [[5, 4]]],
	[5, [[4, 3]]],
	[
		7,
		[
			[3, 2],
			[6, 4]
		]
	],
	[9, [[5, 3]]],
	[
		12,
		[
			[2, 1],
			[4, 2],
			[6, 3]
		]
	],
	[16, [[5, 2]]],
	[
		19,
		[
			[3, 1],
			[6, 2]
		]
	]
];
const RATE = 12_000;
const SETTLED = 0.12;
const LOWEST = 36;
const HIGHEST_LOWER = 72;
const HIGHEST = 88;
const LOUD = 0.015;
const SNR = 20;
const MOST_MOVED = 1.5;

interface Note {
	readonly note: number;
	readonly sound: Float32Array;
}

/** The same so many semitones higher, and faster (a windowed sinc of 33 taps). */
function moved(sound: Float32Array, semitones: number): Float32Array {
	const ratio = 2 ** (semitones / 12);
	const reach = 16;
	const count = Math.floor((sound.length - 2 * reach) / ratio);
	return Float32Array.from({ length: count }, (_, i) => {
		const at = i * ratio;
		const near = Math.floor(at);
		let value = 0;
		for (let k = Math.max(0, near - reach); k <= Math.min(sound.length - 1, near + reach); k++) {
			const t = at - k;
			const sinc = t === 0 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t);
			value += sound[k] * sinc * (0.5 + 0.5 * Math.cos((Math.PI * t) / (reach + 1)));
		}
		return value;
	});
}

const thought = (note: number) => ({
	string: stringFromFirstPartial(equalHz(note, hz(440)), 0.8 * usualB(note)),
	strings: note < 40 ? 2 : 3
});

/** What one tone leaves over of a partial, at most: where strings of a note that fade beat out most of it, no figure of it is true. */
const MOST_LEFT = 0.35;

/** Where a partial lies in a note alone, in Hz; undefined where the note alone does not tell. */
function alone(sound: Float32Array, string: StiffString, partial: number): number | undefined {
	const spacing = Math.min(0.9 * string.flexiblePitch, 40);
	const envelope = partialEnvelope(sound, RATE, partialHz(string, partial), spacing);
	const tone = envelope && fitDampedPartial(envelope);
	return tone && tone.left <= MOST_LEFT ? tone.frequency : undefined;
}

interface Heard {
	readonly isOctave: boolean;
	readonly heardAt: number;
	readonly isSaid: boolean;
	readonly error: number;
	readonly stated: number;
	readonly isSenseSaid: boolean;
	readonly isSenseWrong: boolean;
}

function heardOf(layer: readonly Note[], seconds: number, seed: number): readonly Heard[] {
	const random = createRandom(seed);
	const cut = (sound: Float32Array) =>
		sound.subarray(Math.round(SETTLED * RATE), Math.round((SETTLED + seconds) * RATE));
	const heard: Heard[] = [];
	for (const lower of layer.filter(({ note }) => note <= HIGHEST_LOWER))
		for (const [semitones, meetings] of KINDS) {
			const wanted = lower.note + semitones;
			const others = layer.filter(({ note }) => note !== lower.note && Math.abs(note - wanted) <= MOST_MOVED);
			const [upper] = others.sort((a, b) => Math.abs(a.note - wanted) - Math.abs(b.note - wanted));
			if (!upper) continue;
			const low = cut(lower.sound);
			const high = cut(moved(upper.sound, wanted - upper.note + 0.05 * random.normal()));
			const length = Math.min(low.length, high.length);
			const power = [low, high].reduce((sum, each) => sum + each.subarray(0, RATE).reduce((s, v) => s + v * v, 0), 0);
			const noise = Math.sqrt(power / RATE) * 10 ** (-SNR / 20);
			const samples = Float32Array.from({ length }, (_, i) => low[i] + high[i] + noise * random.normal());
			const [lowNote, highNote] = [thought(lower.note), thought(wanted)];
			const told = hearPair({ samples, sampleRate: RATE }, lowNote, highNote, meetings);
			for (const [p, q] of meetings) {
				const ofLow = alone(low.subarray(0, length), lowNote.string, p);
				const ofHigh = alone(high.subarray(0, length), highNote.string, q);
				if (ofLow === undefined || ofHigh === undefined) continue;
				const truth = ofHigh - ofLow;
				const beat =
					told.kind === 'heard'
						? told.beats.find(({ lowerPartial, upperPartial }) => lowerPartial === p && upperPartial === q)
						: undefined;
				const { sense, rate = NaN } = beat ?? {};
				heard.push({
					isOctave: semitones % 12 === 0 || semitones === 19,
					heardAt: (ofLow + ofHigh) / 2,
					isSaid: beat !== undefined && beat.certainty !== 'not to be said',
					// Where the sense is not said the figure is a size.
					error: Math.abs(sense ? rate - truth : Math.abs(rate) - Math.abs(truth)),
					stated: beat?.error ?? NaN,
					isSenseSaid: sense !== undefined,
					isSenseWrong: sense !== undefined && (sense === 'wide') !== truth > 0
				});
			}
		}
	return heard;
}

function figures(name: string, seconds: number, all: readonly Heard[]) {
	const said = all.filter(({ isSaid }) => isSaid);
	const errors = said.map(({ error }) => error);
	const sensed = said.filter(({ isSenseSaid }) => isSenseSaid);
	return {
		...{ name, seconds, asked: all.length, answered: said.length / all.length },
		rms: Math.sqrt(errors.reduce((sum, error) => sum + error ** 2, 0) / errors.length),
		median: quantile(errors, 0.5)!,
		high: quantile(errors, 0.95)!,
		senseSaid: sensed.length,
		senseWrong: sensed.filter(({ isSenseWrong }) => isSenseWrong).length,
		withinOne: said.filter(({ error, stated }) => error <= stated).length / said.length,
		withinTwo: said.filter(({ error, stated }) => error <= 2 * stated).length / said.length
	};
}

const BANDS = [
	['below 600 Hz', 0, 600],
	['600 to 1,200 Hz', 600, 1200]
] as const;

/** Open unisons, layer by layer, below 600 Hz and from there to 1,200; then all of them together. */
export async function openPairs() {
	const rows = [];
	const together = new Map<number, Heard[]>();
	for (const layer of LAYERS) {
		const notes = (await recordings(layer))
			.filter(({ note }) => note >= LOWEST && note <= HIGHEST)
			.map(({ note, samples, sampleRate }): Note => {
				const sound = decimated(samples, Math.round(sampleRate / RATE));
				return {
					note,
					sound: sound.subarray(
						Math.max(
							0,
							sound.findIndex((value) => Math.abs(value) > LOUD)
						)
					)
				};
			});
		for (const seconds of [3, 5]) {
			const heard = heardOf(notes, seconds, 7 * layer + 1);
			together.set(seconds, [...(together.get(seconds) ?? []), ...heard]);
			const within = (from: number, to: number, isOctave: boolean) =>
				heard.filter((each) => each.heardAt >= from && each.heardAt < to && each.isOctave === isOctave);
			for (const [name, from, to] of BANDS) {
				rows.push({ layer, ...figures(name, seconds, within(from, to, false)) });
				rows.push({ layer, ...figures(`${name}, octaves and twelfths`, seconds, within(from, to, true)) });
			}
		}
	}
	for (const [seconds, heard] of together)
		for (const [name, from, to] of BANDS) {
			const within = heard.filter(({ heardAt }) => heardAt >= from && heardAt < to);
			rows.push({ layer: 'all', ...figures(`${name}, all intervals`, seconds, within) });
		}
	return rows;
}
