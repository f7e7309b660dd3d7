import { foundChart, type FoundNote } from './foundChart';
import { equalHz, hz, PRIORITIES, tableLoad, typicalInharmonicity, type IntervalRun } from '@fendrel/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BALANCED, drawCurve } from '$lib/tuning/curve';
import { stringsOfInstrument } from '$lib/tuning/strings';
import { runsOf } from '$lib/tuning/stretchWords';
import { curveChart, type CurveData } from './curveChart';
import { inharmonicityChart, inharmonicityName } from './inharmonicityChart';
import { intervalLines } from './intervalLines';
import { noteAxis } from './noteAxis';
import { stringLoads } from './stringLoads';

const frame = { width: 720, height: 240, margin: { top: 10, right: 20, bottom: 24, left: 46 } };
const PIANO = { kind: 'upright' as const, lowest: 21, highest: 108, measured: [] };
const drawn = drawCurve(PIANO, BALANCED);
const data = (change: Partial<CurveData> = {}): CurveData => ({
	lowest: 21,
	highest: 108,
	drawn,
	errors: drawn.map(() => 0.5),
	beside: undefined,
	standing: [],
	held: [],
	...change
});
/** Numbers of a path, pair by pair. */
const pairs = (path: string) => [...path.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);

describe('the axis of notes', () => {
	it('gives back the note under every place, and stays on the keyboard', () => {
		fc.assert(
			fc.property(fc.integer({ min: 21, max: 60 }), fc.integer({ min: 61, max: 108 }), (lowest, highest) => {
				const { x, noteAt, step } = noteAxis(lowest, highest, frame);
				for (const note of [lowest, lowest + 1, highest]) {
					expect(noteAt(x(note))).toBe(note);
					expect(noteAt(x(note) + 0.45 * step)).toBe(note);
				}
				expect(noteAt(-500)).toBe(lowest);
				expect(noteAt(5000)).toBe(highest);
			})
		);
	});

	it('names the Cs, and the lowest note where none is near', () => {
		expect(noteAxis(21, 108, frame).labels.map(({ name }) => name)).toEqual([
			'C1',
			'C2',
			'C3',
			'C4',
			'C5',
			'C6',
			'C7',
			'C8'
		]);
		expect(noteAxis(29, 89, frame).labels[0].name).toBe('F1');
	});
});

describe('the curve', () => {
	it('runs over every note from flat to sharp, its band about it', () => {
		const chart = curveChart(data(), frame);
		const points = pairs(chart.drawn);
		expect(points).toHaveLength(88);
		expect(points[0][1]).toBeGreaterThan(points[87][1]);
		expect(points[48][0]).toBeCloseTo(chart.x(69), 1);
		// Two standard errors either way: the band is four of them high.
		const band = pairs(chart.band!);
		expect(band[band.length - 1][1] - band[0][1]).toBeCloseTo(chart.y(0) - chart.y(2), 0);
		expect(curveChart(data({ errors: [] }), frame).band).toBeUndefined();
	});

	it('marks what is set by ear on the curve, leaves out what the keyboard lacks, and does not flatten for a stray note', () => {
		const chart = curveChart(data({ held: [60, 120], standing: [{ note: 40, cents: 400 }] }), frame);
		expect(chart.held.map(({ note }) => note)).toEqual([60]);
		expect(chart.held[0].y).toBeCloseTo(chart.y(drawn[39]), 6);
		expect(chart.dots[0].y).toBeGreaterThanOrEqual(frame.margin.top);
		expect(chart.ticks.map(({ value }) => value)).toContain(0);
		expect(Math.max(...chart.ticks.map(({ value }) => value))).toBeLessThan(100);
	});
});

describe('interval types along the keyboard', () => {
	const strings = stringsOfInstrument(PIANO);
	const runs = runsOf((note) => drawn[note - 21], PIANO, strings, 440);
	const of = (...names: string[]): IntervalRun[] => runs.filter(({ kind }) => names.includes(kind.name));

	it('are strong where ears judge by them, and told at the note chosen', () => {
		const chart = intervalLines(of('2:1', '4:2', '6:3'), 21, 108, 60, frame);
		expect(chart.lines.map(({ name }) => name)).toEqual(['2:1', '4:2', '6:3']);
		for (const [i, { strong, faint, here }] of chart.lines.entries()) {
			const run = of('2:1', '4:2', '6:3')[i];
			const judged = run.along.filter(({ lower }) => lower >= run.kind.judged[0] && lower <= run.kind.judged[1]);
			expect(pairs(strong)).toHaveLength(judged.length);
			expect(pairs(faint).length).toBeGreaterThanOrEqual(judged.length);
			expect(here!.rate).toBe(run.along.find(({ lower }) => lower === 60)!.rate);
		}
		// No octave starts on the top note.
		expect(intervalLines(of('2:1'), 21, 108, 108, frame).lines[0].here).toBeUndefined();
	});

	it('have names that do not lie on each other nor leave the picture, whatever leads', () => {
		for (const { id } of PRIORITIES) {
			const other = drawCurve(PIANO, { ...BALANCED, lead: id });
			const all = runsOf((note) => other[note - 21], PIANO, strings, 440).filter(({ kind }) => kind.semitones === 12);
			const places = intervalLines(all, 21, 108, 60, frame)
				.lines.map(({ labelY }) => labelY)
				.sort((a, b) => a - b);
			for (let i = 1; i < places.length; i++) expect(places[i] - places[i - 1]).toBeGreaterThan(16.9);
			expect(places[0]).toBeGreaterThan(0);
			expect(places.at(-1)).toBeLessThan(frame.height);
		}
	});

	it('has nought among its ticks, and none that crowd', () => {
		const { ticks } = intervalLines(of('2:1'), 21, 108, 60, frame);
		expect(ticks.some(({ value }) => value === 0)).toBe(true);
		const ys = ticks.map(({ y }) => y).sort((a, b) => a - b);
		for (let i = 1; i < ys.length; i++) expect(ys[i] - ys[i - 1]).toBeGreaterThanOrEqual(15);
	});
});

describe('inharmonicity along the keyboard', () => {
	const notes = Array.from({ length: 88 }, (_, i) => 21 + i);
	const model = notes.map((note) => typicalInharmonicity('upright', note));

	it('stands on a log axis: equal ratios are equal heights', () => {
		const chart = inharmonicityChart(
			{
				lowest: 21,
				highest: 108,
				known: [1, 2, 4].map((factor, i) => ({
					note: 60 + i,
					b: 3e-4 * factor,
					error: 3e-5 * factor,
					by: 'strike',
					odd: i === 2
				})),
				model,
				used: model,
				logErrors: model.map(() => 0.1),
				breakNote: 44
			},
			frame
		);
		const [a, b, c] = chart.points;
		expect(a.y - b.y).toBeCloseTo(b.y - c.y, 6);
		expect(c.odd && !c.below).toBe(true);
		expect(a.bottom - a.top).toBeCloseTo(b.bottom - b.top, 6);
		expect(chart.breakX).toBeCloseTo((chart.x(43) + chart.x(44)) / 2, 6);
		expect(chart.ticks.every(({ value }, i, all) => i === 0 || value > all[i - 1].value)).toBe(true);
	});

	it('names its figures as they are written by hand', () => {
		expect([1e-4, 5e-5, 2e-2].map(inharmonicityName)).toEqual(['1·10⁻⁴', '5·10⁻⁵', '2·10⁻²']);
	});
});

describe('what strings bear', () => {
	it('is drawn for what is known, the raise above it, and marked near breaking', () => {
		const row = (note: number, length?: number) => ({
			note,
			strings: 3,
			data: { material: 'steel' as const, core: 0.001, length: length && length / 1000 }
		});
		const load = tableLoad([row(69, 400), row(76, 345), row(81)], (note) => equalHz(note, hz(440)), 60, new Map());
		const chart = stringLoads(load.notes, 21, 108, { ...frame, gap: 30 });
		expect(chart.tensions.map(({ note }) => note)).toEqual([69, 76]);
		for (const { y, after } of chart.tensions) expect(after).toBeLessThan(y);
		expect(chart.shares.map(({ note, near }) => [note, near])).toEqual([
			[69, false],
			[76, true]
		]);
		expect(stringLoads([], 21, 108, { ...frame, gap: 30 }).tensions).toEqual([]);
	});
});

describe('notes as they were found', () => {
	const frame = { width: 900, height: 300, margin: { top: 20, right: 10, bottom: 20, left: 50 } };
	const note = (change: Partial<FoundNote>): FoundNote => ({
		note: 60,
		offset: -8,
		error: 0.2,
		spread: undefined,
		falseBeat: false,
		again: false,
		...change
	});
	it('stand at their place and height, with their error or their spread', () => {
		const { points, ticks, x } = foundChart([note({}), note({ note: 72, offset: 3, spread: 4 })], 21, 108, frame);
		const yOf = (value: number) => {
			const [a, b] = ticks;
			return a.y + ((value - a.value) * (b.y - a.y)) / (b.value - a.value);
		};
		expect(points[0]).toMatchObject({ x: x(60), y: expect.closeTo(yOf(-8), 6), top: expect.closeTo(yOf(-7.6), 6) });
		expect(points[1]).toMatchObject({ top: expect.closeTo(yOf(5), 6), bottom: expect.closeTo(yOf(1), 6) });
		expect(ticks.some(({ value }) => value === 0)).toBe(true);
	});
	it('are joined from the bass up, whatever order they were struck in', () => {
		const { path } = foundChart([note({ note: 90 }), note({ note: 30 }), note({ note: 60 })], 21, 108, frame);
		const places = [...path.matchAll(/[ML]([\d.]+),/g)].map(([, place]) => Number(place));
		expect(places).toEqual([...places].sort((a, b) => a - b));
		expect(foundChart([], 21, 108, frame).path).toBe('');
	});
});
