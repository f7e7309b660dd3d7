import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { amongFew, notesAround } from './fewNotes';
import { strays } from './strays';

const random = createRandom(7);
/** Nine notes about C5, as strings of a kept instrument scatter, and the middle one so far off. */
const nine = (level: number, off: number, scatter = 1.2) =>
	Array.from({ length: 9 }, (_, i) => ({
		note: 68 + i,
		level: level + 0.2 * i + scatter * random.normal() + (i === 4 ? off : 0),
		error: 0.15
	}));

describe('one note among its neighbours', () => {
	it('is found where it stands out, and brought to their level', () => {
		const tries = Array.from({ length: 400 }, () => amongFew(nine(-9, -12)).filter(({ isStray }) => isStray));
		const right = tries.filter((found) => found.length === 1 && found[0].note === 72);
		// Six deviations of eight neighbours: now and then they scatter too much to say so.
		expect(right.length).toBeGreaterThan(0.75 * tries.length);
		// Each alike: level -9 and a fifth of a cent a semitone; the median of eight is known to half a cent.
		const mean = right.reduce((sum, [{ expected }]) => sum + expected, 0) / right.length;
		expect(mean).toBeCloseTo(-8.2, 0);
	});

	it('seldom claims anything where nothing stands out', () => {
		const claimed = Array.from({ length: 1000 }, () => amongFew(nine(0, 0)).some(({ isStray }) => isStray));
		expect(claimed.filter(Boolean).length).toBeLessThan(0.05 * claimed.length);
	});

	it('says nothing with too few about it, or of notes that lie far apart', () => {
		expect(amongFew(nine(0, 20).slice(2, 7))).toEqual([]);
		expect(amongFew(nine(0, 20).map((each, i) => ({ ...each, note: each.note + 6 * i })))).toEqual([]);
	});

	it('is what strays are told by when little else was read', () => {
		const found = nine(-9, -15, 0.5);
		expect(strays(found).strays.map(({ note }) => note)).toEqual([72]);
		expect(strays(found).finds).toBeUndefined();
	});

	it('asks for four notes to each side, as far as there are any', () => {
		expect(notesAround(72, [68, 69, 70, 71, 72, 73, 74, 75, 76, 77])).toHaveLength(9);
		expect(notesAround(108, [104, 105, 106, 107, 108])).toEqual([104, 105, 106, 107, 108]);
	});
});
