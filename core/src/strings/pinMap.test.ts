import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pinPlaces } from './pinMap';

describe('where pins lie', () => {
	const all = (found: Parameters<typeof pinPlaces>[2]) => [...pinPlaces(29, 41, found).values()];

	it('is one beside the other until somebody finds one elsewhere', () => {
		expect(all([])).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
		expect(all([{ note: 31, place: 3 }])).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]);
		// An empty hole between F1 and G1: above it they lie one further.
		expect(
			all([
				{ note: 29, place: 0 },
				{ note: 31, place: 3 }
			]).slice(0, 4)
		).toEqual([0, 1.5, 3, 4]);
	});

	it('lets a new find take the place of one that it contradicts, and of none else', () => {
		const told = pinPlaces(29, 41, [
			{ note: 30, place: 4 },
			{ note: 40, place: 12 },
			{ note: 33, place: 3 }
		]);
		expect([told.get(33), told.get(40), told.get(30)]).toEqual([3, 12, 0]);
		expect(all([{ note: 90, place: 1 }])).toEqual(all([]));
	});

	it('keeps the order of the keys, whatever was found', () => {
		const find = fc.record({ note: fc.integer({ min: 29, max: 41 }), place: fc.integer({ min: -5, max: 20 }) });
		fc.assert(
			fc.property(fc.array(find, { maxLength: 12 }), (found) => {
				const places = all(found);
				expect(places.every((place, i) => i === 0 || place > places[i - 1])).toBe(true);
				const last = found.at(-1);
				if (last) expect(pinPlaces(29, 41, found).get(last.note)).toBe(last.place);
			})
		);
	});
});
