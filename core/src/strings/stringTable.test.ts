import { describe, expect, it } from 'vitest';
import { equalHz } from '../units/pitch';
import { hz } from '../units/quantity';
import { tableInharmonicity, tableLoad, type StringTableRow } from './stringTable';

const at = (note: number) => equalHz(note, hz(440));
const plain = (note: number, core: number, length: number, strings = 3): StringTableRow => ({
	note,
	strings,
	data: { material: 'steel', core: core / 1000, length: length / 1000 }
});

describe('a table of strings', () => {
	it('adds up what one string was worked out to bear', () => {
		// A4 on 1 mm wire of 400 mm by hand: (2 * 0.4 * 440)^2 * 7850 * pi / 4 * 1e-6 = 763.9 N.
		const load = tableLoad(
			[plain(69, 1, 400)],
			at,
			100,
			new Map([
				[69, 3],
				[70, 3]
			])
		);
		expect(load.notes[0].tension).toBeCloseTo(763.9, 1);
		expect(load.total).toBeCloseTo(3 * 763.9, 0);
		// 100 cents add 2^(200/1200) - 1 = 12.25 per cent.
		expect(load.added / load.total).toBeCloseTo(0.12246, 5);
		expect([load.known, load.unknown]).toEqual([3, 3]);
	});

	it('warns of strings near breaking now, and of those that only the raise brings there', () => {
		// The share goes with the square of length times pitch: 400 mm at A4 gives 0.44 on 1 mm wire.
		const length = (note: number, share: number) => 400 * (440 / at(note)) * Math.sqrt(share / 0.44);
		const rows = [plain(69, 1, 400), plain(76, 1, length(76, 0.7)), plain(84, 1, length(84, 0.8))];
		const near = (raise: number) =>
			tableLoad(rows, at, raise, new Map()).warnings.flatMap((each) =>
				each.kind === 'near breaking' ? [[each.note, each.after]] : []
			);
		expect(near(0)).toEqual([[84, false]]);
		expect(near(100)).toEqual([
			[76, true],
			[84, false]
		]);
	});

	it('names a step of tension between neighbours, and none where the scale is even', () => {
		const even = [plain(69, 1, 400), plain(70, 1, 380), plain(71, 0.975, 362)];
		expect(tableLoad(even, at, 0, new Map()).warnings).toEqual([]);
		const [step] = tableLoad([...even, plain(72, 1.15, 362)], at, 0, new Map()).warnings;
		expect(step).toMatchObject({ kind: 'tension step', from: 71, to: 72 });
	});

	it('answers in part from part of the figures, and leaves the rest unknown', () => {
		const load = tableLoad(
			[plain(69, 1, 400), { note: 70, strings: 3, data: { material: 'steel', core: 0.001 } }],
			at,
			50,
			new Map()
		);
		expect(load.notes[1]).toMatchObject({ tension: undefined, breakingShare: undefined, added: undefined });
		expect([load.known, load.unknown]).toEqual([3, 3]);
		expect(tableInharmonicity(load).map(({ note }) => note)).toEqual([69]);
		// Steel breaks by the fit, brass only by a figure of the user's own.
		const brass = tableLoad(
			[{ note: 50, strings: 1, data: { material: 'brass', core: 0.0007, length: 0.9 } }],
			at,
			0,
			new Map()
		);
		expect(brass.notes[0].tension).toBeGreaterThan(0);
		expect(brass.notes[0].breakingShare).toBeUndefined();
	});

	it('trusts B of wound strings less', () => {
		const wound: StringTableRow = {
			note: 30,
			strings: 1,
			data: { material: 'steel', core: 0.0012, outer: 0.004, length: 1.4 }
		};
		const [low, high] = tableInharmonicity(tableLoad([wound, plain(69, 1, 400)], at, 0, new Map()));
		expect(low.error / low.b).toBeCloseTo(0.3, 9);
		expect(high.error / high.b).toBeCloseTo(0.1, 9);
		// B = pi^3 E d^4 / (64 T L^2) by hand for the A4 string: 8.0e-4.
		expect(high.b).toBeCloseTo((Math.PI ** 3 * 2.02e11 * 1e-12) / (64 * 763.88 * 0.16), 7);
	});
});
