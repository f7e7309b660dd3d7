import { chooseDay, fillTime } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { dueWeeks } from '$lib/charts/dueWeeks';
import { bringFor, bringToday } from './bring';
import { boundWords, dayAsked, gainWords, termOf, timedStops, waitingIn, visitGain } from './dayPlan';
import { housesOf } from './houses';
import { DAY, type RoundInstrument } from './round';

const NOW = Date.UTC(2026, 6, 14);
const instrument = (name: string, changes: Partial<RoundInstrument> = {}): RoundInstrument => ({
	...{ id: name, name, place: 'Hall', locationId: 'hall', open: undefined, set: '', last: NOW - 100 * DAY },
	...{
		due: NOW + 100 * DAY,
		why: 'by rule',
		purpose: 'home',
		played: null,
		ahead: [],
		explained: '',
		telephone: '',
		other: [],
		minutes: 60
	},
	...{ tolerance: 2, findings: [], bring: [], climate: undefined },
	...changes
});
const off = (cents: number) => [{ cents, error: 1 }];

describe('what a visit gains', () => {
	it('is what it is off beyond its tolerance, or how long it is overdue', () => {
		expect(visitGain(instrument('a', { ahead: off(-8) }), NOW)).toBe(6);
		expect(visitGain(instrument('b', { due: NOW - 60 * DAY }), NOW)).toBe(3);
		expect(gainWords(instrument('b', { due: NOW - 60 * DAY }), NOW)).toBe('overdue for 60 days');
		expect(visitGain(instrument('c'), NOW)).toBe(0);
		// Half done: it is gone on with, not planned.
		expect(visitGain(instrument('d', { ahead: off(-8), open: 'visit' }), NOW)).toBe(0);
	});
});

describe('a planned day', () => {
	const all = [
		instrument('near', { ahead: off(-6) }),
		instrument('far', { ahead: off(-30), locationId: 'island', minutes: 90 }),
		instrument('homeless', { ahead: off(-30), locationId: null })
	];
	const ways = [
		[0, 10, 100],
		[10, 0, 100],
		[100, 100, 0]
	];

	it('goes where it gains most in its time, with its hours', () => {
		const of = (minutes: number) => chooseDay(dayAsked(all, ['hall', 'island'], ways, { minutes, now: NOW }));
		expect(timedStops(of(120)).map(({ id, from, minutes }) => [id, from, minutes])).toEqual([['hall', 10, 60]]);
		const whole = of(360);
		const times = new Map(timedStops(whole).map(({ id, from }) => [id, from]));
		expect(times.size).toBe(2);
		// The shorter round in either direction: what comes second begins when the first is done.
		expect([...times.values()].sort((a, b) => a - b)[0]).toBeLessThanOrEqual(100);
		expect(boundWords(whole)).toBe('No other day gains more.');
		expect(boundWords({ gain: 95, bound: 100 })).toBe('No other day gains more than 5 % more.');
		expect(of(20).stops).toEqual([]);
	});

	it('of a house over a term: what drifts most first, each once, what falls due in its week', () => {
		const drifting = (by: number) => Array.from({ length: 23 }, (_, week) => ({ cents: -by * week, error: 1 }));
		const house = [
			instrument('quick', { ahead: drifting(3) }),
			instrument('slow', { ahead: drifting(1) }),
			instrument('due', { due: NOW + 15 * DAY }),
			instrument('fine')
		];
		const asked = { weeks: 6, minutes: 60, now: NOW, begins: NOW };
		const term = termOf(house, asked, fillTime);
		expect(term.map(({ tasks }) => tasks.map(({ id }) => id))).toEqual([[], ['quick'], ['due'], ['slow'], [], []]);
		expect(waitingIn(house, asked)).toBe(3);
		// With less time than one takes nothing is tuned, and three still wait.
		expect(termOf(house, { ...asked, minutes: 30 }, fillTime).flatMap(({ tasks }) => tasks)).toEqual([]);
		// A term that begins in three weeks finds further gone what drifts.
		const later = termOf(house, { ...asked, begins: NOW + 21 * DAY }, fillTime);
		expect(later[0].tasks.map(({ id }) => id)).toEqual(['quick']);
	});

	it('sums up houses, the one where most waits first', () => {
		const places = ['hall', 'island', 'empty'].map((id) => ({ id, name: id, town: '' }));
		expect(housesOf(places, [...all, instrument('over', { due: NOW - DAY })], NOW)).toMatchObject([
			{ id: 'island', instruments: 1, overdue: 0, waiting: 1, minutes: 90 },
			{ id: 'hall', instruments: 2, overdue: 1, waiting: 2, minutes: 120 }
		]);
	});
});

describe('what to bring', () => {
	const line = { note: 33, core: 1.05, outer: 2.6 };

	it('follows from the kind, and from the work that was found', () => {
		const bring = bringFor(
			'upright',
			['New bass string A1: the old one has gone dead', 'Glue the hammer of D5'],
			[line]
		);
		expect(bring.slice(0, 2)).toEqual(['string for A1: core 1.05 mm, wound to 2.60 mm', 'glue and clamps']);
		expect(bring).toContain('lever with the head for square pins');
		expect(bringFor('harpsichord', ['String F#3 broke'], [])).toContain('string for F♯3: gauge not measured');
	});

	it('is said once for a day, what one asks for before what all need', () => {
		expect(bringToday([{ bring: ['glue', 'felt'] }, { bring: ['felt'] }])).toEqual(['glue', 'felt']);
	});
});

describe('the picture of what falls due', () => {
	it('has a dot for each, in its week, one above the other; what is overdue before today', () => {
		const margin = { top: 0, right: 0, bottom: 20, left: 0 };
		const due = [-9, -1, 3, 3, 3, 20, 900].map((days) => ({ name: `${days}`, due: NOW + days * DAY }));
		const { dots } = dueWeeks(due, NOW, 4, { width: 500, height: 100, margin });
		expect(dots.map(({ x, isOver }) => [x, isOver])).toEqual([
			[50, true],
			[50, true],
			[150, false],
			[150, false],
			[150, false],
			[350, false]
		]);
		expect(new Set(dots.slice(2, 5).map(({ y }) => y)).size).toBe(3);
	});
});
