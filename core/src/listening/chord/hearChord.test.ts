import { describe, expect, it } from 'vitest';
import { inRoom, struckKey, UPRIGHT, uprightString } from '../../../fixtures/upright';
import { createRandom } from '../../numeric/random';
import { USUAL_MOTION } from '../../sounding/strike';
import { createListener } from '../stream/listener';
import type { KnownKeyboard } from '../pair/hearKeys';
import { PairKeeper } from '../pair/pairKeeper';
import { hearChord, outOfChord, type ChordWord } from './hearChord';
import { chordsOfKeys, knownChords } from './keyChords';

const RATE = 24_000;
const random = createRandom(11);

/** The last word of keys that are struck together; each with its strings, cents from equal, as they stand. */
function played(notes: readonly number[], standing: (note: number) => readonly number[], seed: number): ChordWord {
	const count = standing(notes[0]).length;
	const keyboard: KnownKeyboard = { ...UPRIGHT, thought: (note) => uprightString(note), strings: () => count };
	const sounds = notes.map((note) => ({
		at: 0.5,
		sound: struckKey(note, {
			strings: standing(note).map((off) => uprightString(note, off)),
			...{ sampleRate: RATE, seconds: 3.6, seed: 31 * seed + note },
			// As strings in rooms: their pitch falls after the blow, and they move in two ways.
			...{ glide: { cents: 1.4, seconds: 0.12 }, motion: USUAL_MOTION }
		})
	}));
	const samples = inRoom(sounds, 4.5, { rate: RATE, snr: 25, seed });
	const listener = createListener({ sampleRate: RATE, strings: UPRIGHT });
	const keeper = new PairKeeper(RATE);
	let word: ChordWord | undefined;
	for (let from = 0; from < samples.length; from += 1024) {
		const block = samples.subarray(from, from + 1024);
		for (const kept of keeper.push(block, listener.push(block))) word = hearChord(kept, keyboard, knownChords(UPRIGHT));
	}
	return word!;
}

describe('chords in all keys', () => {
	it('lead through the circle of fifths, major triad and dominant seventh', () => {
		const asked = chordsOfKeys(UPRIGHT);
		expect(asked).toHaveLength(24);
		expect(asked.slice(0, 3).map(({ notes }) => notes)).toEqual([
			[60, 64, 67],
			[60, 64, 67, 70],
			[53, 57, 60]
		]);
		expect(new Set(asked.map(({ root }) => root)).size).toBe(12);
		expect(chordsOfKeys({ lowest: 60, highest: 67 }).map(({ notes }) => notes)).toEqual([[60, 64, 67]]);
	});

	it('are known as they are played, and the note that stands out is named', { timeout: 120_000 }, () => {
		let [known, found, wrong, planted, all] = [0, 0, 0, 0, 0];
		chordsOfKeys(UPRIGHT).forEach(({ notes, root, kind }, i) => {
			const isOpen = i % 2 === 1;
			const out = i % 3 === 0 ? undefined : notes[i % notes.length];
			const scatter = new Map(notes.map((note) => [note, 0.4 * random.normal()]));
			const word = played(
				notes,
				(note) => {
					const off = scatter.get(note)! + (note === out ? 6 : 0);
					return isOpen ? [off - 0.3, off, off + 0.3] : [off];
				},
				i
			);
			all++;
			if (word.chord?.root === root && word.chord.kind === kind) known++;
			const said = outOfChord(word.notes, () => 0.8);
			if (out !== undefined) planted++;
			if (out !== undefined && said.some(({ note }) => note === out)) found++;
			wrong += said.filter(({ note }) => note !== out).length;
		});
		expect(known).toBeGreaterThanOrEqual(all - 1);
		expect(found).toBeGreaterThanOrEqual(0.85 * planted);
		expect(wrong).toBeLessThanOrEqual(2);
	});

	it('have a note whose strings move told from one that is off', { timeout: 60_000 }, () => {
		const { notes } = played([60, 64, 67], (note) => (note === 64 ? [-2, 0, 2.5] : [-0.2, 0, 0.2]), 3);
		expect(outOfChord(notes, () => 0.8)).toEqual([{ note: 64, cents: expect.closeTo(4.5, 0), isUnison: true }]);
	});

	it('tell no unison further apart than it is', { timeout: 120_000 }, () => {
		let [wide, told] = [0, 0];
		for (const [i, { notes }] of chordsOfKeys(UPRIGHT).entries()) {
			if (i % 2) continue;
			const standing = new Map(notes.map((note) => [note, [0, 1, 2].map(() => 0.7 * random.normal())]));
			for (const { note, apart } of played(notes, (each) => standing.get(each)!, 100 + i).notes) {
				const strings = standing.get(note)!;
				const range = Math.max(...strings) - Math.min(...strings);
				expect(apart).toBeLessThan(range + 0.6);
				if (range > 1.5) wide++;
				if (range > 1.5 && apart > 0.9) told++;
			}
		}
		expect(told).toBeGreaterThanOrEqual(0.7 * wide);
	});

	it('are not heard in what is none of them', { timeout: 60_000 }, () => {
		for (const notes of [[60, 63, 67], [60, 61, 62], [60, 67], [60]])
			expect(played(notes, () => [0], notes.length).chord, notes.join()).toBeUndefined();
	});
});
