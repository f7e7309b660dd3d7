import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupOf } from '../record/sounder';
import { EARLY_ORDER } from '../setting/order';
import { STRING_KINDS } from '../strings/inharmonicity';
import { octaveOfMember, REGISTRATIONS, registrationOf, usualStringing, type Choir } from '../strings/stringing';
import { KEYBOARD } from './keyboard';

const choirsOf = (wanted: string) => REGISTRATIONS.find(({ id }) => id === wanted)!.choirs;
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
		const withChoirs = (id: string) => ({
			...{ lowest: 29, highest: 89 },
			stringing: { ...harpsichord, choirs: choirsOf(id) }
		});
		const double = withChoirs('two');
		expect(KEYBOARD.sounders(double, 60)).toEqual(['60/lower', '60/upper']);
		expect(KEYBOARD.choices(double, 60).map(({ label }) => label)).toEqual(['Lower 8′', 'Upper 8′', 'Both']);
		// A four-foot is no unison of the rest; a third eight-foot is brought to the first, not to the second.
		const told = (id: string) =>
			KEYBOARD.choices(withChoirs(id), 60).map(({ label, octave = 0, sounders }) => [label, octave, sounders.length]);
		expect(told('eightFour')).toEqual([
			['Lower 8′', 0, 1],
			['4′', 1, 1]
		]);
		expect(told('three')).toEqual([
			['Lower 8′', 0, 1],
			['Upper 8′', 0, 1],
			['4′', 1, 1],
			['Both', 0, 2]
		]);
		expect(told('four').slice(4)).toEqual([
			['Lower 8′ and Upper 8′', 0, 2],
			['Lower 8′ and Lute 8′', 0, 2],
			['All together', 0, 3]
		]);
		expect(['four', 'four-left', 'upper', 'only'].map(octaveOfMember)).toEqual([1, 1, 0, 0]);
		for (const { id, choirs } of REGISTRATIONS) expect(registrationOf(choirs)?.id).toBe(id);
	});

	it('is set the early way: C to B from the table, downwards, the treble last, the other register to the first', () => {
		const harpsichord = usualStringing('harpsichord', 29, 89);
		const notesOf = (choirs: readonly Choir[]) =>
			KEYBOARD.order({ lowest: 29, highest: 89, stringing: { ...harpsichord, choirs } }, EARLY_ORDER);
		const one = notesOf(harpsichord.choirs).map(({ note }) => note);
		expect(one.slice(0, 14)).toEqual([69, 60, 61, 62, 63, 64, 65, 66, 67, 68, 70, 71, 72, 59]);
		expect(one.slice(-17)).toEqual(Array.from({ length: 17 }, (_, i) => 73 + i));
		expect(new Set(one).size).toBe(61);
		const two = notesOf(choirsOf('two'));
		expect(two.filter(({ unison }) => unison).map(({ note }) => note)).toEqual(
			Array.from({ length: 61 }, (_, i) => 29 + i)
		);
		expect(two.findIndex(({ unison }) => unison)).toBe(61);
		// Register by register: a whole one stays drawn.
		const three = notesOf(choirsOf('three')).filter(({ unison }) => unison);
		expect(three.map(({ register }) => register)).toEqual([
			...Array<string>(61).fill('upper'),
			...Array<string>(61).fill('four')
		]);
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
