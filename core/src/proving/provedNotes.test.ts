import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { uprightString } from '../../fixtures/upright';
import { createRandom } from '../numeric/random';
import { partialHz } from '../strings/stiffString';
import { cents } from '../units/quantity';
import { leastWork } from './leastWork';
import { contradicted, provedNotes, type HeardBeatOf } from './provedNotes';
import { inversions, measuredStaircases } from './staircase';

const NOTES = Array.from({ length: 25 }, (_, i) => 53 + i);
const intended = (note: number) => uprightString(note);
const heardThird = (off: ReadonlyMap<number, number>, lower: number, error: number, noise = 0): HeardBeatOf => ({
	...{ lower, upper: lower + 4, lowerPartial: 5, upperPartial: 4, error },
	rate:
		partialHz(uprightString(lower + 4, off.get(lower + 4)), 4) -
		partialHz(uprightString(lower, off.get(lower)), 5) +
		noise
});

describe('notes by readings and intervals', () => {
	it('are as they were read where nothing was heard', () => {
		const read = NOTES.map((note) => ({ note, deviation: cents(0.1 * (note % 5)), error: cents(0.4) }));
		const { deviations, covariance } = provedNotes(read, [], intended);
		deviations.forEach((value, i) => expect(value).toBeCloseTo(read[i].deviation, 9));
		covariance.forEach((row, i) => expect(row[i]).toBeCloseTo(0.16, 9));
		expect(provedNotes([], [], intended)).toEqual({ notes: [], deviations: [], covariance: [] });
	});

	it('stand within their stated errors, and nearer to the truth than readings alone', () => {
		let [inside, count, before, after] = [0, 0, 0, 0];
		for (let seed = 1; seed <= 40; seed++) {
			const random = createRandom(seed);
			const off = new Map(NOTES.map((note) => [note, 1.2 * random.normal()]));
			const read = NOTES.map((note) => ({
				...{ note, error: cents(0.4) },
				deviation: cents(off.get(note)! + 0.4 * random.normal())
			}));
			const heard = NOTES.slice(0, -4).map((lower) => heardThird(off, lower, 0.05, 0.05 * random.normal()));
			const { deviations, covariance } = provedNotes(read, heard, intended);
			NOTES.forEach((note, i) => {
				const error = deviations[i] - off.get(note)!;
				count++;
				if (Math.abs(error) < 2 * Math.sqrt(covariance[i][i])) inside++;
				before += (read[i].deviation - off.get(note)!) ** 2;
				after += error ** 2;
			});
		}
		expect(inside / count).toBeGreaterThan(0.93);
		expect(after).toBeLessThan(0.75 * before);
	});

	it('let no inversion be named by chance', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
				const random = createRandom(seed);
				const read = NOTES.map((note) => ({ note, error: cents(0.4), deviation: cents(0.4 * random.normal()) }));
				const measured = provedNotes(read, [], intended);
				// Minor sixths step by 0.4 and err by 1: nothing is out, and hardly anything is named.
				return inversions(measuredStaircases(measured, intended), measured).length <= 2;
			}),
			{ numRuns: 60, seed: 7 }
		);
	});

	it('name the third that was heard to step down, and its note', () => {
		const off = new Map([[64, -3]]);
		const read = NOTES.map((note) => ({ note, error: cents(0.4), deviation: cents(off.get(note) ?? 0) }));
		const heard = [57, 58, 59, 60, 61].map((lower) => heardThird(off, lower, 0.05));
		const measured = provedNotes(read, heard, intended);
		const found = inversions(measuredStaircases(measured, intended), measured);
		expect(found.some(({ from, to, note }) => from.lower === 59 && to.lower === 60 && note === 64)).toBe(true);
		for (const { note, by } of found.filter((each) => each.note === 64)) {
			expect(note).toBe(64);
			expect(by).toBeCloseTo(3, 0);
		}
	});
});

describe('one interval alone', () => {
	it('does not tell which of its notes has moved, until one of them is struck by itself', () => {
		const off = new Map([[62, -6]]);
		const at = (deviation: number) =>
			NOTES.map((note) => ({ note, error: cents(0.35), deviation: cents(note === 62 ? deviation : 0) }));
		const heard = [heardThird(off, 57, 0.05), heardThird(off, 58, 0.05)];
		const named = (deviation: number) => {
			const read = at(deviation);
			const measured = provedNotes(read, heard, intended);
			return inversions(measuredStaircases(measured, intended), measured, contradicted(read, measured)).find(
				({ from, to }) => from.lower === 57 && to.lower === 58 && to.upper === 62
			)!;
		};
		const unsure = named(0);
		expect([unsure.note, unsure.rival].sort()).toEqual([58, 62]);
		expect(named(-6)).toMatchObject({ note: 62 });
		expect(named(-6).rival).toBeUndefined();
	});
});

describe('the least work that brings the most', () => {
	const measured = {
		notes: [60, 61, 62, 63, 64],
		deviations: [0.1, -0.2, 0, 0.1, -3].map(cents),
		covariance: [0, 1, 2, 3, 4].map((i) => [0, 1, 2, 3, 4].map((j) => (i === j ? 0.04 : 0)))
	};
	const proof = { measured, tolerance: cents(1), unisons: [], drifts: [], minutes: 4 };

	it('is nothing where everything lies within its limits', () => {
		expect(leastWork({ ...proof, measured: { ...measured, deviations: [0, 0, 0, 0, 0].map(cents) } })).toEqual([]);
	});

	it('puts what brings more in less time first, with its share of all that is wrong', () => {
		const unisons = [
			{ note: 70, apart: 1.2, limit: 0.4 },
			{ note: 71, apart: 0.3, limit: 0.4 }
		];
		const jobs = leastWork({ ...proof, unisons, drifts: [{ note: 86, drift: -1.5 }] });
		expect(jobs.map(({ note, kind }) => [note, kind])).toEqual([
			[70, 'unison'],
			[64, 'move'],
			[86, 'hold']
		]);
		expect(jobs[1].cents).toBeCloseTo(3, 1);
		expect(jobs.reduce((sum, { gain }) => sum + gain, 0)).toBeCloseTo(1, 9);
		expect(jobs.map(({ minutes }) => minutes)).toEqual([2, 4, 4]);
	});

	it('goes by what is played, where somebody has said', () => {
		const drifts = [{ note: 86, drift: -1.5 }];
		const played = leastWork({ ...proof, drifts, weightOf: (note) => (note === 86 ? 9 : 1) });
		expect(played.map(({ note }) => note)).toEqual([86, 64]);
		expect(leastWork({ ...proof, drifts }).map(({ note }) => note)).toEqual([64, 86]);
	});

	it('asks for no move that is not sure, and sets anew what does not hold once only', () => {
		const unsure = { ...measured, covariance: measured.covariance.map((row) => row.map((value) => 100 * value)) };
		expect(leastWork({ ...proof, measured: unsure })).toEqual([]);
		const both = leastWork({ ...proof, drifts: [{ note: 64, drift: -3 }] });
		expect(both.map(({ kind }) => kind)).toEqual(['hold']);
	});
});
