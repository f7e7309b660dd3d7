import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { learnSinking, leftSharp, newStringFor, revisitDays, sinks, USUAL_SINKING } from './newString';
import type { StringTableRow } from './stringTable';

const pitchOf = (note: number) => equalHz(note, hz(440));
const row = (note: number, core: number | undefined, length?: number, outer?: number): StringTableRow => ({
	note,
	strings: 3,
	data: { material: 'steel', ...(core && { core }), ...(length && { length }), ...(outer && { outer }) }
});

describe('the string that replaces a broken one', () => {
	it('is the one in the table', () => {
		const found = newStringFor(60, [row(60, 0.00105, 0.66), row(61, 0.001, 0.62)], pitchOf)!;
		expect(found).toMatchObject({ by: 'table', data: { core: 0.00105 } });
		// (2 L f)^2 mu by hand: 345.3^2 x 6.797e-3.
		expect(found.load.tension).toBeCloseTo((2 * 0.66 * pitchOf(60)) ** 2 * 7850 * Math.PI * 0.25 * 0.00105 ** 2, 6);
	});

	it('lies between its neighbours, in a size that wire is drawn in', () => {
		const found = newStringFor(60, [row(58, 0.0011), row(62, 0.001)], pitchOf)!;
		expect(found.by).toBe('neighbours');
		expect(found.data.core! * 1000).toBeCloseTo(1.05, 9);
		expect(newStringFor(60, [row(40, 0.0011), row(80, 0.0008)], pitchOf)).toBeUndefined();
	});

	it('has the tension of its neighbours where its length is known: at each a scale is found again', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 50, max: 80 }),
				fc.double({ min: 0.0008, max: 0.0012, noNaN: true }),
				(note, core) => {
					// Same wire and same tension: lengths as the pitch asks.
					const length = (of: number) => 174 / pitchOf(of);
					const rows = [note - 2, note - 1, note + 1, note + 2].map((of) => row(of, core, length(of)));
					const found = newStringFor(note, [...rows, row(note, undefined, length(note))], pitchOf)!;
					expect(found.by).toBe('tension');
					expect(Math.abs(found.data.core! - core)).toBeLessThanOrEqual(0.0000126);
				}
			)
		);
	});

	it('is not guessed where it is wound', () => {
		expect(newStringFor(40, [row(40, undefined, 1.1, 0.003), row(41, 0.001, 1)], pitchOf)).toBeUndefined();
	});
});

const DAY = 86_400;

describe('how a new string sinks', () => {
	it('is as usual before anybody has read it, and as it was read afterwards', () => {
		expect(learnSinking([])).toBe(USUAL_SINKING);
		expect(learnSinking([{ seconds: 60, cents: 0 }])).toBe(USUAL_SINKING);
		const readings = [0, 60, 300, 1200, DAY].map((seconds) => ({ seconds, cents: 5 - 6 * Math.log1p(seconds / 60) }));
		const learned = learnSinking(readings);
		expect(learned.perFold).toBeGreaterThan(5.8);
		expect(learned.perFold).toBeLessThan(6);
		expect(learned.error).toBeLessThan(0.1);
	});

	it('takes a day for as much as the rest of the year, by and large', () => {
		const day = sinks(USUAL_SINKING, 0, DAY).cents;
		expect(day).toBeGreaterThan(15);
		expect(day).toBeLessThan(30);
		expect(sinks(USUAL_SINKING, DAY, 365 * DAY).cents).toBeLessThan(day);
		expect(leftSharp(USUAL_SINKING, 1800, 14 * DAY)).toBeCloseTo(sinks(USUAL_SINKING, 1800, 14 * DAY).cents / 2, 12);
	});

	it('asks for visits further and further apart, and between two it sinks by no more than asked', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.5, max: 8, noNaN: true }),
				fc.double({ min: 2, max: 20, noNaN: true }),
				(perFold, most) => {
					const days = revisitDays({ perFold, error: 1 }, 3600, most);
					for (let i = 1; i < days.length; i++) {
						const [before, after] = [days[i - 1] * DAY, days[i] * DAY];
						expect(after).toBeGreaterThan(before);
						// A day is rounded to.
						const within = sinks({ perFold, error: 1 }, before, after - DAY).cents;
						if (days[i - 1] > 5) expect(within).toBeLessThanOrEqual(most + 1e-9);
					}
					if (days.length === 0)
						expect(sinks({ perFold, error: 1 }, 5 * DAY, 365 * DAY).cents).toBeLessThanOrEqual(most);
				}
			)
		);
	});
});
