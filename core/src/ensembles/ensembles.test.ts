import { describe, expect, it } from 'vitest';
import { TEMPERAMENTS, temperamentById } from '../temperament/library';
import { offsetsFromEqual, transposed } from '../temperament/temperament';
import { hz } from '../units/quantity';
import { agreements, agreeOn, cannotMeet, sharedCandidates } from './agreement';
import { clashes, unisonsApart, type Member, type Moves } from './ensemble';
import { CENTS_PER_DEGREE, compromise } from './fixedBesideFixed';

const on = (id: string, root = 0) => offsetsFromEqual(transposed(temperamentById(id), root));
const member = (name: string, temperament: string, moves: Moves, { root = 0, a4 = 415 } = {}): Member => ({
	...{ id: name, name, a4: hz(a4), offsets: on(temperament, root), moves, lowest: 36, highest: 84 }
});
const CANDIDATES = sharedCandidates(TEMPERAMENTS);

describe('clashes', () => {
	it('are what the temperaments say: quarter-comma meantone against equal', () => {
		const two = [member('Harpsichord', 'meantone-quarter', 'nothing'), member('Viol', 'equal', 'frets')];
		const [pair] = unisonsApart(two);
		// Seven fifths up from A lies G♯... of 696.578 cents each: A to E♭ is six fifths down, 20.5 cents high.
		expect(pair.worst.note).toBe(3);
		expect(pair.worst.off).toBeCloseTo(-20.53, 2);
		// E♭4 at 415: 293.4 Hz, so much is 3.5 beats a second.
		expect(pair.worst.beats).toBeCloseTo(3.5, 1);
		const thirds = clashes(two).filter(
			({ interval, lower, note }) => interval.semitones === 4 && lower === 0 && note === 0
		);
		// C of the harpsichord, 10.26 high, with E of the viol: 400 - 10.26 - 386.31.
		expect(thirds[0].off).toBeCloseTo(3.42, 2);
	});

	it('say no beats where two never meet', () => {
		const low = { ...member('Violone', 'equal', 'frets'), lowest: 31, highest: 40 };
		const high = { ...member('Recorder', 'equal', 'nothing', { a4: 417 }), lowest: 72, highest: 96 };
		expect(clashes([low, high]).every(({ beats }) => beats === undefined)).toBe(true);
	});
});

describe('agreements', () => {
	it('find the temperament and the root that were planted', () => {
		for (const [id, root] of [
			['vallotti', 7],
			['meantone-sixth', 2],
			['kirnberger-3', 0]
		] as const) {
			const members = [
				member('Harpsichord', id, 'nothing', { root }),
				member('Treble viol', 'equal', 'everything'),
				member('Bass viol', 'meantone-quarter', 'everything', { a4: 418 })
			];
			const [best] = agreements(members, CANDIDATES);
			expect(best.apart).toBeLessThan(0.01);
			expect(best.shared.offsets.map((offset) => offset.toFixed(2))).toEqual(
				on(id, root).map((offset) => offset.toFixed(2))
			);
			expect(best.a4).toBeCloseTo(415, 6);
			expect(best.joining[0].cost).toBe(0);
			expect(best.joining[2].cost).toBeGreaterThan(10);
		}
	});

	it('find nothing better than a pair that cannot move leaves', () => {
		const members = [
			member('Organ', 'meantone-quarter', 'nothing'),
			member('Piano', 'equal', 'nothing'),
			member('Viol', 'equal', 'everything')
		];
		const between = unisonsApart(members)[0].worst;
		const [best] = agreements(members, CANDIDATES);
		expect(best.apart).toBeCloseTo(Math.abs(between.off), 9);
		expect(best.worst).toMatchObject({ lower: 0, upper: 1 });
		expect(cannotMeet(members, 5)).toHaveLength(1);
		expect(cannotMeet(members, 25)).toEqual([]);
		// The viol stands half-way: no further from either than that.
		const viol = agreeOn(
			members,
			agreements(members, CANDIDATES, 1000).find(({ shared }) => shared.id === 'between')!.shared
		);
		const then = unisonsApart(viol.joining.map(({ member, then }) => ({ ...member, ...then })));
		for (const { upper, worst } of then)
			if (upper === 2) expect(Math.abs(worst.off)).toBeLessThan(Math.abs(between.off) / 2 + 1e-9);
	});

	it('cost least where all can move: what most of them have already', () => {
		const members = [
			member('One', 'vallotti', 'everything'),
			member('Two', 'vallotti', 'everything'),
			member('Three', 'equal', 'everything')
		];
		const [best] = agreements(members, CANDIDATES);
		expect(best.shared.id).toBe('vallotti');
		expect(best.joining.map(({ cost }) => cost > 0.01)).toEqual([false, false, true]);
		expect(agreements([], CANDIDATES)).toEqual([]);
	});

	it('move a member that has only its pitch as near as it comes, and one that has only its frets not in its A', () => {
		const members = [
			member('Harpsichord', 'vallotti', 'nothing'),
			member('Recorder', 'equal', 'pitch', { a4: 420 }),
			member('Guitar', 'equal', 'frets', { a4: 416 })
		];
		const { joining } = agreeOn(
			members,
			CANDIDATES.find(({ id, root }) => id === 'vallotti' && root === 0)!
		);
		expect(new Set(joining[1].moves.map((move) => move.toFixed(9))).size).toBe(1);
		expect(joining[2].then.a4).toBeCloseTo(416, 9);
		expect(joining[2].then.offsets[0]).toBeCloseTo(on('vallotti')[0], 9);
	});
});

describe('fixed beside fixed', () => {
	const levels = (from: number, to: number, of: (note: number) => number) =>
		new Map(Array.from({ length: to - from + 1 }, (_, i) => [from + i, of(from + i)]));

	it('shares out what two movable ones stand apart, by what moves cost', () => {
		const piano = { levels: levels(21, 108, () => 0), cost: 1 };
		const other = { levels: levels(36, 84, () => 6), cost: 1 };
		const found = compromise(piano, other);
		expect(found).toHaveLength(49);
		// x = -y = 6 / (2 + 1) where both cost as much as what is left.
		for (const { first, second, left } of found) {
			expect(first).toBeCloseTo(2, 6);
			expect(second).toBeCloseTo(-2, 6);
			expect(left).toBeCloseTo(2, 6);
		}
	});

	it('moves only the one that can: a piano beside a vibraphone, smoothly', () => {
		const piano = { levels: levels(21, 108, (note) => (note - 69) / 4), cost: 0.05 };
		const bars = { levels: levels(53, 89, () => 8), cost: Infinity };
		const found = compromise(piano, bars);
		expect(found.every(({ second }) => second === 0)).toBe(true);
		expect(Math.max(...found.map(({ left }) => Math.abs(left)))).toBeLessThan(1);
		const steps = found.slice(1).map(({ first }, i) => Math.abs(first - found[i].first));
		expect(Math.max(...steps)).toBeLessThan(0.4);
		expect(compromise(piano, { ...bars, levels: new Map() })).toEqual([]);
	});

	it('knows that pipes rise by 3 cents a degree', () => {
		expect(CENTS_PER_DEGREE).toBeCloseTo(2.95, 2);
	});
});
