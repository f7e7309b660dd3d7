import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { fewestPins, pinsToMove } from './fewestPins';
import { fewestStrings, leastMovement, pitchPrice, priceCurve, type PricedNote } from './pitchPrice';
import { sample, TEMPERAMENT_OCTAVE } from './sample';
import { sectionsOf } from './sections';
import { instrumentState, type FoundState } from './state';
import { strays } from './strays';
import { unisonCents, USUAL_NEAR_ENOUGH } from './tolerances';
import { USUAL_THRESHOLDS, verdict } from './verdict';

const BREAK = 44;
const COMPASS = { lowest: 21, highest: 108, breakNote: BREAK };
const keys = (step = 1) => Array.from({ length: Math.ceil(88 / step) }, (_, i) => 21 + Math.round(i * step));
const found = (levelOf: (note: number) => number, { seed = 1, scatter = 1, step = 1 } = {}): FoundState[] => {
	const random = createRandom(seed);
	return keys(step).map((note) => ({
		...{ note, error: 0.1, unison: 2, hasFalseBeat: false },
		level: levelOf(note) + scatter * random.normal()
	}));
};
const stateOf = (notes: readonly FoundState[]) => instrumentState(notes, COMPASS, TEMPERAMENT_OCTAVE);

describe('strays', () => {
	it('are found beside a step at the break, and only they', () => {
		for (let seed = 10; seed < 30; seed++) {
			const notes = found((note) => (note >= BREAK ? 6 : 0) + (note === 50 ? 8 : 0), { seed });
			expect(strays(notes, BREAK).strays.map(({ note }) => note)).toEqual([50]);
		}
	});

	it('do not depend on the level or the slope of all', () => {
		const notes = found(() => 0, { seed: 3 });
		const moved = notes.map((each) => ({ ...each, level: each.level + 40 - 0.3 * each.note }));
		const [a, b] = [notes, moved].map((each) => strays(each, BREAK));
		expect(b.scatter).toBeCloseTo(a.scatter, 6);
		for (const [note, { expected }] of a.neighbourhoods)
			expect(b.neighbourhoods.get(note)!.expected).toBeCloseTo(expected + 40 - 0.3 * note, 6);
	});

	it('give the neighbours’ level as the target of a note, not zero and not the note’s own', () => {
		const notes = found((note) => (note === 60 ? -19 : -8), { scatter: 0.5 });
		const { expected } = strays(notes, BREAK).neighbourhoods.get(60)!;
		expect(Math.abs(expected + 8)).toBeLessThan(0.6);
	});

	it('says nothing with fewer than 28 notes, and what can be found otherwise', () => {
		const few = strays(
			found((note) => (note === 62 ? 30 : 0), { step: 6.5 }),
			BREAK
		);
		expect([few.strays, few.finds]).toEqual([[], undefined]);
		expect(
			strays(
				found(() => 0),
				BREAK
			).finds
		).toBeGreaterThan(3.5);
		expect(
			strays(
				found(() => 0),
				BREAK
			).finds
		).toBeLessThan(6);
	});
});

describe('fewest pins', () => {
	/** Every subset of a note's strings, tried. */
	const bruteForce = (strings: readonly number[], tolerance: number, unison: number) => {
		let most = 0;
		for (let set = 0; set < 2 ** strings.length; set++) {
			const stay = strings.filter((_, i) => (set >> i) & 1);
			const fits =
				stay.every((each) => Math.abs(each) <= tolerance) && Math.max(...stay) - Math.min(...stay) <= unison + 1e-9;
			if (stay.length === 0 || fits) most = Math.max(most, stay.length);
		}
		return most;
	};

	it('keeps as many strings as trying every set of them does', () => {
		const hundredths = (min: number, max: number) => fc.integer({ min, max }).map((each) => each / 100);
		const cents = hundredths(-600, 600);
		fc.assert(
			fc.property(
				fc.array(cents, { minLength: 1, maxLength: 3 }),
				hundredths(0, 400),
				hundredths(0, 300),
				(strings, tolerance, unison) => {
					const { stay, move, to } = fewestPins({ note: 60, strings, unison }, tolerance);
					expect(stay).toHaveLength(bruteForce(strings, tolerance, unison));
					expect([...stay, ...move].sort()).toEqual(strings.map((_, i) => i));
					expect(Math.abs(to)).toBeLessThanOrEqual(tolerance + 1e-9);
				}
			),
			{ numRuns: 500 }
		);
	});

	it('moves about the shares that are known for notes scattered by 1.6 and unisons by 0.9 cents', () => {
		const random = createRandom(11);
		const notes = Array.from({ length: 4000 }, (_, i): PricedNote => {
			const level = 1.6 * random.normal();
			return { note: i, level, unison: Infinity, strings: [0, 1, 2].map(() => level + 0.9 * random.normal()) };
		});
		const share = (tolerance: number, off: number, unison = Infinity) => {
			const { moved, all } = pinsToMove(
				notes.map((each) => ({ ...each, unison, strings: each.strings.map((cents) => cents - off) })),
				tolerance
			);
			return (100 * moved) / all;
		};
		[56, 26, 9].forEach((known, i) => expect(Math.abs(share(i + 1, 0) - known)).toBeLessThan(4));
		[76, 52, 31].forEach((known, i) => expect(Math.abs(share(i + 1, 2) - known)).toBeLessThan(4));
		[59, 31, 15].forEach((known, i) => expect(Math.abs(share(i + 1, 0, 2) - known)).toBeLessThan(4));
	});
});

describe('what a pitch costs', () => {
	const notes = (seed: number): PricedNote[] =>
		found((note) => -8 - 0.03 * (note - 60), { seed, scatter: 1.6 }).map(({ note, level }) => ({
			...{ note, level, unison: 2, strings: note < 31 ? [level] : [level, level + 0.7, level - 0.4] }
		}));

	it('is least where trying every hundredth of a cent finds it', () => {
		for (const seed of [1, 2, 3]) {
			const all = notes(seed);
			let [best, bestSquares, bestCount] = [Infinity, Infinity, Infinity];
			for (let shift = -14; shift <= -2; shift += 0.01) {
				const price = pitchPrice(all, shift, 3);
				best = Math.min(best, price.total);
				bestCount = Math.min(bestCount, price.strings);
				const squares = all.flatMap(({ strings }) => strings).reduce((sum, each) => sum + (each - shift) ** 2, 0);
				bestSquares = Math.min(bestSquares, squares);
			}
			expect(pitchPrice(all, leastMovement(all, 88).shift, 3).total).toBeLessThanOrEqual(best + 1e-9);
			const { shift } = leastMovement(all, 88, 'squares');
			const squares = all.flatMap(({ strings }) => strings).reduce((sum, each) => sum + (each - shift) ** 2, 0);
			expect(squares).toBeLessThanOrEqual(bestSquares + 1e-9);
			expect(fewestStrings(all, 3).strings).toBeLessThanOrEqual(bestCount);
		}
	});

	it('lies within what a survey of 28 notes leaves open, nineteen times in twenty', () => {
		let within = 0;
		for (let seed = 1; seed <= 100; seed++) {
			const all = notes(seed);
			const truth = leastMovement(all, 88).shift;
			const read = all.filter((_, i) => i % 3.1 < 1).slice(0, 29);
			const { low, high } = leastMovement(read, 88);
			if (truth >= low && truth <= high) within++;
			expect(high - low).toBeLessThan(3);
		}
		expect(within).toBeGreaterThanOrEqual(90);
	});

	it('is drawn from end to end, and nothing read is refused', () => {
		const curve = priceCurve(notes(1), -20, 20, 2, 41);
		expect([curve.length, curve[0].shift, curve[40].shift]).toEqual([41, -20, 20]);
		expect(curve[40].strings).toBe(notes(1).flatMap(({ strings }) => strings).length);
		expect(() => leastMovement([], 88)).toThrow(RangeError);
	});
});

describe('the sample', () => {
	it('reads about thirty notes: both ends, both sides of the break, F3 to F4 whole, and no wide gap', () => {
		const notes = sample('sampled', { ...COMPASS, odd: [33, 74] });
		expect(notes).toHaveLength(30);
		for (const note of [21, 108, 42, 43, 44, 45, 33, 74, 69]) expect(notes).toContain(note);
		for (let note = 53; note <= 65; note++) expect(notes).toContain(note);
		expect(Math.max(...notes.slice(1).map((note, i) => note - notes[i]))).toBeLessThanOrEqual(8);
	});

	it('is spread more evenly when F3 to F4 is declined, and stays within any keyboard', () => {
		const notes = sample('sampled', { ...COMPASS, declined: true });
		expect(notes).toHaveLength(30);
		expect(Math.max(...notes.slice(1).map((note, i) => note - notes[i]))).toBeLessThanOrEqual(5);
		expect(sample('quick', COMPASS)).toHaveLength(13);
		expect(sample('quick', { lowest: 60, highest: 66 })).toEqual([60, 61, 62, 63, 64, 65, 66]);
		expect(sample('thorough', { lowest: 29, highest: 89 })).toHaveLength(61);
	});
});

it('sections cover a keyboard once, the bass up to the break', () => {
	const sections = sectionsOf(21, 108, 41);
	expect(sections[0]).toEqual({ id: 'bass', from: 21, to: 40 });
	expect(sections.map(({ id }) => id)).toEqual(['bass', 'tenor', 'middle', 'treble', 'top']);
	sections.slice(1).forEach(({ from }, i) => expect(from).toBe(sections[i].to + 1));
	expect(sectionsOf(29, 89, undefined).map(({ id }) => id)).toEqual(['bass', 'tenor', 'middle', 'treble']);
});

it('unisons may differ by less the higher they are heard', () => {
	// 0.4 cent is 0.1 per second at 433 Hz.
	expect(unisonCents(0.1, 433)).toBeCloseTo(0.4, 2);
	expect(unisonCents(0.5, 2164)).toBeCloseTo(0.4, 2);
});

describe('the verdict', () => {
	const judge = (notes: readonly FoundState[], purpose: keyof typeof USUAL_NEAR_ENOUGH = 'home', isBarred = false) =>
		verdict(stateOf(notes), USUAL_NEAR_ENOUGH[purpose], USUAL_THRESHOLDS, isBarred)!;
	const level = (cents: number) => found(() => cents, { scatter: 0.3 });

	it('goes by the section that stands worst, not by the mean', () => {
		const notes = found((note) => (note < BREAK ? -2 : note < 60 ? -12 : -4), { scatter: 0.3 });
		expect(judge(notes)).toMatchObject({ kind: 'move', way: 'up', worst: { id: 'tenor' } });
		expect(stateOf(notes).jump).toBeCloseTo(-10, 0);
	});

	it('leaves alone what is right', () => expect(judge(level(0)).kind).toBe('leave'));

	it.each([
		[-4, 'tune'],
		[-7, 'correct'],
		[8, 'correct'],
		[-31, 'move'],
		[31, 'move'],
		[-120, 'moveAndReturn']
	] as const)('at %d cents says %s', (cents, kind) =>
		expect(judge(level(cents))).toMatchObject({ kind, way: cents < 0 ? 'up' : 'down', isEven: true })
	);

	it('names the notes of spot work and of touching up', () => {
		const spot = judge(found((note) => (note === 60 || note === 71 ? -6 : 0), { scatter: 0.3 }));
		expect(spot).toMatchObject({ kind: 'spot', notes: [60, 71], strays: [60, 71] });
		const touchUp = judge(found((note) => (note % 4 === 0 ? 4.5 : 0), { scatter: 0.3 }));
		expect(touchUp).toMatchObject({ kind: 'touchUp' });
		expect(touchUp.notes).toHaveLength(22);
		const unison = judge(level(0).map((each) => ({ ...each, spread: each.note === 65 ? 4 : 0.5 })));
		expect(unison).toMatchObject({ kind: 'spot', notes: [65], unisons: [65] });
	});

	it('tunes every string for a stage, and bars adding tension where something forbids it', () => {
		expect(judge(level(0), 'stage').kind).toBe('tune');
		expect(judge(level(-31), 'home', true).kind).toBe('barred');
		expect(judge(level(31), 'home', true).kind).toBe('move');
		expect(verdict(stateOf([]), USUAL_NEAR_ENOUGH.home, USUAL_THRESHOLDS, false)).toBeUndefined();
	});

	it('says what of F3 to F4 was not read', () => {
		expect(stateOf(level(0)).temperamentUnread).toBe(0);
		expect(stateOf(level(0).filter(({ note }) => note < 53 || note > 57)).temperamentUnread).toBe(5);
	});
});
