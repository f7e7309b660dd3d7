import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { stringSounder } from '../families/frets';
import type { Reading } from '../record/happened';
import { centsBetween } from '../units/pitch';
import { hz } from '../units/quantity';
import { FIRST_CHORDS, fingeringText, parseFingering, type FingeredChord } from './chordBook';
import { guitarReadings, guitarTarget, soundingsOf, type Sounding } from './guitarReadings';
import { fretGroup, neckById, type Neck } from './neck';
import { bestOffsets, chordPrices, tableCost, type TableOptions } from './offsetTable';
import { pluckedStrings, setupOf, soundsAt, type PluckedString, type PluckReading } from './pluckedNeck';
import { pluckSound, soundedPitch } from './simulatedNeck';

const GUITAR: Neck = { ...neckById('steelGuitar')!.neck, places: [], capo: 2 };
const CHORDS: readonly FingeredChord[] = FIRST_CHORDS.map(({ name, fingering }) => ({
	...{ name, frets: parseFingering(fingering, GUITAR)!, capo: 0, weight: 1 }
}));
const sure = (cents: number) => ({ cents, error: 0 });

/** Strings that nobody has built. */
function hidden(seed: number): readonly PluckedString[] {
	const random = createRandom(seed);
	return GUITAR.strings.map((_, i) => ({
		...{ open: sure(8 * random.normal()), pluck: sure(2 + i + random.normal()) },
		...{ stopped: sure(4 + 2 * random.normal()), nut: sure(random.normal()), capo: sure(2 + i / 2 + random.normal()) }
	}));
}

/** Ten readings of each string: twice open and at the harmonic, stopped at the twelfth and the second fret, the capo on; soft and hard. */
const TEN = [
	{ fret: 0, capo: 0, isHarmonic: false, touch: 0 },
	{ fret: 0, capo: 0, isHarmonic: false, touch: 1 },
	{ fret: 12, capo: 0, isHarmonic: true, touch: 0 },
	{ fret: 12, capo: 0, isHarmonic: true, touch: 0 },
	{ fret: 12, capo: 0, isHarmonic: false, touch: 0 },
	{ fret: 12, capo: 0, isHarmonic: false, touch: 1 },
	{ fret: 1, capo: 0, isHarmonic: false, touch: 0 },
	{ fret: 2, capo: 0, isHarmonic: false, touch: 0 },
	{ fret: 0, capo: 2, isHarmonic: false, touch: 0 },
	{ fret: 0, capo: 2, isHarmonic: false, touch: 1 }
];

describe('what a guitar does', () => {
	it('is recovered from ten readings a string with half a cent of noise: 95 % within a cent, errors true', () => {
		let [within, honest, all] = [0, 0, 0];
		for (let seed = 1; seed <= 60; seed++) {
			const truth = hidden(seed);
			const random = createRandom(seed + 500);
			const readings = truth.flatMap((string, i): PluckReading[] =>
				TEN.map((how) => ({
					...{ ...how, string: i + 1, error: 0.5 },
					off: soundsAt(GUITAR, string, how) + 0.5 * random.normal()
				}))
			);
			for (const [i, found] of pluckedStrings(GUITAR, readings).entries())
				for (const key of ['open', 'pluck', 'stopped', 'nut', 'capo'] as const) {
					const off = Math.abs(found[key].cents - truth[i][key].cents);
					all++;
					if (off < 1) within++;
					if (off < 2 * found[key].error) honest++;
				}
		}
		expect(within / all).toBeGreaterThan(0.95);
		expect(honest / all).toBeGreaterThan(0.92);
	});

	it('stays at what is usual, with a wide error, where nobody has measured', () => {
		const [first] = pluckedStrings(GUITAR, []);
		expect(first.pluck).toEqual({ cents: 4, error: 4 });
		expect(first.open.error).toBe(60);
	});

	it('begins with what an earlier visit found, but for where the string stands', () => {
		const [before] = hidden(4);
		const [first] = pluckedStrings(GUITAR, [], [before]);
		expect(first.open).toEqual({ cents: 0, error: 60 });
		expect(first.capo.cents).toBeCloseTo(before.capo.cents, 9);
		expect(first.capo.error).toBeCloseTo(1, 9);
		// What is read now counts more.
		const how = { string: 1, touch: 0, isHarmonic: false, error: 0.2 };
		const [now] = pluckedStrings(
			GUITAR,
			[
				{ ...how, fret: 0, capo: 0, off: 5 },
				{
					...how,
					fret: 0,
					capo: 2,
					off: 5 + soundsAt(GUITAR, { ...before, open: sure(0), capo: sure(9) }, { ...how, fret: 0, capo: 2 })
				}
			],
			[before]
		);
		expect(Math.abs(now.capo.cents - 9)).toBeLessThan(Math.abs(before.capo.cents - 9) / 2);
	});

	it('tells how far saddle and nut stand off, by the closed form', () => {
		// A saddle moved back by d lowers stopped notes against open ones by 1200/ln 2 · d/L: 1 mm of 645 is 2.684 cents.
		const string = { ...hidden(1)[0], stopped: sure(2.684), nut: sure(0) };
		expect(setupOf(GUITAR, string).saddle).toBeCloseTo(1, 3);
		expect(setupOf(GUITAR, string).nut).toBe(0);
	});
});

describe('fingerings', () => {
	it('are read as they are written, the lowest string first, and written back', () => {
		expect(parseFingering('x32010', GUITAR)).toEqual([0, 1, 0, 2, 3, null]);
		expect(parseFingering('x 10 12 12 11 10', GUITAR)).toEqual([10, 11, 12, 12, 10, null]);
		for (const { fingering } of FIRST_CHORDS)
			expect(fingeringText({ frets: parseFingering(fingering, GUITAR)! })).toBe(fingering);
		expect(fingeringText({ frets: [10, 11, 12, 12, 10, null] })).toBe('x 10 12 12 11 10');
	});

	it('are refused where they do not fit: too few strings, a fret that is not there, also over the capo', () => {
		for (const wrong of ['x3201', 'x3201z', '', 'xxxxxx', '0 0 0 0 0 21'])
			expect(parseFingering(wrong, GUITAR)).toBeUndefined();
		expect(parseFingering('0 0 0 0 0 19', GUITAR, 2)).toBeUndefined();
	});
});

describe('offsets of open strings', () => {
	const options = (step = 0): TableOptions => ({ a4: hz(440), chords: CHORDS, touch: 0.5, step });

	it('cost as little as brute force finds, at most 1 % more in steps of half a cent', () => {
		for (let seed = 1; seed <= 5; seed++) {
			const strings = hidden(seed);
			const exact = bestOffsets(GUITAR, strings, options());
			const least = tableCost(GUITAR, strings, options(), exact);
			// A pattern search that knows nothing of straight lines, from equal temperament.
			let [best, cost] = [Array<number>(6).fill(0), Infinity];
			for (let step = 8; step > 0.01; step /= 2)
				for (let isBetter = true; isBetter;) {
					isBetter = false;
					for (let i = 0; i < 6; i++)
						for (const by of [-step, step]) {
							const other = best.map((offset, j) => (i === j ? offset + by : offset));
							const price = tableCost(GUITAR, strings, options(), other);
							if (price < cost) [best, cost, isBetter] = [other, price, true];
						}
				}
			expect(least).toBeLessThan(1.0001 * cost);
			expect(tableCost(GUITAR, strings, options(), bestOffsets(GUITAR, strings, options(0.5)))).toBeLessThan(
				1.01 * least
			);
			expect(least).toBeLessThan(tableCost(GUITAR, strings, options(), Array<number>(6).fill(0)));
		}
	});

	it('follow what is played: one chord alone comes to rest, its octaves and fifths still', () => {
		const strings = hidden(2);
		const only = { ...options(), chords: [CHORDS.find(({ name }) => name === 'Em')!], anchor: 1e-5 };
		const offsets = bestOffsets(GUITAR, strings, only);
		const [before] = chordPrices(GUITAR, strings, only, Array<number>(6).fill(0));
		const [after] = chordPrices(GUITAR, strings, only, offsets);
		expect(after.beats).toBeLessThan(0.1 * before.beats);
		expect(Math.abs(after.worst!.rate)).toBeLessThan(0.2);
	});

	it('lower the strings that ring sharp when they are hit hard', () => {
		const flat = GUITAR.strings.map(() => ({
			open: sure(0),
			pluck: sure(0),
			stopped: sure(0),
			nut: sure(0),
			capo: sure(0)
		}));
		const loud = flat.map((string, i) => ({ ...string, pluck: sure(i === 5 ? 12 : 0) }));
		const at = (strings: readonly PluckedString[]) => bestOffsets(GUITAR, strings, { ...options(), touch: 1 })[5];
		expect(at(loud) - at(flat)).toBeCloseTo(-12, 1);
	});

	it('leave a string that no chord sounds where it is', () => {
		const chords = [{ name: 'low', frets: [null, null, null, 2, 2, 0], capo: 0, weight: 1 }];
		expect(bestOffsets(GUITAR, hidden(1), { ...options(), chords }).slice(0, 3)).toEqual([0, 0, 0]);
	});
});

describe('a guitar that is measured string by string', () => {
	const A4 = hz(440);
	const twin = { kind: 'frets', seed: 5 } as const;
	let counter = 0;
	/** A reading of how a simulated guitar sounds. */
	function readingOf(string: number, how: Sounding, peg: number, setUp: 'measured' | 'played', noise = 0): Reading {
		const of = { twin, neck: GUITAR, a4: A4, moved: { pegs: { [string]: peg }, frets: {} } };
		const group = fretGroup(string, how.fret);
		const { sharp } = pluckSound(of, group, how.touch, 1, how);
		const settled = soundedPitch(of, group, how);
		const pitch = settled * 2 ** (((how.touch > 0 ? sharp * Math.exp(-0.1 / 0.25) : 0) + noise) / 1200);
		const { fret: _, ...plucked } = how;
		const lasting = { level: -20, softest: -20, slope: null, slopeError: null, wobble: 0, drift: 0, setUp, plucked };
		return {
			...{ id: `r${++counter}`, device: 'd', counter, at: counter, way: 'lasting', source: 'simulated' },
			...{ sounders: [stringSounder(group)], target: hz(440), deviation: 0, listened: null, lasting, pitch },
			...{ pitchError: 0.2, fundamental: null, inharmonicity: null, inharmonicityError: null, moment: null },
			...{ falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null }
		} as unknown as Reading;
	}
	const ways = soundingsOf(GUITAR);

	it('sounds six ways to a string, five without a capo, fewer where the twelfth fret is missing', () => {
		expect(ways).toHaveLength(6);
		expect(soundingsOf({ frets: 20, capo: 0 })).toHaveLength(5);
		expect(soundingsOf({ frets: 8, capo: 0 })).toHaveLength(3);
	});

	it('tells where every string stands at once, however often its peg was turned between', () => {
		const random = createRandom(4);
		const noise = () => 0.2 * random.normal();
		const all = GUITAR.strings.flatMap((_, i) => ways.map((how) => readingOf(i + 1, how, 0, 'measured', noise())));
		const before = pluckedStrings(GUITAR, guitarReadings(GUITAR, A4, all));
		// Tuned by 9 cents, played, and measured again with the capo alone: what it does stays what it was.
		const again = GUITAR.strings.flatMap((_, i) => [
			readingOf(i + 1, ways[0], 9, 'played', noise()),
			readingOf(i + 1, ways[5], 9, 'measured', noise()),
			readingOf(i + 1, ways[0], 9, 'measured', noise())
		]);
		const readings = guitarReadings(GUITAR, A4, [...again, ...all]);
		expect(readings.filter(({ tuning }) => tuning === 1)).toHaveLength(12);
		const after = pluckedStrings(GUITAR, readings);
		for (const [i, string] of after.entries()) {
			expect(Math.abs(string.open.cents - before[i].open.cents - 9)).toBeLessThan(0.6);
			expect(Math.abs(string.capo.cents - before[i].capo.cents)).toBeLessThan(0.6);
			// The target that the live view shows is where the string would sound at its offset.
			const offset = string.open.cents;
			const target = guitarTarget(GUITAR, i + 1, string, offset, ways[5], A4);
			const sounds = readingOf(i + 1, ways[5], 9, 'played').pitch;
			expect(Math.abs(centsBetween(target, hz(sounds)))).toBeLessThan(0.6);
		}
	});

	it('takes a string that sounds otherwise in the same way for one that was turned', () => {
		const [soft] = ways;
		const readings = [0, 0.4, 6].map((peg) => readingOf(1, soft, peg, 'measured'));
		expect(guitarReadings(GUITAR, A4, readings).map(({ tuning }) => tuning)).toEqual([0, 0, 1]);
	});
});
