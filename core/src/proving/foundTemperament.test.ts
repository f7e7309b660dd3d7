import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { TEMPERAMENTS, temperamentById } from '../temperament/library';
import { offsetsFromEqual } from '../temperament/temperament';
import { noteClass } from '../units/note';
import { foundTemperament } from './foundTemperament';

const equal = offsetsFromEqual(temperamentById('equal'));

/** A keyboard in a temperament, leaning by so many cents an octave, each note as far off as notes are. */
function keyboard(id: string, { lean = 0, scatter = 0.7, sign = 1, seed = 3 } = {}) {
	const random = createRandom(seed);
	const offsets = offsetsFromEqual(temperamentById(id));
	return Array.from({ length: 88 }, (_, i) => {
		const note = 21 + i;
		const level = sign * offsets[noteClass(note)] + (lean * (note - 69)) / 12 + scatter * random.normal();
		return { note, level, error: 0.1 };
	});
}

describe('the temperament that an instrument stands in', () => {
	it.each(['equal', 'vallotti', 'meantone-quarter'])('finds %s again, also when the keyboard leans', (id) => {
		for (const seed of [1, 2, 3, 4, 5]) {
			const found = foundTemperament(keyboard(id, { lean: -6, seed }), equal, TEMPERAMENTS)!;
			const names = [found.nearest.best, ...found.nearest.same].map(({ temperament }) => temperament.id);
			if (id === 'equal') expect(found.nearest.best.rms).toBeLessThan(1);
			else expect(names).toContain(id);
		}
	});

	it('says that the order of keys is reversed', () => {
		expect(foundTemperament(keyboard('vallotti'), equal, TEMPERAMENTS)!.keyOrder.verdict).toBe('home keys calmest');
		expect(foundTemperament(keyboard('equal'), equal, TEMPERAMENTS)!.keyOrder.verdict).toBe('all keys alike');
		expect(foundTemperament(keyboard('vallotti', { sign: -1 }), equal, TEMPERAMENTS)!.keyOrder.verdict).toBe(
			'reversed'
		);
	});

	it('says nothing while a note is missing', () => {
		const all = keyboard('equal');
		expect(
			foundTemperament(
				all.filter(({ note }) => noteClass(note) !== 3),
				equal,
				TEMPERAMENTS
			)
		).toBeUndefined();
		expect(foundTemperament([], equal, TEMPERAMENTS)).toBeUndefined();
	});
});
