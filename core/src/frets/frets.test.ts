import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { temperamentById } from '../temperament/library';
import type { Reading } from '../record/happened';
import { sounderId } from '../record/sounder';
import { centsBetween } from '../units/pitch';
import { hz } from '../units/quantity';
import { afterMove, bestLine, fretMap, toCheckAgain } from './fretMap';
import {
	across,
	fretGroup,
	fretGroups,
	fretPlaceOf,
	NECKS,
	neckById,
	neckProblem,
	sameNotes,
	usualSuspects,
	type Neck
} from './neck';
import { centsAt, centsOfMove, moveFor, placeOf } from './places';
import { soundedPitch, UNMOVED_NECK, type MovedNeck, type NeckTwin } from './simulatedNeck';
import { fretReadings } from './readings';
import { neckStanding, type FretReading } from './stopping';
import { fretTargets, otherSpellings } from './targets';

const BASS: Neck = { ...neckById('bass')!.neck, places: [] };
const A4 = hz(415);

describe('places of frets', () => {
	it('are those of the closed form', () => {
		// L (1 - 2^(-c/1200)), computed to 30 digits elsewhere: 690 mm at 100 and 700 cents, 400 mm at 76.049 cents.
		expect(placeOf(690, 100)).toBeCloseTo(38.726_724_249_6, 9);
		expect(placeOf(690, 1200)).toBe(345);
		expect(placeOf(690, 700)).toBeCloseTo(690 * (1 - 2 ** (-7 / 12)), 9);
		fc.assert(
			fc.property(
				fc.double({ min: 200, max: 1200, noNaN: true }),
				fc.double({ min: 0, max: 2400, noNaN: true }),
				(scale, c) => {
					const place = placeOf(scale, c);
					return Math.abs(place - scale * (1 - 2 ** (-c / 1200))) < 1e-9 && Math.abs(centsAt(scale, place) - c) < 1e-8;
				}
			)
		);
		expect(() => centsAt(690, 690)).toThrow(RangeError);
	});

	it('move as the closed form says; half a millimetre at the first fret is 1.33 cents at 690 mm and 2.3 at 400', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 200, max: 1200, noNaN: true }),
				fc.double({ min: 50, max: 900, noNaN: true }),
				fc.double({ min: -60, max: 60, noNaN: true }),
				(scale, c, by) => {
					const place = placeOf(scale, c);
					const move = moveFor(scale, place, by);
					return (
						Math.abs(place + move - placeOf(scale, c + by)) < 1e-9 &&
						Math.abs(centsOfMove(scale, place, move) - by) < 1e-8
					);
				}
			)
		);
		expect(centsOfMove(690, placeOf(690, 100), 1)).toBeCloseTo(2.66, 2);
		expect(centsOfMove(400, placeOf(400, 100), 1)).toBeCloseTo(4.6, 1);
	});
});

describe('a neck', () => {
	it('has a group for every open string and every stopped one, and finds each again', () => {
		for (const { neck } of NECKS) {
			const groups = fretGroups(neck);
			expect(new Set(groups).size).toBe(groups.length);
			for (const group of groups) {
				const { string, fret, isSecond } = fretPlaceOf(group);
				expect(fretGroup(string, fret, isSecond)).toBe(group);
			}
			expect(neckProblem({ ...neck, places: [] })).toBeUndefined();
		}
		// Six courses, five of them of two strings.
		expect(fretGroups(neckById('luteSix')!.neck).filter((group) => group < 100)).toHaveLength(11);
	});

	it('knows which frets repeat the next open string, and where trouble is looked for first', () => {
		expect(usualSuspects(BASS)).toEqual([1, 4, 5, 2, 3, 6, 7]);
		const two = sameNotes(BASS).filter(({ two: [first] }) => fretPlaceOf(first).fret === 0);
		expect(two.map(({ two: [, other] }) => fretPlaceOf(other).fret)).toEqual([5, 5, 4, 5, 5]);
		expect(
			sameNotes(BASS).every(
				({ note, two: [a] }) => BASS.strings[fretPlaceOf(a).string - 1].note + fretPlaceOf(a).fret === note
			)
		).toBe(true);
	});

	it('is refused where it cannot be: order, scale, frets out of order', () => {
		expect(neckProblem({ ...BASS, strings: [] })).toEqual({ problem: 'no strings' });
		expect(neckProblem({ ...BASS, strings: [...BASS.strings].reverse() })).toEqual({ problem: 'order' });
		expect(neckProblem({ ...BASS, scale: 27 })).toEqual({ problem: 'scale' });
		const places = [{ low: 39, high: 39 }, null, { low: 100, high: 37 }];
		expect(neckProblem({ ...BASS, places })).toEqual({ problem: 'fret', fret: 3 });
	});
});

describe('targets', () => {
	it('are the temperament’s, at every fret the note that is sounded there', () => {
		const meantone = temperamentById('meantone-quarter');
		const targets = fretTargets(BASS, { a4: A4, temperament: meantone });
		const of = (string: number, fret: number) => targets.find(({ group }) => group === fretGroup(string, fret))!;
		expect(centsBetween(A4, of(2, 0).pitch)).toBeCloseTo(-1200, 9);
		// A pure third C3 to E3; C♯ a small semitone above C, E♭ a large one above D (76.05 and 117.11 cents).
		expect(centsBetween(of(4, 0).pitch, of(3, 0).pitch)).toBeCloseTo(386.3137, 3);
		expect(centsBetween(of(4, 0).pitch, of(4, 1).pitch)).toBeCloseTo(76.049, 3);
		expect(centsBetween(of(1, 0).pitch, of(1, 1).pitch)).toBeCloseTo(117.1079, 3);
		// D♭ in place of C♯ lies 41.06 cents higher, D♯ in place of E♭ as much lower.
		expect(of(4, 1).other).toBeCloseTo(41.0589, 3);
		expect(of(1, 1).other).toBeCloseTo(-41.0589, 3);
		const spelled = fretTargets(BASS, { a4: A4, temperament: meantone, spelled: [fretGroup(4, 1)] });
		expect(spelled.find(({ group }) => group === fretGroup(4, 1))!.fromEqual - of(4, 1).fromEqual).toBeCloseTo(
			41.0589,
			3
		);
	});

	it('have one spelling where fifths differ, or the circle closes', () => {
		for (const id of ['equal', 'vallotti'])
			expect(otherSpellings(temperamentById(id))).toEqual(Array(12).fill(undefined));
	});
});

describe('the best straight fret', () => {
	it('is the one that brute force finds, in cents left', () => {
		const random = createRandom(5);
		for (let times = 0; times < 20; times++) {
			const wishes = BASS.strings.map((_, i) => {
				const place = 39 + random.normal();
				const off = 6 * random.normal();
				return {
					...{ string: i + 1, across: across(BASS, i + 1), place, off, isRead: true },
					...{ move: moveFor(690, place, -off), weight: 0.5 + random.uniform() }
				};
			});
			const { cost, move } = bestLine(690, wishes);
			const costAt = (low: number, high: number) =>
				wishes.reduce(
					(sum, { weight, off, place, across: u }) =>
						sum + weight * (off + centsOfMove(690, place, low + (high - low) * u)) ** 2,
					0
				);
			expect(costAt(move.low, move.high)).toBeCloseTo(cost, 9);
			let least = Infinity;
			for (let low = -60; low <= 60; low++)
				for (let high = -60; high <= 60; high++)
					least = Math.min(least, costAt(move.low + low / 400, move.high + high / 400));
			expect(cost).toBeLessThanOrEqual(least + 1e-9);
		}
	});
});

/** Everything of a simulated neck read, or some of it, with an error. */
function readNeck(
	neck: Neck,
	twin: NeckTwin,
	moved: MovedNeck,
	wanted: (string: number, fret: number) => number,
	{ error = 0.2, which = () => true }: { error?: number; which?: (string: number, fret: number) => boolean } = {}
): FretReading[] {
	const random = createRandom(twin.seed + 11);
	const of = { twin, neck, moved, a4: A4 };
	return neck.strings.flatMap((_, i) =>
		Array.from({ length: neck.frets }, (_, k) => k + 1).flatMap((fret) => {
			if (!which(i + 1, fret)) return [];
			const above = centsBetween(soundedPitch(of, fretGroup(i + 1)), soundedPitch(of, fretGroup(i + 1, fret)));
			return [
				{
					string: i + 1,
					fret,
					off: above - wanted(i + 1, fret) + error * random.normal(),
					error: Math.max(0.05, error)
				}
			];
		})
	);
}
function wantedBy(id: string, spelled: readonly number[] = []) {
	const targets = new Map(
		fretTargets(BASS, { a4: A4, temperament: temperamentById(id), spelled }).map(({ group, pitch }) => [group, pitch])
	);
	return (string: number, fret: number) =>
		centsBetween(targets.get(fretGroup(string))!, targets.get(fretGroup(string, fret))!);
}

describe('a simulated viol with a nut that is half a millimetre off and strings that stretch', () => {
	const wanted = wantedBy('vallotti');

	it('sounds after the advised moves as it was predicted, and within 3 cents, or it is said which cannot', () => {
		let [predicted, off] = [0, 0];
		const strays: number[] = [];
		for (let seed = 1; seed <= 20; seed++) {
			const twin = { kind: 'frets', seed } as const;
			const standing = neckStanding(BASS, wanted, readNeck(BASS, twin, UNMOVED_NECK, wanted, { error: 0 }));
			const map = fretMap(BASS, standing, { step: 0.5, within: 3 });
			for (const { fret, line, cannot } of map) {
				const then = afterMove(BASS, standing, fret, line.move);
				const moved = { pegs: {}, frets: { [fret]: line.move } };
				const real = readNeck(BASS, twin, moved, wanted, { error: 0, which: (_, at) => at === fret });
				for (const { string, off: now } of real) {
					const told = then.notes.find((note) => note.string === string && note.fret === fret)!;
					strays.push(Math.abs(told.off - now));
					predicted++;
					if (Math.abs(now) > 3 && !cannot.includes(string)) off++;
				}
			}
		}
		expect(Math.max(...strays)).toBeLessThan(0.3);
		expect(off).toBeLessThan(0.02 * predicted);
	});

	it('tells strings that were not read from those that were, with errors that are true', () => {
		let [inside, all] = [0, 0];
		for (let seed = 1; seed <= 30; seed++) {
			const twin = { kind: 'frets', seed } as const;
			// The outer strings at every fret, all strings at the fifth.
			const which = (string: number, fret: number) => string === 1 || string === 6 || fret === 5;
			const standing = neckStanding(BASS, wanted, readNeck(BASS, twin, UNMOVED_NECK, wanted, { which }));
			const truth = readNeck(BASS, twin, UNMOVED_NECK, wanted, { error: 0 });
			for (const [i, { off, error, isRead, string, fret }] of standing.notes.entries()) {
				expect(isRead).toBe(which(string, fret));
				if (isRead) continue;
				const real = truth.find((each) => each.string === string && each.fret === fret)!.off;
				all++;
				if (Math.abs(real - off) < 2 * error) inside++;
				expect(standing.notes[i].error).toBeLessThan(2.5);
			}
		}
		expect(inside / all).toBeGreaterThan(0.9);
	});

	it('says what to sound again when one end was moved', () => {
		const standing = neckStanding(BASS, wanted, []);
		const after = afterMove(BASS, standing, 1, { low: 1, high: 0 });
		expect(toCheckAgain(standing, after, 1)).toEqual([2, 3, 4, 5, 6]);
		expect(after.notes.filter(({ fret }) => fret !== 1)).toEqual(standing.notes.filter(({ fret }) => fret !== 1));
		expect(() => afterMove(BASS, standing, 9, { low: 1, high: 0 })).toThrow(RangeError);
	});
});

describe('the two strings of a course', () => {
	it('have a peg each, and lie apart until they are set', () => {
		const neck: Neck = { ...neckById('luteSix')!.neck, places: [] };
		const twin = { kind: 'frets', seed: 5 } as const;
		const pitches = (pegs: Readonly<Record<number, number>>) =>
			[fretGroup(4), fretGroup(4, 0, true)].map((group) =>
				soundedPitch({ twin, neck, moved: { pegs, frets: {} }, a4: A4 }, group)
			);
		const [first, second] = pitches({});
		// F3 with its octave, some cents off.
		expect(Math.abs(centsBetween(first, second) - 1200)).toBeGreaterThan(0.1);
		const turned = pitches({ [fretGroup(4, 0, true)]: 10 });
		expect(centsBetween(first, turned[0])).toBeCloseTo(0, 9);
		expect(centsBetween(second, turned[1])).toBeCloseTo(10, 9);
		expect(centsBetween(second, pitches({ [fretGroup(4)]: 10 })[1])).toBeCloseTo(0, 9);
	});
});

describe('quarter-comma meantone on a straight fret', () => {
	it('cannot be: C♯ and G♯ want the first fret elsewhere than E♭, B♭ and F; a half fret, or the other spelling, helps', () => {
		const wanted = wantedBy('meantone-quarter');
		const read = neckStanding(
			BASS,
			wanted,
			readNeck(BASS, { kind: 'frets', seed: 3 }, UNMOVED_NECK, wanted, { error: 0 })
		);
		const [first] = fretMap(BASS, read, { step: 0.5, within: 3 });
		expect(first.conflict?.nearer).toEqual([4, 5]);
		expect(first.conflict?.apart).toBeGreaterThan(36);
		expect(first.cannot.length).toBeGreaterThan(0);
		const flat = wantedBy('meantone-quarter', [fretGroup(4, 1), fretGroup(5, 1)]);
		const spelled = neckStanding(
			BASS,
			flat,
			readNeck(BASS, { kind: 'frets', seed: 3 }, UNMOVED_NECK, flat, { error: 0 })
		);
		const [again] = fretMap(BASS, spelled, { step: 0.5, within: 3 });
		expect(again.conflict).toBeUndefined();
		// With sharps on the two lowest strings only a half fret carries them.
		const low = wantedBy('meantone-quarter', [fretGroup(4, 1), fretGroup(6, 1)]);
		const halved = neckStanding(BASS, low, readNeck(BASS, { kind: 'frets', seed: 3 }, UNMOVED_NECK, low, { error: 0 }));
		const [half] = fretMap(BASS, halved, { step: 0.5, within: 4 });
		expect(half.half?.strings).toEqual([5, 6]);
		expect(half.half!.worst).toBeLessThan(4);
	});
});

describe('weights', () => {
	it('bring the strings that matter home first; a string without weight is left alone', () => {
		const wanted = wantedBy('meantone-quarter');
		const standing = neckStanding(
			BASS,
			wanted,
			readNeck(BASS, { kind: 'frets', seed: 3 }, UNMOVED_NECK, wanted, { error: 0 })
		);
		const weightOf = (string: number, fret: number) => (fret === 1 && (string === 4 || string === 5) ? 0 : 1);
		const [first] = fretMap(BASS, standing, { step: 0.5, within: 3, weightOf });
		expect(first.cannot).toEqual([]);
		expect(first.conflict).toBeUndefined();
		for (const { string, left } of first.wishes)
			if (string !== 4 && string !== 5) expect(Math.abs(left)).toBeLessThan(3);
	});
});

describe('readings of a visit', () => {
	const wanted = wantedBy('vallotti');
	const targets = new Map(
		fretTargets(BASS, { a4: A4, temperament: temperamentById('vallotti') }).map(({ group, pitch }) => [group, pitch])
	);
	let counter = 0;
	const stamp = () => ({ id: `e${++counter}`, device: 'd', counter, at: counter });
	const read = (group: number, pitch: number) =>
		({
			...stamp(),
			way: 'lasting',
			sounders: [sounderId(group, 'string')],
			pitch,
			pitchError: 0.1
		}) as unknown as Reading;
	const move = (fret: number, low: number, high: number) => ({ ...stamp(), do: 'fretMoved', fret, low, high }) as const;
	const above = (from: number, cents: number) => from * 2 ** (cents / 1200);

	it('count from the open string as it stood then; a string read open only afterwards counts from there', () => {
		const flat = above(targets.get(fretGroup(1))!, -10);
		const first = read(fretGroup(1), flat);
		const stopped = read(fretGroup(1, 1), above(flat, wanted(1, 1) + 3));
		const raised = read(fretGroup(1), targets.get(fretGroup(1))!);
		expect(fretReadings(BASS, targets, [first, stopped, raised], [])[0].off).toBeCloseTo(3, 9);
		const late = read(fretGroup(2, 1), above(targets.get(fretGroup(2))!, wanted(2, 1) - 5));
		const openLate = read(fretGroup(2), above(targets.get(fretGroup(2))!, -5));
		expect(fretReadings(BASS, targets, [late, openLate], [])[0].off).toBeCloseTo(0, 9);
	});

	it('follow a move until somebody reads again, and are told by the closed form', () => {
		const open = targets.get(fretGroup(6))!;
		const stopped = read(fretGroup(6, 1), above(open, wanted(6, 1) + 4));
		const moves = [move(1, -1, 0)];
		const [then] = fretReadings(BASS, targets, [stopped], moves);
		expect(then).toMatchObject({ string: 6, fret: 1, isStale: true });
		expect(then.off - 4).toBeCloseTo(-2.66, 1);
		const again = read(fretGroup(6, 1), above(open, wanted(6, 1) + 1));
		expect(fretReadings(BASS, targets, [again, stopped], moves)).toMatchObject([{ isStale: false }]);
		// Another fret moves nothing here.
		expect(fretReadings(BASS, targets, [stopped], [move(2, 3, 3)])[0].isStale).toBe(false);
	});
});
