import { describe, expect, it } from 'vitest';
import { driftAhead } from '$lib/charts/driftAhead';
import { roomsOf } from './houses';
import {
	DAY,
	driftWords,
	dueOf,
	gainOf,
	leavesIn,
	paysMost,
	payWords,
	roundHeadline,
	STEP,
	type RoundInstrument
} from './round';

const NOW = Date.UTC(2026, 6, 14);
const instrument = (name: string, changes: Partial<RoundInstrument> = {}): RoundInstrument => ({
	...{
		id: name,
		name,
		place: 'Hall',
		locationId: null,
		open: undefined,
		set: '',
		findings: [],
		bring: [],
		climate: undefined,
		last: NOW - 100 * DAY,
		due: NOW + 100 * DAY,
		why: 'by rule'
	},
	...{ purpose: 'home', played: null, ahead: [], explained: '', telephone: '', other: [], minutes: 60, tolerance: 2 },
	...changes
});
const at = (cents: number, error = 1) => ({ cents, error });

describe('a round', () => {
	it('says what is half done, overdue and due, the longest overdue first', () => {
		const all = [
			instrument('late', { due: NOW - 3 * DAY }),
			instrument('later', { due: NOW - 30 * DAY }),
			instrument('soon', { due: NOW + 20 * DAY }),
			instrument('far'),
			instrument('open', { open: 'visit', due: NOW - DAY })
		];
		expect(dueOf(all, NOW).map(({ name }) => name)).toEqual(['later', 'late', 'soon']);
		expect(roundHeadline(all, NOW)).toBe('1 visit half done, 2 instruments overdue, 1 more due within six weeks.');
		expect(roundHeadline([instrument('far')], NOW)).toBe(
			'Nothing is half done, and nothing falls due within six weeks.'
		);
	});

	it('puts first what gains most in an hour: by what is beyond tolerance, by use and stage, for its minutes', () => {
		const home = instrument('home', { ahead: [at(-8)] });
		const stage = instrument('stage', { ahead: [at(-8)], purpose: 'stage' });
		const daily = instrument('daily', { ahead: [at(8)], played: 'daily' });
		const quick = instrument('quick', { ahead: [at(-8)], minutes: 20 });
		const fine = instrument('fine', { ahead: [at(1.9)] });
		expect(paysMost([home, fine, daily, stage, quick]).map(({ name }) => name)).toEqual([
			...['stage', 'quick', 'daily', 'home']
		]);
		expect(gainOf(home)).toBe(6);
		expect(gainOf(fine)).toBe(0);
		expect(payWords(daily)).toBe('about 8 cents sharp by now (±1), played daily');
	});

	it('knows when something leaves its tolerance, and what makes it drift', () => {
		expect(leavesIn(instrument('x', { ahead: [at(0), at(-1), at(-2.5)] }))).toBe(2 * STEP);
		expect(leavesIn(instrument('x', { ahead: [at(0), at(1)] }))).toBeUndefined();
		expect(driftWords(-2.9, { cents: 4.1, error: 1 }, 3.2, 'August')).toBe(
			'−2.9 cents a year; +4.1 for 10 % more humidity; by the season ±3.2, highest in August'
		);
		expect(driftWords(-2.9, { cents: 1, error: 3 }, 0.4, 'May')).toBe('−2.9 cents a year');
	});

	it('is drawn with names that do not lie on each other', () => {
		const ahead = Array.from({ length: 23 }, (_, i) => at(-i / 3, 1 + i / 10));
		const margin = { top: 10, right: 150, bottom: 20, left: 40 };
		const { lines, months } = driftAhead(
			['a', 'b', 'c'].map((name) => ({ name, ahead })),
			NOW,
			STEP,
			{ width: 600, height: 240, margin }
		);
		const places = lines.map(({ labelY }) => labelY).sort((a, b) => a - b);
		expect(places.every((y, i) => i === 0 || y - places[i - 1] >= 16)).toBe(true);
		expect(months.map(({ name }) => name)).toEqual(['Sep', 'Oct', 'Nov', 'Dec']);
	});
});

describe('what falls due', () => {
	it('has a line for work with a day of its own, also where the tuning is half done', () => {
		const other = [{ work: 'voicing' as const, due: NOW + 5 * DAY, why: 'as agreed' }];
		const all = [
			instrument('tuned', { due: NOW + 10 * DAY, other }),
			instrument('open', { due: NOW - DAY, open: 'visit', other: [{ ...other[0], due: NOW - 2 * DAY }] })
		];
		expect(dueOf(all, NOW).map(({ id, work }) => `${id} ${work}`)).toEqual([
			'open voicing',
			'tuned voicing',
			'tuned tuning'
		]);
		expect(roundHeadline(all, NOW)).toBe('1 visit half done, 1 instrument overdue, 1 more due within six weeks.');
	});
});

describe('a house, room by room', () => {
	it('is in the order of its rooms, each as it is expected to stand', () => {
		const inside = { locationId: 'house' };
		const all = [
			instrument('Room 10', { ...inside, due: NOW - DAY, ahead: [at(-9, 2)] }),
			instrument('Room 2', inside),
			instrument('Elsewhere')
		];
		expect(roomsOf(all, 'house', NOW)).toMatchObject([
			{ name: 'Room 2', stands: 'no visits to predict from', isOver: false },
			{ name: 'Room 10', stands: 'about 9 cents flat (±2)', falls: 'due 13 Jul 2026', isOver: true }
		]);
	});
});
