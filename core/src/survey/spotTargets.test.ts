import { describe, expect, it } from 'vitest';
import { fewestPins } from './fewestPins';
import { spotTargets } from './spotTargets';

describe('spot targets', () => {
	const around = (note: number, expected: number, isStray: boolean) =>
		[note, { note, expected, sd: 1, isStray }] as const;

	it('brings a note to its neighbours’ level, not to zero', () => {
		const neighbourhoods = new Map([around(72, -8.2, true), around(60, 0.6, true)]);
		expect(spotTargets([72, 60], neighbourhoods, [], 3)).toEqual([
			{ note: 72, above: -8.2 },
			{ note: 60, above: 0 }
		]);
	});

	it('brings the strings of a unison to those that stay', () => {
		const pins = fewestPins({ note: 50, strings: [1.2, 1.4, 6], unison: 1 }, 3);
		expect(spotTargets([50], new Map([around(50, 0.1, false)]), [pins], 3)).toEqual([
			{ note: 50, above: expect.closeTo(1.3) }
		]);
	});

	it('knows no neighbours where nothing is claimed of them', () => {
		expect(spotTargets([50], new Map(), [], 3)).toEqual([{ note: 50, above: 0 }]);
	});
});
