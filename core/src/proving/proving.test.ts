import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_EAR } from '../bearing/ear';
import { targetTable } from '../curve/targetTable';
import { beatOf } from '../intervals/beats';
import { createRandom } from '../numeric/random';
import { typicalInharmonicity } from '../strings/inharmonicity';
import { temperamentById, TEMPERAMENTS } from '../temperament/library';
import { offsetsFromEqual, transposed } from '../temperament/temperament';
import { hzAbove } from '../units/pitch';
import { cents, hz, type Cents } from '../units/quantity';
import { chiSquaredLimit } from './chiSquared';
import { pitchesFromCounts } from './countedBeats';
import { countedKind, countError, type CountedBeats } from './counts';
import { fewestMoves } from './fewestMoves';
import { keyOrder } from './keyOrder';
import { classOffsets, type MeasuredNotes } from './measuredNotes';
import { nearestTemperament } from './nearestTemperament';
import { inversions, measuredStaircases } from './staircase';

const [LOW, HIGH, REFERENCE] = [53, 65, 57];
const stringsOf = (id: string) => {
	const table = targetTable({
		lowest: 21,
		highest: 108,
		a4: hz(440),
		temperament: temperamentById(id),
		inharmonicityAt: (note) => typicalInharmonicity('upright', note)
	});
	return (note: number) => table[note - 21].string;
};
const strings = stringsOf('equal');
const NOTES = Array.from({ length: HIGH - LOW + 1 }, (_, i) => LOW + i);

function hiddenOctave(seed: number, spread = 8): ReadonlyMap<number, number> {
	const random = createRandom(seed);
	return new Map(NOTES.map((note) => [note, note === REFERENCE ? 0 : spread * random.normal()]));
}

/** What somebody would count on that octave, rounded to a tenth. */
function countsOf(
	octave: ReadonlyMap<number, number>,
	semitones: readonly number[],
	{ error = 0.03, unknown = false } = {}
): CountedBeats[] {
	const found = (note: number) => ({
		...strings(note),
		flexiblePitch: hzAbove(strings(note).flexiblePitch, cents(octave.get(note)!))
	});
	return NOTES.flatMap((lower) =>
		semitones.flatMap((each): CountedBeats[] => {
			const upper = lower + each;
			if (upper > HIGH) return [];
			const kind = countedKind(each)!;
			const { rate } = beatOf(found(lower), found(upper), kind);
			const sense = unknown ? 'unknown' : rate < 0 ? 'narrow' : 'wide';
			return [{ lower, upper, kind, rate: Math.round(10 * Math.abs(rate)) / 10, sense, error }];
		})
	);
}
const ALL = [3, 4, 5, 7, 8, 9, 12];
const solve = (counts: readonly CountedBeats[], bias = 0.1) =>
	pitchesFromCounts(counts, { strings, reference: REFERENCE, bias });
const rmsOff = (
	solution: { notes: readonly number[]; deviations: readonly number[] },
	octave: ReadonlyMap<number, number>
) =>
	Math.sqrt(
		solution.notes.reduce((sum, note, i) => sum + (solution.deviations[i] - octave.get(note)!) ** 2, 0) /
			solution.notes.length
	);

/** Readings that err independently. */
function independentNotes(
	readings: readonly { readonly note: number; readonly deviation: Cents; readonly error: Cents }[]
): MeasuredNotes {
	return {
		notes: readings.map(({ note }) => note),
		deviations: readings.map(({ deviation }) => deviation),
		covariance: readings.map(({ error }, i) => readings.map((_, j) => (i === j ? error * error : 0)))
	};
}

describe('pitches from counted beats', () => {
	it.each([
		['all intervals of the octave', ALL, 0.05],
		['thirds and fifths', [3, 4, 7], 0.12]
	] as const)('finds hidden octaves from %s', (_, semitones, limit) => {
		const squares = [];
		for (let seed = 1; seed <= 25; seed++) {
			const octave = hiddenOctave(seed);
			const result = solve(countsOf(octave, semitones));
			if (result.kind !== 'solved') throw new Error(result.why.reason);
			expect(result.solutions).toHaveLength(1);
			expect(result.solutions[0].fits).toBe(true);
			squares.push(rmsOff(result.solutions[0].measured, octave) ** 2);
		}
		expect(Math.sqrt(squares.reduce((sum, square) => sum + square) / squares.length)).toBeLessThan(limit);
	});

	it('states errors that cover the truth', () => {
		const random = createRandom(11);
		let [within, all] = [0, 0];
		for (let run = 0; run < 60; run++) {
			const octave = hiddenOctave(100 + run, 3);
			const counts = countsOf(octave, ALL).map((count) => {
				const error = countError(DEFAULT_EAR, count.rate);
				return { ...count, rate: Math.abs(count.rate + error * random.normal()), error };
			});
			const result = solve(counts);
			if (result.kind !== 'solved') throw new Error(result.why.reason);
			const { notes, deviations, covariance } = result.solutions[0].measured;
			notes.forEach((note, i) => {
				if (note === REFERENCE) return;
				all++;
				if (Math.abs(deviations[i] - octave.get(note)!) < Math.sqrt(covariance[i][i])) within++;
			});
		}
		// One standard error covers 68 %.
		expect(within / all).toBeGreaterThan(0.6);
		expect(within / all).toBeLessThan(0.78);
	});

	it('finds a bias that all counts share', () => {
		const octave = hiddenOctave(4, 4);
		const fast = countsOf(octave, ALL).map((count) => ({
			...count,
			rate: count.rate < 0.3 ? count.rate : count.rate + 0.2
		}));
		const result = solve(fast, 0.2);
		if (result.kind !== 'solved') throw new Error(result.why.reason);
		expect(result.solutions[0].bias).toBeCloseTo(0.2, 1);
		expect(rmsOff(result.solutions[0].measured, octave)).toBeLessThan(0.1);
	});

	it('reports every reading that fits when wide or narrow is unknown, the true one among them', () => {
		for (let seed = 1; seed <= 8; seed++) {
			const octave = hiddenOctave(seed, 5);
			const result = solve(countsOf(octave, [3, 4, 5, 7, 9], { unknown: true, error: 0.05 }));
			if (result.kind !== 'solved') throw new Error(result.why.reason);
			expect(result.solutions.every(({ fits }) => fits)).toBe(true);
			expect(Math.min(...result.solutions.map(({ measured }) => rmsOff(measured, octave)))).toBeLessThan(0.15);
		}
		// Both thirds either way and a fifth that hardly beats: more than one octave sounds so.
		const few = solve(countsOf(hiddenOctave(3, 1), [3, 4, 7], { unknown: true, error: 0.3 }));
		if (few.kind === 'solved') expect(few.solutions.length).toBeGreaterThan(1);
	});

	it('names the count that contradicts the others, also when only its sense is wrong', () => {
		const octave = hiddenOctave(6, 3);
		const counts = countsOf(octave, [3, 4, 5, 7, 8, 9], { error: 0.1 });
		const truth = counts[5];
		const wrong = solve(counts.map((count, i) => (i === 5 ? { ...truth, rate: truth.rate + 1.5 } : count)));
		if (wrong.kind !== 'solved') throw new Error(wrong.why.reason);
		expect(wrong.solutions[0].contradictions.map(({ index }) => index)).toEqual([5]);
		expect(Math.abs(wrong.solutions[0].contradictions[0].expected)).toBeCloseTo(truth.rate, 0);
		expect(rmsOff(wrong.solutions[0].measured, octave)).toBeLessThan(0.2);
		const fast = counts.findIndex(({ rate }) => rate > 5);
		const turned = counts.map((count, i) =>
			i === fast ? { ...count, sense: count.sense === 'wide' ? ('narrow' as const) : ('wide' as const) } : count
		);
		const other = solve(turned);
		if (other.kind !== 'solved') throw new Error(other.why.reason);
		expect(other.solutions[0].contradictions[0]).toMatchObject({ index: fast, otherSense: true });
	});

	it('refuses what cannot be solved, and says which counts are missing', () => {
		const octave = hiddenOctave(2, 2);
		const real = (semitones: readonly number[]) =>
			countsOf(octave, semitones).map((count) => ({ ...count, error: countError(DEFAULT_EAR, count.rate) }));
		const refusal = (counts: readonly CountedBeats[]) => {
			const result = solve(counts);
			if (result.kind !== 'refused') throw new Error('not refused');
			return result.why;
		};
		expect(refusal([])).toEqual({ reason: 'no counts' });
		const thirds = refusal(real([4]));
		expect(thirds).toMatchObject({ reason: 'unconnected' });
		const quiet = refusal(real([5, 7]));
		if (quiet.reason !== 'unchecked') throw new Error(quiet.reason);
		// Thirds and sixths are what fourths and fifths lack; with them it goes.
		expect(quiet.missing.length).toBeGreaterThan(0);
		for (const { kind } of quiet.missing) expect([3, 4, 9]).toContain(kind.semitones);
		const more = quiet.missing.map(({ lower, upper }) => real([upper - lower]).find((count) => count.lower === lower)!);
		expect(solve([...real([5, 7]), ...more]).kind).toBe('solved');
		// However sure the counts are said to be.
		expect(solve(countsOf(hiddenOctave(2, 0), [5, 7]), 0.02).kind).toBe('refused');
		expect(() => solve([{ ...real([4])[0], rate: Number.NaN }])).toThrow('NaN');
	});
});

describe('what is on it', () => {
	const asMeasured = (id: string, root: number, error: number, seed: number) => {
		const random = createRandom(seed);
		const offsets = offsetsFromEqual(transposed(temperamentById(id), root));
		return { offsets: offsets.map((offset) => offset + 4 + error * random.normal()), errors: offsets.map(() => error) };
	};

	it('knows every temperament of the library again, at any root and level', () => {
		for (const { id } of TEMPERAMENTS)
			for (const root of [0, 5, 10]) {
				const found = nearestTemperament(asMeasured(id, root, 0.05, 9), TEMPERAMENTS);
				const names = [found.best, ...found.same].map(({ temperament }) => temperament.id);
				expect(names).toContain(id);
				expect(found.fits).toBe(true);
			}
	});

	it('does not claim what the errors do not carry', () => {
		const sure = nearestTemperament(asMeasured('vallotti', 0, 0.1, 1), TEMPERAMENTS);
		expect(sure.significant).toBe(true);
		const vague = nearestTemperament(asMeasured('tideline', 0, 4, 1), TEMPERAMENTS);
		expect(vague.significant).toBe(false);
		// Young II is Vallotti a fifth up: one temperament under two names.
		expect(sure.same.map(({ temperament }) => temperament.id)).toContain('young-2');
		const wild = { offsets: [0, 30, -40, 20, 0, -35, 10, 0, 44, 0, -20, 15], errors: new Array(12).fill(0.2) };
		expect(nearestTemperament(wild, TEMPERAMENTS).fits).toBe(false);
	});

	it('tells home keys from remote ones, and a reversed order', () => {
		const exact = (id: string, factor = 1) => ({
			offsets: offsetsFromEqual(temperamentById(id)).map((offset) => factor * offset),
			errors: new Array(12).fill(0.3)
		});
		expect(keyOrder(exact('vallotti')).verdict).toBe('home keys calmest');
		expect(keyOrder(exact('equal')).verdict).toBe('all keys alike');
		expect(keyOrder(exact('vallotti', -1)).verdict).toBe('reversed');
		// Vallotti's thirds run from 392.2 to 407.8 cents with level ends: a little over half that range.
		expect(keyOrder(exact('vallotti')).index).toBeCloseTo(8.42, 2);
	});

	it('finds the inversion a single note causes, names it, and says which way to go', () => {
		for (const [note, off] of [
			[58, 3],
			[61, -3],
			[62, 2.5]
		] as const) {
			const measured = independentNotes(
				NOTES.map((each) => ({ note: each, deviation: cents(each === note ? off : 0), error: cents(0.2) }))
			);
			const staircases = measuredStaircases(measured, strings);
			const found = inversions(staircases, measured);
			expect(found.length).toBeGreaterThan(0);
			for (const each of found) {
				expect(each.note).toBe(note);
				expect(each.by).toBeCloseTo(-off, 9);
			}
			expect([...staircases.values()].flat().filter(({ departs }) => departs).length).toBeGreaterThan(2);
		}
		const right = independentNotes(NOTES.map((note) => ({ note, deviation: cents(0), error: cents(0.5) })));
		expect(inversions(measuredStaircases(right, strings), right)).toEqual([]);
	});

	it('moves the fewest notes: never more than by brute force over all levels', () => {
		const deviation = fc.integer({ min: -80, max: 80 }).map((tenths) => tenths / 10);
		fc.assert(
			fc.property(fc.array(deviation, { minLength: 12, maxLength: 12 }), (deviations) => {
				const notes = deviations.map((_, i) => 53 + i);
				const { moves, kept, level } = fewestMoves(notes, deviations, cents(1));
				let least = 12;
				for (let at = -9; at <= 9; at += 0.05)
					least = Math.min(least, deviations.filter((each) => Math.abs(each - at) > 1 + 1e-9).length);
				expect(moves.length).toBe(least);
				expect(moves.length + kept.length).toBe(12);
				for (const { note, by } of moves) expect(deviations[note - 53] + by).toBeCloseTo(level, 9);
			})
		);
		expect(fewestMoves([53, 54], [3, 0], cents(1), true).moves).toEqual([{ note: 53, by: -3 }]);
	});

	it('puts classes together from an octave, and says when one is missing', () => {
		const readings = NOTES.map((note) => ({ note, deviation: cents(note === 65 ? 2 : 0), error: cents(1) }));
		const classes = classOffsets(independentNotes(readings), new Array(12).fill(0))!;
		// F was found twice: the mean of 0 and 2, and surer than the others, against the mean of all (variance 11.5/144).
		expect(classes.offsets[5]).toBeCloseTo(1, 9);
		expect(classes.errors[5]).toBeCloseTo(Math.sqrt(0.5 - (2 * 0.5) / 12 + 11.5 / 144), 9);
		expect(classes.errors[4]).toBeCloseTo(Math.sqrt(1 - 2 / 12 + 11.5 / 144), 9);
		expect(classOffsets(independentNotes(readings.slice(0, 8)), new Array(12).fill(0))).toBeUndefined();
	});

	it('knows the limits of chi squared', () => {
		// Tables: 19.675 for 11 at 5 %, 31.264 for 11 at 0.1 %.
		expect(chiSquaredLimit(11, 20)).toBeCloseTo(19.68, 1);
		expect(Math.abs(chiSquaredLimit(11, 1000) - 31.264)).toBeLessThan(0.2);
		expect(chiSquaredLimit(0, 20)).toBe(0);
	});
});
