import { describe, expect, it } from 'vitest';
import { renderSurroundings, SURROUNDINGS } from './surroundings';

const RATE = 24_000;

describe('what is heard besides an instrument', () => {
	it.each(SURROUNDINGS)('$name: as long and as loud as it should be, and the same every time', ({ id, isHeard }) => {
		const sound = renderSurroundings(id, 0.5, 3, RATE);
		expect(sound !== undefined).toBe(isHeard);
		if (!sound) return;
		expect(sound).toHaveLength(0.5 * RATE);
		expect(Math.max(...sound.map(Math.abs))).toBeCloseTo(0.05, 6);
		expect(renderSurroundings(id, 0.5, 3, RATE)).toEqual(sound);
	});
});
