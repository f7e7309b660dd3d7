import { describe, expect, it } from 'vitest';
import { expectedClimate } from './expectedClimate';

const on = (year: number, month: number, day = 1) => Date.UTC(year, month - 1, day);
const read = (at: number, humidity: number | undefined, temperature: number | undefined = undefined) => ({
	...{ at, humidity, temperature }
});

describe('the air to be expected', () => {
	const all = [
		read(on(2024, 7), 60, 22),
		read(on(2025, 7, 20), 64),
		read(on(2025, 1), 38, 19),
		read(on(2025, 12, 28), 40)
	];

	it('is what it was at that time of the year, across the turn of the year too', () => {
		expect(expectedClimate(all, on(2026, 7, 10))).toEqual({ humidity: 62, temperature: 22, from: 2 });
		expect(expectedClimate(all, on(2026, 1, 5))).toEqual({ humidity: 39, temperature: 19, from: 2 });
	});

	it('is not guessed where nobody has read it', () => {
		expect(expectedClimate(all, on(2026, 4, 1))).toBeUndefined();
		expect(expectedClimate([read(on(2025, 4), undefined)], on(2026, 4))).toBeUndefined();
	});
});
