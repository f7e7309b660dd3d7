import { describe, expect, it } from 'vitest';
import { IDEAL_BEATS } from '../../fixtures/idealBeats';
import { beatOf } from '../intervals/beats';
import { INTERVALS } from '../intervals/intervalKinds';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { partialHz, partialSharpness, stringFromFirstPartial } from '../strings/stiffString';
import { temperamentById } from '../temperament/library';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { targetTable } from './targetTable';

const base = { lowest: 21, highest: 108, a4: hz(440), temperament: temperamentById('equal') };
const ideal = targetTable({ ...base, inharmonicityAt: () => 0 });
const upright = targetTable({ ...base, inharmonicityAt: (note) => typicalInharmonicity('upright', note) });
const at = (table: typeof ideal, note: number) => table[note - 21];

describe('beats on ideal strings', () => {
	it.each(IDEAL_BEATS)('agree with the closed form from note $note', (expected) => {
		const target = at(ideal, expected.note);
		for (const name of ['minorThird', 'majorThird', 'fourth', 'fifth'] as const)
			expect(target[name]).toBeCloseTo(expected[name], 3);
		const sixth = beatOf(target.string, at(ideal, expected.note + 9).string, INTERVALS.majorSixth);
		expect(sixth.rate).toBeCloseTo(expected.majorSixth, 3);
	});

	it('has F2 beat 3.465 a second with A4, heard at A4', () => {
		const { rate, heardAt } = beatOf(at(ideal, 41).string, at(ideal, 69).string, INTERVALS.seventeenth);
		expect(rate).toBeCloseTo(3.465, 3);
		expect(heardAt).toBeCloseTo(438.27, 1);
	});
});

describe('beats on stiff strings', () => {
	it('follow from the partials: an independent route within 1e-9', () => {
		for (const note of [30, 48, 60, 72]) {
			const [lower, upper] = [at(upright, note), at(upright, note + 4)];
			const b = (n: number, f1: number, stiffness: number) =>
				n * f1 * Math.sqrt((1 + stiffness * n * n) / (1 + stiffness));
			const expected =
				b(4, equalHz(note + 4, hz(440)), typicalInharmonicity('upright', note + 4)) -
				b(5, equalHz(note, hz(440)), typicalInharmonicity('upright', note));
			expect(Math.abs(beatOf(lower.string, upper.string, INTERVALS.majorThird).rate - expected)).toBeLessThan(1e-9);
		}
	});

	it('keeps targets on the first partial and makes higher ones sharp', () => {
		const { string, pitch } = at(upright, 69);
		expect(partialHz(string, 1)).toBeCloseTo(pitch, 9);
		// B = 7.2e-4 at A4: partial 4 lies 1200 log2 sqrt((1 + 16 B) / (1 + B)) = 9.3 cents sharp.
		expect(partialSharpness(string.inharmonicity, 4)).toBeCloseTo(9.3, 0);
		// An electronic tone's third overtone against A4 on a piano: about 3.7 beats a second.
		const tone = stringFromFirstPartial(hz(440), 0);
		expect(partialHz(stringFromFirstPartial(hz(440), 7e-4), 3) - partialHz(tone, 3)).toBeCloseTo(3.7, 1);
	});
});

describe('the table', () => {
	it('covers the compass and leaves out intervals that end above it', () => {
		const short = targetTable({ ...base, lowest: 60, highest: 66, inharmonicityAt: () => 0 });
		expect(short.map(({ note }) => note)).toEqual([60, 61, 62, 63, 64, 65, 66]);
		expect(short[2].majorThird).toBeDefined();
		expect(short[3].majorThird).toBeUndefined();
		expect(short.every(({ fifth }) => fifth === undefined)).toBe(true);
	});

	it('keeps octaves of a temperament exactly 2 to 1 in the first partial', () => {
		const table = targetTable({ ...base, temperament: temperamentById('werckmeister-3'), inharmonicityAt: () => 3e-4 });
		for (let note = 21; note <= 96; note++) expect(table[note - 9].pitch / table[note - 21].pitch).toBeCloseTo(2, 12);
	});

	it('refuses a compass that is none', () => {
		expect(() => targetTable({ ...base, lowest: 70, highest: 60, inharmonicityAt: () => 0 })).toThrow('70 to 60');
	});
});
