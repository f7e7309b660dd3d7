import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { targetTable } from '../curve/targetTable';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { isFollowed } from './audibility';
import { beatOf } from './beats';
import { coincidences, MEETING_CENTS } from './coincidences';
import { INTERVALS, intervalName } from './intervalKinds';
import { keyCharacters } from './keyCharacter';
import { findTestNotes } from './testNotes';

const tableOf = (temperament: string, stiff = true) =>
	targetTable({
		lowest: 21,
		highest: 108,
		a4: hz(440),
		temperament: temperamentById(temperament),
		inharmonicityAt: (note) => (stiff ? typicalInharmonicity('upright', note) : 0)
	});
const upright = tableOf('equal');
const at = (note: number) => upright[note - 21];

describe('coincidences', () => {
	it('are all there and no others: the same by brute force', () => {
		const note = fc.integer({ min: 21, max: 108 });
		const stiffness = fc.double({ min: 0, max: 0.02, noNaN: true });
		fc.assert(
			fc.property(note, fc.integer({ min: 0, max: 36 }), stiffness, stiffness, (low, semitones, bLow, bHigh) => {
				const lower = stringFromFirstPartial(equalHz(low, hz(440)), bLow);
				const upper = stringFromFirstPartial(equalHz(low + semitones, hz(440)), bHigh);
				const found = new Map(
					coincidences(lower, upper, hz(440)).map((each) => [100 * each.lowerPartial + each.upperPartial, each.rate])
				);
				let expected = 0;
				for (let p = 1; p <= 16; p++)
					for (let q = 1; q <= 16; q++) {
						const apart = 1200 * Math.log2(partialHz(upper, q) / partialHz(lower, p));
						if (Math.abs(apart) > MEETING_CENTS) continue;
						expected++;
						// 1e-9 per second: double rounding of frequencies of up to 70 kHz.
						expect(Math.abs(found.get(100 * p + q)! - (partialHz(upper, q) - partialHz(lower, p)))).toBeLessThan(1e-9);
					}
				expect(found.size).toBe(expected);
			}),
			{ numRuns: 60 }
		);
	});

	it('rank first what an ear uses: 3:2 of a fifth, 5:4 of a third, 4:2 before 10:5 of an octave', () => {
		const first = (low: number, high: number) => coincidences(at(low).string, at(high).string, hz(440))[0];
		expect(first(53, 60)).toMatchObject({ lowerPartial: 3, upperPartial: 2 });
		expect(first(53, 57)).toMatchObject({ lowerPartial: 5, upperPartial: 4 });
		const octave = coincidences(at(53).string, at(65).string, hz(440)).map((each) => each.lowerPartial);
		expect(octave.indexOf(4)).toBeLessThan(octave.indexOf(10));
	});

	it('name the key to strike while the others are held: a fifth and two octaves up for 6:3', () => {
		const sixThree = coincidences(at(41).string, at(53).string, hz(440)).find((each) => each.lowerPartial === 6)!;
		expect(sixThree.silentKey).toBe(41 + 31);
	});
});

describe('test notes', () => {
	const voices = upright.map(({ note, string }) => ({ note, string }));
	const best = (low: number, high: number, p: number, q: number) =>
		findTestNotes(voices[low - 21], voices[high - 21], p, q, voices)[0];

	it('are found again where technicians have them', () => {
		// 4:2 from the major third below (third against tenth), 6:3 from the minor third above (third against sixth).
		expect(best(53, 65, 4, 2)).toMatchObject({ note: 49, partial: 5, fasterMeansWide: 'upper' });
		expect(best(41, 53, 6, 3)).toMatchObject({ note: 44, partial: 5, fasterMeansWide: 'upper' });
		// 2:1 from a tenth below: tenth against seventeenth.
		expect(best(69, 81, 2, 1)).toMatchObject({ note: 53, partial: 5 });
	});

	it('test A4 against a fork from F2', () => {
		const fork = { note: 69, string: stringFromFirstPartial(hz(440), 0) };
		const ideal = tableOf('equal', false);
		expect(findTestNotes(fork, { ...ideal[48], note: 69 }, 1, 1, ideal)[0]).toMatchObject({ note: 41, partial: 5 });
	});

	it('tell wide from narrow whatever the test note itself does', () => {
		const bent = fc.double({ min: -6, max: 6, noNaN: true }).filter((c) => Math.abs(c) > 1);
		fc.assert(
			fc.property(fc.constantFrom(48, 53, 57, 60), bent, (low, cents) => {
				const upper = voices[low + 12 - 21];
				const string = { ...upper.string, flexiblePitch: hz(upper.string.flexiblePitch * 2 ** (cents / 1200)) };
				const lower = voices[low - 21];
				const truth = beatOf(lower.string, string, INTERVALS.octave42).rate;
				for (const test of findTestNotes(lower, { ...upper, string }, 4, 2, voices)) {
					const upperFaster = Math.abs(test.withUpper) > Math.abs(test.withLower);
					const saysWide = upperFaster === (test.fasterMeansWide === 'upper');
					expect(saysWide).toBe(truth > 0);
					if (Math.abs(truth) > 0.05) expect(test.says).toBe(truth > 0 ? 'wide' : 'narrow');
				}
			})
		);
	});

	it('keep within rates that can be compared, and never between the two partials', () => {
		for (const test of findTestNotes(voices[32], voices[44], 4, 2, voices)) {
			for (const rate of [test.withLower, test.withUpper]) {
				expect(Math.abs(rate)).toBeGreaterThanOrEqual(3);
				expect(Math.abs(rate)).toBeLessThanOrEqual(12);
			}
			expect(Math.sign(test.withLower)).toBe(Math.sign(test.withUpper));
		}
	});
});

describe('character of keys', () => {
	const characters = (id: string, stiff = false) => {
		const table = tableOf(id, stiff);
		return keyCharacters((note) => table[note - 21].string);
	};

	it('is 1 everywhere in equal temperament, stiff or not', () => {
		for (const stiff of [false, true])
			for (const { roughness } of characters('equal', stiff)) expect(roughness).toBeCloseTo(1, 9);
	});

	it('has pure thirds still in quarter-comma meantone and G sharp howling', () => {
		const keys = characters('meantone-quarter');
		expect(keys[0].major.rate).toBeCloseTo(0, 9);
		expect(keys[0].major.size).toBeCloseTo(386.314, 3);
		expect(keys[8].roughness).toBeGreaterThan(1.5);
	});

	it('grows around the circle in Vallotti from C to F sharp', () => {
		const keys = characters('vallotti');
		expect(keys[0].roughness).toBeLessThan(keys[2].roughness);
		expect(keys[2].roughness).toBeLessThan(keys[4].roughness);
		expect(keys[4].roughness).toBeLessThan(keys[6].roughness + 1e-9);
	});
});

describe('interval names', () => {
	it('go on above the octave', () => {
		expect([0, 4, 12, 16, 19, 22, 28, 36].map(intervalName)).toEqual([
			'unison',
			'major third',
			'octave',
			'major tenth',
			'twelfth',
			'octave and minor seventh',
			'major seventeenth',
			'triple octave'
		]);
	});
});

describe('beats that an ear follows', () => {
	const along = (kind: (typeof INTERVALS)['majorThird' | 'octave']) =>
		Array.from({ length: 88 - kind.semitones }, (_, i) => 21 + i).filter((note) => {
			const { rate, heardAt } = beatOf(at(note).string, at(note + kind.semitones).string, kind);
			return isFollowed(rate, kind.lowerPartial, kind.upperPartial, heardAt);
		});

	it('end with the thirds about the middle of the keyboard, and with octaves at its top', () => {
		// On ideal strings the third on B4 is the last with 20 a second; stiffness, without a curve, slows thirds down.
		expect(Math.max(...along(INTERVALS.majorThird))).toBeGreaterThanOrEqual(71);
		expect(Math.max(...along(INTERVALS.majorThird))).toBeLessThanOrEqual(76);
		// Without a curve the top octaves are narrow.
		expect(Math.max(...along(INTERVALS.octave))).toBeGreaterThan(84);
	});

	it('are not those of partials that are too weak or too high', () => {
		expect(isFollowed(1, 10, 5, hz(275))).toBe(true);
		expect(isFollowed(1, 16, 8, hz(440))).toBe(false);
		expect(isFollowed(1, 2, 1, hz(4000))).toBe(true);
		expect(isFollowed(1, 5, 4, hz(10_000))).toBe(false);
		expect(isFollowed(-227, 5, 4, hz(2000))).toBe(false);
	});
});
