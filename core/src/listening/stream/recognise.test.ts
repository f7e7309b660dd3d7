import { describe, expect, it } from 'vitest';
import { createRandom } from '../../numeric/random';
import { partialHz, stringFromFirstPartial } from '../../strings/stiffString';
import { typicalInharmonicity } from '../../strings/inharmonicity';
import { noteName } from '../../units/note';
import { equalHz, hzAbove } from '../../units/pitch';
import { cents, hz } from '../../units/quantity';
import { isSecondNote, recogniseNote } from './recognise';
import { whichNote } from './whichNote';
import type { Peak } from './spectrum';

const A4 = hz(440);
const strings = {
	lowest: 21,
	highest: 108,
	a4: A4,
	inharmonicityAt: (note: number) => typicalInharmonicity('upright', note)
};
const RESOLUTION = 5.9;

/** Peaks as a string leaves them; `levels` by partial in decibels, missing ones left out. */
function peaksOf(note: number, levels: (partial: number) => number | undefined, off = 0, stiffness = 1): Peak[] {
	const string = stringFromFirstPartial(
		hzAbove(equalHz(note, A4), cents(off)),
		stiffness * typicalInharmonicity('upright', note)
	);
	const peaks: Peak[] = [];
	for (let partial = 1; partial <= 16; partial++) {
		const level = levels(partial);
		const frequency = partialHz(string, partial);
		if (level === undefined || frequency > 11_000) continue;
		const magnitude = 10 ** (level / 20);
		peaks.push({ frequency, magnitude });
	}
	return peaks.sort((a, b) => b.magnitude - a.magnitude);
}
const falling = (partial: number) => -4 * (partial - 1);
const noteFrom = (peaks: Peak[]) => {
	const found = recogniseNote(peaks, strings, RESOLUTION);
	return found && noteName(whichNote(found.firstPartial, strings).note);
};

describe('recognition from peaks', () => {
	it('keeps the octave, whatever partial is strongest', () => {
		for (let note = 24; note <= 96; note += 3)
			for (const strongest of [1, 2, 3]) {
				const peaks = peaksOf(note, (partial) => (partial === strongest ? 0 : -10 - 2 * partial));
				expect(noteFrom(peaks), `${noteName(note)}, partial ${strongest} strongest`).toBe(noteName(note));
			}
	});

	it('finds a bass note whose first partials are missing', () => {
		for (const note of [21, 24, 28, 31]) {
			const peaks = peaksOf(note, (partial) => (partial < 3 ? undefined : falling(partial)));
			expect(noteFrom(peaks)).toBe(noteName(note));
		}
	});

	it('finds strings a third stiffer or laxer than typical, and out of tune', () => {
		const random = createRandom(6);
		for (let note = 21; note <= 100; note++) {
			const peaks = peaksOf(note, falling, 40 * (random.uniform() - 0.5), 0.7 + 0.65 * random.uniform());
			expect(noteFrom(peaks)).toBe(noteName(note));
		}
	});

	it('counts the peaks of a unison as one string', () => {
		const unison = [0, 6, -8].flatMap((off) => peaksOf(84, falling, off));
		const found = recogniseNote(
			unison.sort((a, b) => b.magnitude - a.magnitude),
			strings,
			RESOLUTION
		)!;
		expect(found.foreign).toBeLessThan(0.05);
	});

	it('sees a second note as foreign, thirds to tenths', () => {
		for (const interval of [3, 4, 5, 7, 8, 9, 16]) {
			const both = [...peaksOf(60, falling), ...peaksOf(60 + interval, falling)].sort(
				(a, b) => b.magnitude - a.magnitude
			);
			const found = recogniseNote(both, strings, RESOLUTION);
			expect(found === undefined || found.foreign > 0.17, `interval of ${interval}`).toBe(true);
		}
	});

	it('leaves out the knock of the key under a treble note', () => {
		const knock = [45, 90, 126].map((frequency) => ({ frequency, magnitude: 0.3 }));
		const found = recogniseNote(
			[...peaksOf(96, falling), ...knock].sort((a, b) => b.magnitude - a.magnitude),
			strings,
			RESOLUTION
		)!;
		expect(found.foreign).toBeLessThan(0.05);
	});

	it('makes no string of scattered peaks, or of none', () => {
		expect(recogniseNote([], strings, RESOLUTION)).toBeUndefined();
		const random = createRandom(2);
		const scattered = Array.from({ length: 30 }, () => ({
			frequency: 100 + 5000 * random.uniform(),
			magnitude: 1,
			clarity: 50
		}));
		const found = recogniseNote(scattered, strings, RESOLUTION);
		expect(found === undefined || found.foreign > 0.17).toBe(true);
	});
});

describe('the top strings of a real piano', () => {
	/** A short string with its knock, louder than itself, and undamped neighbours ringing along. */
	const treble = (note: number, neighbours: number): Peak[] => [
		...peaksOf(note, (partial) => (partial === 1 ? 0 : partial <= 3 ? -25 : undefined)),
		{ frequency: 44, magnitude: 1.2 },
		{ frequency: 86, magnitude: 0.8 },
		{ frequency: 320, magnitude: 0.4 },
		...[-9, -5].map((step) => ({ frequency: equalHz(note + step, A4), magnitude: neighbours }))
	];
	const found = (peaks: Peak[]) =>
		recogniseNote(
			[...peaks].sort((a, b) => b.magnitude - a.magnitude),
			strings,
			RESOLUTION
		);

	it('are heard through a loud knock and neighbours that ring along, but not through a second note', () => {
		for (const note of [102, 105, 107]) {
			const alone = found(treble(note, 0.08))!;
			expect(whichNote(alone.firstPartial, strings).note).toBe(note);
			expect(isSecondNote(alone)).toBe(false);
			const both = found(treble(note, 0.9));
			expect(both === undefined || isSecondNote(both)).toBe(true);
		}
		// In the middle, where dampers lie on the strings, so much foreign sound is a second note.
		expect(isSecondNote({ firstPartial: hz(440), foreign: 0.25 })).toBe(true);
		expect(isSecondNote({ firstPartial: hz(3500), foreign: 0.25 })).toBe(false);
	});

	it('belong to the last key when they stand a semitone out', () => {
		expect(whichNote(hzAbove(equalHz(108, A4), cents(99)), strings).note).toBe(108);
		expect(whichNote(hzAbove(equalHz(21, A4), cents(-105)), strings).note).toBe(21);
		expect(whichNote(hzAbove(equalHz(108, A4), cents(250)), strings).note).toBe(111);
		expect(whichNote(hzAbove(equalHz(22, A4), cents(10)), strings).note).toBe(22);
	});

	it('are not taken for a high partial of a bass string that sounds with them', () => {
		const bass = peaksOf(40, (partial) => -2 * partial);
		const [top] = peaksOf(103, (partial) => (partial === 1 ? -3 : undefined));
		const both = found([...bass, top])!;
		expect(whichNote(both.firstPartial, strings).note).toBe(40);
		expect(both.foreign).toBeGreaterThan(found(bass)!.foreign + 0.1);
	});
});
