import { INTERVALS, stringFromFirstPartial, hz } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { coincidenceLadder } from './coincidenceLadder';
import { earRecord } from './earRecord';
import { earTrials } from './earTrials';
import { keyboardStrip, noteAt } from './keyboardStrip';
import { moves } from './moves';
import { sectionRecord } from './sectionRecord';
import { settleChart } from './settleChart';
import { beatTrace } from './beatTrace';
import { ringOfFifths } from './ringOfFifths';
import { staircase } from './staircase';
import { thirdsProfile } from './thirdsProfile';

const frame = { width: 600, height: 300, margin: { top: 10, right: 10, bottom: 20, left: 40 } };

describe('keyboard strip', () => {
	it('has a column for every note and finds the note again from its place', () => {
		const strip = keyboardStrip(21, 108, new Map(), { width: 1232, height: 108 });
		expect(strip.columns).toHaveLength(88);
		for (const { note, x } of strip.columns) expect(noteAt(x + strip.column / 2, 1232, 21, 108)).toBe(note);
		expect(noteAt(-5, 1232, 21, 108)).toBe(21);
		expect(noteAt(5000, 1232, 21, 108)).toBe(108);
	});

	it('draws flat below the line, sharp above, within its height', () => {
		const notes = new Map([
			[60, { found: -40, left: undefined, set: false }],
			[61, { found: 40, left: 0.5, set: true }]
		]);
		const { columns, zero, keysY } = keyboardStrip(60, 61, notes, { width: 100, height: 108 });
		expect(columns[0].found).toBeGreaterThan(zero);
		expect(columns[0].found).toBeLessThan(keysY);
		expect(columns[1].found).toBeGreaterThanOrEqual(0);
		expect(columns[1].left).toBeLessThan(zero);
	});
});

describe('settle chart', () => {
	it('shows lane and all strikes inside the frame, with nothing to show as well', () => {
		const chart = settleChart([{ curve: [{ since: 0.2, cents: -31 }], figure: -30 }], 1, 0.6, frame);
		expect(chart.curves[0].end!.y).toBeLessThan(280);
		expect(chart.lane.height).toBeGreaterThan(0);
		expect(chart.zero).toBeLessThan(chart.curves[0].end!.y);
		expect(settleChart([], 0.3, 0.6, frame).curves).toEqual([]);
	});
});

describe('coincidence ladder', () => {
	it('tilts the way the beat goes', () => {
		const rung = (upper: number) => {
			const ladder = coincidenceLadder(
				stringFromFirstPartial(hz(220), 0),
				stringFromFirstPartial(hz(upper), 0),
				INTERVALS.fifth,
				{ width: 300, height: 200 }
			);
			return ladder.rung.y1 - ladder.rung.y2;
		};
		expect(rung(330)).toBeCloseTo(0, 9);
		expect(rung(331)).toBeGreaterThan(0);
		expect(rung(329)).toBeLessThan(0);
	});
});

describe('pitch record, staircase and moves', () => {
	it('stand with one visit, and join what was left to what was found next', () => {
		const visit = (at: string, found: number, left: number | undefined) => ({
			at: Date.parse(at),
			sections: [{ id: 'tenor', found, left }],
			humidity: undefined
		});
		const one = sectionRecord([visit('2026-01-01', -6, 0)], Date.parse('2026-01-01'), frame);
		expect(one.lines[0].end!.every(Number.isFinite)).toBe(true);
		const two = sectionRecord([visit('2026-01-01', -3, undefined), visit('2025-01-01', -6, 0)], Date.now(), frame);
		expect(two.lines[0].path.match(/[ML]/g)).toHaveLength(3);
		expect(two.humidity).toBeNull();
	});

	it('rise with the rate and fall with flatness', () => {
		const { treads } = staircase(
			[
				{ note: 53, rate: 7 },
				{ note: 54, rate: 7.4 }
			],
			frame
		);
		expect(treads[1].y).toBeLessThan(treads[0].y);
		const { marks } = moves([{ note: 60, found: -8, left: 0 }], 21, 108, frame);
		expect(marks[0].found).toBeGreaterThan(marks[0].left!);
	});
});

describe('ring of fifths and thirds', () => {
	const fifths = [-35.7, 0, 3.9, ...new Array(9).fill(5.9)].map((narrow) => ({ narrow, text: '' }));

	it('draws wide outwards and cut off, narrow inwards, and keeps names within the picture at any size', () => {
		for (const size of [300, 460]) {
			const { bars, notes, radius } = ringOfFifths(fifths, size);
			expect(bars[0]).toMatchObject({ wide: true, cut: true });
			expect(bars[2]).toMatchObject({ wide: false, cut: false });
			expect(radius).toBeGreaterThan(60);
			for (const { name } of notes) {
				expect(Math.min(name.x, name.y)).toBeGreaterThan(15);
				expect(Math.max(name.x, name.y)).toBeLessThan(size - 15);
			}
		}
	});

	it('lays thirds out by fifths, pure below Pythagorean, with room for howling ones', () => {
		const sizes = [386.3, 386.3, 392, 396, 400, 404, 408, 427.4, 427.4, 404, 400, 392];
		const { paths, landmarks, places } = thirdsProfile([{ name: 'one', sizes }], frame);
		expect(landmarks[0].y).toBeGreaterThan(landmarks[2].y);
		expect(places.map(({ note }) => note).slice(0, 3)).toEqual([0, 7, 2]);
		for (const { y } of paths[0].treads) {
			expect(y).toBeGreaterThanOrEqual(frame.margin.top);
			expect(y).toBeLessThanOrEqual(frame.height - frame.margin.bottom);
		}
	});
});

describe('the trace of a beat', () => {
	it('swells as often as it beats, and stands still when pure', () => {
		// Every dip to nothing puts upper and lower edge on the middle line.
		const dips = (rate: number) => {
			const { path } = beatTrace(rate, { ...frame, margin: { top: 0, right: 0, bottom: 0, left: 0 } });
			const ys = [...path.matchAll(/,([\d.]+)/g)].map(([, y]) => Number(y));
			return ys.slice(0, ys.length / 2).filter((y) => Math.abs(y - 150) < 1).length;
		};
		expect(dips(2)).toBe(10);
		expect(dips(0)).toBe(0);
	});
});

describe('pictures of an ear', () => {
	const inFrame = (y: number) => y >= frame.margin.top - 0.01 && y <= frame.height - frame.margin.bottom + 0.01;

	it('lay sizes out by ratios, one answer after the other, and the threshold among them', () => {
		const trials = [0.1, 1, 10, 50].map((size) => ({ size, isRight: size > 1 }));
		const threshold = { size: 2, low: 1, high: 4 };
		const { marks, band, yTicks } = earTrials({ trials, smallest: 0.1, largest: 10, most: 30, threshold }, frame);
		const [tenth, one, ten, beyond] = marks;
		expect(tenth.y - one.y).toBeCloseTo(one.y - ten.y, 6);
		expect(beyond.y).toBe(ten.y);
		expect(marks.map(({ isRight }) => isRight)).toEqual([false, false, true, true]);
		expect(marks.every(({ y }) => inFrame(y)) && yTicks.every(({ y }) => inFrame(y))).toBe(true);
		expect(band!.low - band!.y).toBeCloseTo(band!.y - band!.high, 6);
		expect(earTrials({ trials: [], smallest: 0.1, largest: 10, most: 30, threshold: undefined }, frame).marks).toEqual(
			[]
		);
	});

	it('stand sittings in their days, one alone too, each with what it leaves open', () => {
		const day = 86_400_000;
		const at = (days: number) => ({ at: 1000 * day - days * day, figure: { size: 1, low: 0.5, high: 2 } });
		const { marks, xTicks } = earRecord([at(60), at(30), at(0)], 1000 * day, frame);
		expect(marks[1].x - marks[0].x).toBeCloseTo(marks[2].x - marks[1].x, 6);
		for (const { low, y, high } of marks) expect(high < y && y < low && inFrame(high) && inFrame(low)).toBe(true);
		expect(xTicks.length).toBeGreaterThan(1);
		expect(earRecord([at(0)], 1000 * day, frame).marks).toHaveLength(1);
	});
});
