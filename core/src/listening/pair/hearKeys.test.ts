import { describe, expect, it } from 'vitest';
import { inRoom, struckKey, UPRIGHT, uprightString } from '../../../fixtures/upright';
import { createRandom } from '../../numeric/random';
import { partialHz } from '../../strings/stiffString';
import { createListener } from '../stream/listener';
import { hearKeys, type AskedKeys, type KnownKeyboard, type PairWord } from './hearKeys';
import { PairKeeper } from './pairKeeper';

const RATE = 24_000;
const KEYBOARD: KnownKeyboard = {
	...UPRIGHT,
	thought: (note) => uprightString(note),
	strings: () => 1
};
interface Key {
	readonly note: number;
	readonly at?: number;
	readonly off?: number;
	readonly strength?: number;
	/** When dampers fall, in seconds after the strike. */
	readonly damped?: number;
}
/** Dampers take 80 decibels a second. */
function damp(sound: Float32Array, after: number): Float32Array {
	return sound.map((value, i) => value * 10 ** (-4 * Math.max(0, i / RATE - after)));
}
const key = ({ note, at = 0, off = 0, strength = 0.7, damped = 9 }: Key, seed: number) => {
	const strike = {
		strings: [uprightString(note, off)],
		sampleRate: RATE,
		seconds: 3.6,
		strength,
		seed: 31 * seed + note
	};
	return { at: 0.5 + at, sound: damp(struckKey(note, strike), damped) };
};

/** Everything that is told of keys, in the order of time, heard as it comes in. */
function words(keys: readonly Key[], asked: readonly AskedKeys[] = [], seconds = 4.5): readonly PairWord[] {
	const sounds = keys.map((each, i) => key(each, i));
	const samples = inRoom(sounds, seconds, { rate: RATE, snr: 25 });
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const keeper = new PairKeeper(RATE);
	const told: PairWord[] = [];
	for (let from = 0; from < samples.length; from += 1024) {
		const block = samples.subarray(from, from + 1024);
		for (const kept of keeper.push(block, listener.push(block))) told.push(hearKeys(kept, KEYBOARD, asked));
	}
	return told;
}
const last = (told: readonly PairWord[]) => {
	const word = told.at(-1)!;
	if (word.kind !== 'heard') throw new Error(word.why);
	return word;
};
const beat = (lower: Key, upper: Key, [p, q]: readonly [number, number]) =>
	partialHz(uprightString(upper.note, upper.off), q) - partialHz(uprightString(lower.note, lower.off), p);

describe('two keys as they are heard', () => {
	it('are told after one second, better after two, and for good after three', () => {
		const told = words([{ note: 53 }, { note: 57, off: 3 }]);
		expect(told.map(({ seconds }) => Math.round(seconds))).toEqual([1, 2, 3]);
		expect(told.map(({ isFinal }) => isFinal)).toEqual([false, false, true]);
		for (const word of told) {
			expect(word).toMatchObject({ kind: 'heard', keys: { lower: 53, upper: 57 } });
			const [first] = last([word]).beats;
			expect([first.lowerPartial, first.upperPartial]).toEqual([5, 4]);
			expect(Math.abs(first.rate - beat({ note: 53 }, { note: 57, off: 3 }, [5, 4]))).toBeLessThan(0.15);
		}
	});

	it.each([
		[45, 52],
		[53, 56],
		[57, 62],
		[55, 64],
		[53, 69],
		[62, 65]
	])('are named though nobody asked for them: %i and %i', (lower, upper) => {
		expect(
			last(
				words([
					{ note: lower, off: 4 },
					{ note: upper, off: -5 }
				])
			).keys
		).toEqual({ lower, upper });
	});

	it('may be struck one after the other, in either order', () => {
		for (const [i, at] of [0.1, 0.22, 0.4].entries()) {
			const keys = [
				{ note: 53, at: i % 2 ? at : 0 },
				{ note: 57, at: i % 2 ? 0 : at, off: 5, strength: 0.5 }
			];
			const word = last(words(keys));
			expect(word.keys).toEqual({ lower: 53, upper: 57 });
			expect(Math.abs(word.beats[0].rate - beat(keys[0], keys[1], [5, 4])), `${at}`).toBeLessThan(0.1);
		}
	});

	it('may stand half a quarter-tone off all together', () => {
		const word = last(
			words([
				{ note: 53, off: -48 },
				{ note: 57, off: -45 }
			])
		);
		expect(word.keys).toEqual({ lower: 53, upper: 57 });
	});

	it('are an octave where one is asked for, told by coincidences that agree', () => {
		const asked = [{ lower: 53, upper: 65, meetings: [[2, 1] as const, [4, 2] as const] }];
		const word = last(words([{ note: 53 }, { note: 65, off: 3 }], asked));
		expect(word).toMatchObject({ keys: { lower: 53, upper: 65 }, isAsked: true });
		for (const { rate, lowerPartial, upperPartial } of word.beats)
			expect(Math.abs(rate - beat({ note: 53 }, { note: 65, off: 3 }, [lowerPartial, upperPartial]))).toBeLessThan(
				0.17
			);
	});

	it('begin anew with the next two, and end where dampers fall', () => {
		const keys = [
			{ note: 53, damped: 1.5 },
			{ note: 57, damped: 1.5 },
			{ note: 55, at: 1.9 },
			{ note: 59, at: 1.92 }
		];
		const told = words(keys, [], 6);
		const before = told.filter((word) => word.kind === 'heard' && word.keys.lower === 53);
		expect(before.at(-1)).toMatchObject({ isFinal: true, keys: { lower: 53, upper: 57 } });
		expect(before.at(-1)!.seconds).toBeGreaterThan(1.2);
		expect(before.at(-1)!.seconds).toBeLessThan(1.45);
		expect(Math.abs(last(before).beats[0].rate - beat(keys[0], keys[1], [5, 4]))).toBeLessThan(0.15);
		expect(last(told).keys).toEqual({ lower: 55, upper: 59 });
	});

	it('are none in what is no instrument, whatever it is', () => {
		const length = Math.round(1.5 * RATE);
		const random = createRandom(5);
		const sounds: Record<string, (i: number) => number> = {
			silence: () => 0,
			noise: () => 0.2 * random.normal(),
			'one click': (i) => (i === 3000 ? 1 : 0),
			'a square wave': (i) => (i % 54 < 27 ? 0.5 : -0.5),
			'a whistle that rises': (i) => 0.3 * Math.sin(1e-4 * i * i),
			'a hum': (i) => 0.3 * Math.sin((2 * Math.PI * 50 * i) / RATE)
		};
		const asked = [{ lower: 53, upper: 65, meetings: [[2, 1] as const, [4, 2] as const] }];
		for (const [name, sound] of Object.entries(sounds)) {
			const samples = Float32Array.from({ length }, (_, i) => sound(i));
			const kept = { struckAt: 0, lastStruckAt: 0, samples, sampleRate: RATE, isFinal: true };
			for (const strings of [1, 3]) {
				const word = hearKeys(kept, { ...KEYBOARD, strings: () => strings }, asked);
				const beats = word.kind === 'heard' ? word.beats : [];
				expect(
					beats.filter(({ certainty }) => certainty === 'clear'),
					name
				).toEqual([]);
			}
		}
	});

	it('are none where one key sounds, or nothing', () => {
		expect(words([{ note: 53 }]).at(-1)).toMatchObject({ kind: 'refused', why: 'one note only', only: 53 });
		expect(words([{ note: 57 }], [{ lower: 53, upper: 57, meetings: [[5, 4]] }]).at(-1)).toMatchObject({
			...{ kind: 'refused', why: 'one note only', only: 57 }
		});
		expect(words([])).toEqual([]);
	});
});
