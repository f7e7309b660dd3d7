import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupOf } from '../record/sounder';
import { EARLY_ORDER } from '../setting/order';
import { STRING_KINDS } from '../strings/inharmonicity';
import { CHOIRS, usualStringing } from '../strings/stringing';
import { KEYBOARD } from './keyboard';

const upright = { lowest: 21, highest: 108, stringing: usualStringing('upright', 21, 108) };

describe('a keyboard', () => {
	it('offers the strings that a note has, the one that leads first', () => {
		const shown = (note: number) => KEYBOARD.choices(upright, note).map(({ label, key }) => `${key} ${label}`);
		expect(shown(21)).toEqual(['1 One string']);
		expect(shown(38)).toEqual(['1 Left', '2 Right', '0 Both']);
		expect(shown(69)).toEqual(['1 Middle', '2 Left', '3 Right', '0 All three']);
		expect(KEYBOARD.choices(upright, 69).at(-1)?.sounders).toEqual(['69/middle', '69/left', '69/right']);
	});

	it('names the strings of several registers by their own', () => {
		const harpsichord = usualStringing('harpsichord', 29, 89);
		const double = { lowest: 29, highest: 89, stringing: { ...harpsichord, choirs: CHOIRS } };
		expect(KEYBOARD.sounders(double, 60)).toEqual(['60/lower', '60/upper']);
		expect(KEYBOARD.choices(double, 60).map(({ label }) => label)).toEqual(['Lower 8′', 'Upper 8′', 'Both']);
	});

	it('is set the early way: C to B from the table, downwards, the treble last, the other register to the first', () => {
		const harpsichord = usualStringing('harpsichord', 29, 89);
		const notesOf = (choirs: typeof CHOIRS) =>
			KEYBOARD.order({ lowest: 29, highest: 89, stringing: { ...harpsichord, choirs } }, EARLY_ORDER);
		const one = notesOf(harpsichord.choirs).map(({ note }) => note);
		expect(one.slice(0, 14)).toEqual([69, 60, 61, 62, 63, 64, 65, 66, 67, 68, 70, 71, 72, 59]);
		expect(one.slice(-17)).toEqual(Array.from({ length: 17 }, (_, i) => 73 + i));
		expect(new Set(one).size).toBe(61);
		const two = notesOf(CHOIRS);
		expect(two.filter(({ unison }) => unison).map(({ note }) => note)).toEqual(
			Array.from({ length: 61 }, (_, i) => 29 + i)
		);
		expect(two.findIndex(({ unison }) => unison)).toBe(61);
	});

	it('has every sounder once, each with a pin that moves it alone, and every note once in the order', () => {
		fc.assert(
			fc.property(fc.constantFrom(...STRING_KINDS), fc.integer({ min: 12, max: 90 }), (kind, lowest) => {
				const keyboard = { lowest, highest: lowest + 18, stringing: usualStringing(kind, lowest, lowest + 18) };
				const groups = KEYBOARD.groups(keyboard);
				const all = groups.flatMap((group) => KEYBOARD.sounders(keyboard, group));
				expect(new Set(all).size).toBe(all.length);
				for (const group of groups) {
					const sounders = KEYBOARD.sounders(keyboard, group);
					expect(sounders.every((sounder) => groupOf(sounder) === group)).toBe(true);
					expect(KEYBOARD.controls(keyboard, group).map(({ moves }) => moves)).toEqual(
						sounders.map((sounder) => [{ sounder, share: 1 }])
					);
					const keys = KEYBOARD.choices(keyboard, group).map(({ key }) => key);
					expect(new Set(keys).size).toBe(keys.length);
				}
				const order = KEYBOARD.order(keyboard).map(({ note }) => note);
				expect([...order].sort((a, b) => a - b)).toEqual(groups);
			})
		);
	});
});
