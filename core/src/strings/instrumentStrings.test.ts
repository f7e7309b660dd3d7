import { describe, expect, it } from 'vitest';
import { cents } from '../units/quantity';
import { typicalInharmonicity } from './inharmonicity';
import { instrumentStrings, type MeasuredString } from './instrumentStrings';
import { partialSharpness } from './stiffString';

const B = typicalInharmonicity('upright', 30);
/** A wound string whose partials leave the formula by a tenth at partial 10. */
const wound = (error: number, strange = false): MeasuredString => ({
	note: 30,
	b: B,
	error: 0.01 * B,
	partials: Array.from({ length: 12 }, (_, i) => ({
		partial: i + 1,
		sharpness: cents(partialSharpness(B, i + 1) * (1 + 0.01 * i) + (strange && i === 5 ? 40 : 0)),
		error: cents(error)
	}))
});

describe('strings of an instrument', () => {
	it('have their measured partials where these are sure, and the formula where they are not', () => {
		const measured = partialSharpness(B, 10) * 1.09;
		expect(instrumentStrings('upright', [wound(0.02)]).sharpnessAt(30, 10)).toBeCloseTo(measured, 1);
		const vague = instrumentStrings('upright', [wound(50)]);
		expect(vague.sharpnessAt(30, 10)).toBeCloseTo(partialSharpness(vague.inharmonicity.at(30), 10), 1);
		// Partials that were not measured, and notes that were not, follow the formula.
		const strings = instrumentStrings('upright', [wound(0.02)]);
		expect(strings.sharpnessAt(30, 16)).toBeCloseTo(partialSharpness(strings.inharmonicity.at(30), 16), 9);
		expect(strings.sharpnessAt(60, 4)).toBeCloseTo(partialSharpness(strings.inharmonicity.at(60), 4), 9);
		expect(strings.sharpnessAt(30, 1)).toBeCloseTo(0, 9);
	});

	it('take no partial from another sound', () => {
		const strings = instrumentStrings('upright', [wound(0.02, true)]);
		expect(strings.sharpnessAt(30, 6)).toBeCloseTo(partialSharpness(strings.inharmonicity.at(30), 6), 9);
	});

	it('follow a change of B by the slope that they claim', () => {
		const strings = instrumentStrings('upright', []);
		for (const [note, partial] of [
			[25, 10],
			[60, 4],
			[100, 2]
		]) {
			const b = strings.inharmonicity.at(note);
			const step = 1e-5;
			const slope = (partialSharpness(b * Math.exp(step), partial) - partialSharpness(b, partial)) / step;
			expect(strings.sensitivityAt(note, partial) / slope).toBeCloseTo(1, 4);
		}
		// A partial that was measured well does not care what B is.
		expect(instrumentStrings('upright', [wound(0.01)]).sensitivityAt(30, 8)).toBeLessThan(0.01);
	});
});
