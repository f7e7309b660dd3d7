import { describe, expect, it } from 'vitest';
import { FOLLOW_UP_DAYS, fallsDue } from '../record/due';
import { estimate, paceOf } from './estimate';
import { hz } from '../units/quantity';
import { fewestPins } from './fewestPins';
import { jumpedNotes } from './jumpedNotes';
import { pitchLoad } from './pitchLoad';
import { spotTargets } from './spotTargets';

const SET = { visit: 15, note: 4, tuning: 75, pass: 30 };

describe('time and price', () => {
	it('goes with the work', () => {
		const of = (kind: Parameters<typeof estimate>[0]['kind'], notes = 0, passes = 0) =>
			estimate({ kind, notes, passes }, SET);
		expect(of('leave')).toBe(15);
		expect(of('barred')).toBe(15);
		expect(of('spot', 3)).toBe(27);
		expect(of('touchUp', 40)).toBe(90);
		expect(of('tune')).toBe(90);
		expect(of('correct', 0, 1)).toBe(120);
		expect(of('moveAndReturn', 0, 2)).toBe(150);
	});

	it('takes the workshop’s own visits, once there are enough of a kind', () => {
		const plain = [80, 100, 90].map((minutes) => ({ minutes, passes: 0 }));
		const raised = [
			{ minutes: 120, passes: 1 },
			{ minutes: 155, passes: 2 },
			{ minutes: 125, passes: 1 }
		];
		expect(paceOf([], SET)).toEqual({ tariff: SET, tunings: 0, raises: 0 });
		expect(paceOf(plain.slice(1), SET).tunings).toBe(0);
		expect(paceOf([...plain, ...raised], SET)).toEqual({
			tariff: { ...SET, tuning: 75, pass: 32.5 },
			tunings: 3,
			raises: 3
		});
	});

	it('does not count a visit that was left open overnight, or tried out', () => {
		const plain = [80, 100, 90].map((minutes) => ({ minutes, passes: 0 }));
		const odd = [2, 900, 1].map((minutes) => ({ minutes, passes: 0 }));
		expect(paceOf([...plain, ...odd], SET)).toEqual(paceOf(plain, SET));
	});
});

describe('when it falls due', () => {
	const DAY = 86_400_000;
	const again = { inUse: 6, hardly: 12, stage: 1 };
	const after = (played: 'daily' | 'hardly' | null, purpose: 'home' | 'stage', moved: number) =>
		fallsDue(0, { played, purpose }, again, moved, 100) / DAY;

	it('goes by how it is played, and by how far it was moved', () => {
		expect(after('daily', 'home', 5)).toBeCloseTo(182.6, 1);
		expect(after(null, 'home', 5)).toBeCloseTo(182.6, 1);
		expect(after('hardly', 'home', 5)).toBeCloseTo(365.25, 1);
		expect(after('hardly', 'stage', 5)).toBeCloseTo(30.4, 1);
		expect(after('hardly', 'home', 120)).toBe(FOLLOW_UP_DAYS.last);
	});
});

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

describe('what a pitch loads', () => {
	const found = (level: number) => [60, 61].map((note) => ({ note, level, strings: [level, level, level], unison: 1 }));
	const wire = { material: 'steel', core: 0.001, length: 0.65 } as const;

	it('adds 12.25 per cent of tension for a hundred cents', () => {
		const { change, highest } = pitchLoad(
			found(-100),
			0,
			() => hz(261.6),
			() => undefined
		);
		expect(change).toBeCloseTo(2 ** (200 / 1200) - 1, 12);
		expect(highest).toBeUndefined();
		expect(
			pitchLoad(
				found(-100),
				-100,
				() => hz(261.6),
				() => undefined
			).change
		).toBeCloseTo(0, 12);
	});

	it('names the string that comes nearest to breaking', () => {
		const { highest } = pitchLoad(
			found(0),
			0,
			(note) => hz(note === 61 ? 277.2 : 261.6),
			() => wire
		);
		// T = (2 L F)^2 mu over S_ut A: (2 * 0.65 * 277.2)^2 * 7850 / 2211e6.
		expect(highest!.note).toBe(61);
		expect(highest!.share).toBeCloseTo(((2 * 0.65 * 277.2) ** 2 * 7850) / 2.211e9, 3);
	});
});

describe('notes that jumped', () => {
	it('are those that moved otherwise than their neighbours', () => {
		const pitches = (off: (note: number) => number) =>
			new Map(Array.from({ length: 88 }, (_, i) => [21 + i, 440 * 2 ** ((i - 48 + off(21 + i) / 100) / 12)]));
		const wander = (note: number) => 0.6 * Math.sin(5.1 * note);
		const left = pitches(() => 0);
		expect(
			jumpedNotes(
				left,
				pitches((note) => -5 + wander(note) + (note === 70 ? -9 : 0))
			)
		).toEqual([70]);
		// Of few notes nothing is claimed.
		expect(
			jumpedNotes(
				new Map([...left].slice(0, 10)),
				pitches((note) => wander(note))
			)
		).toEqual([]);
	});
});
