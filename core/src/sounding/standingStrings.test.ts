import { describe, expect, it } from 'vitest';
import { partialHz, stringFromFirstPartial } from '../strings/stiffString';
import { centsBetween, equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { standingStrings } from './standingStrings';

const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), 4e-4);
const at = (note: number, off: number) => ({ note, pitch: equalHz(note, hz(440)) * 2 ** (off / 1200) });

describe('strings as they stood', () => {
	it('are those that were read, each by itself, and between them as far off as their neighbours', () => {
		const stood = standingStrings([at(60, -10), at(60, -12), at(64, 2), at(50, -4)], strings)!;
		const offs = (note: number) =>
			stood(note).map((string) => centsBetween(partialHz(strings(note), 1), partialHz(string, 1)));
		const close = (note: number, expected: readonly number[]) => {
			expect(offs(note)).toHaveLength(expected.length);
			offs(note).forEach((off, i) => expect(off).toBeCloseTo(expected[i], 9));
		};
		close(60, [-10, -12]);
		close(62, [-4.5]);
		close(55, [-7.5]);
		close(30, [-4]);
		close(90, [2]);
		// What belongs to the wire stays.
		expect(stood(62)[0].inharmonicity).toBe(strings(62).inharmonicity);
		expect(standingStrings([], strings)).toBeUndefined();
	});
});
