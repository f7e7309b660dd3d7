import { median } from 'd3-array';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createRandom } from '../numeric/random';
import { cents, hz } from '../units/quantity';
import { auxiliaryFor, bendFloor, bendsOf, floorsOf, USUAL_FLOORS } from './bends';
import { adviseFiling, strokeSize, type Bite, type BiteRule } from './filing';
import { chordBeats, chordsOf, filingCost, outOfTune, reedHz, type StandingReed } from './chords';
import { gentleOffset, JUST_CHORDS, octavesOf, reedOffset, reedsOf } from './intonation';
import { LAYOUTS, layoutById, layoutProblem, type ReedLayout } from './layouts';
import { filePlate, SIMULATED_PLATE } from './simulatedFiling';
import { reedOrder } from './order';
import { reedName, type Auxiliary } from './reedSet';
import { compareReeds } from './twoReeds';

const MAJOR = layoutById('major')!;

describe('layouts', () => {
	it('have every hole once and nothing wrong with them', () => {
		for (const { holes } of LAYOUTS) expect(layoutProblem(holes)).toBeUndefined();
		expect(new Set(LAYOUTS.map(({ id }) => id)).size).toBe(LAYOUTS.length);
		expect(reedsOf(MAJOR.holes)).toHaveLength(20);
	});

	it('that were typed are refused by the hole that is wrong', () => {
		expect(layoutProblem([])).toEqual({ problem: 'no holes' });
		const holes = [...MAJOR.holes];
		holes[3] = { blow: null, draw: null };
		expect(layoutProblem(holes)).toEqual({ problem: 'hole', hole: 4 });
		holes[3] = { blow: 3.5, draw: null };
		expect(layoutProblem(holes)).toEqual({ problem: 'hole', hole: 4 });
	});

	it('of ten holes in major have these octaves to a tongue, and none for the draw tonic', () => {
		const named = octavesOf(MAJOR.holes).map(([a, b]) => `${a.plate} ${a.hole}-${b.hole}`);
		expect(named.filter((name) => name.startsWith('draw'))).toEqual([
			'draw 1-4',
			'draw 3-7',
			'draw 4-8',
			'draw 5-9',
			'draw 6-10'
		]);
		expect(named.filter((name) => name.startsWith('blow'))).toEqual([
			...['blow 1-4', 'blow 2-5', 'blow 3-6', 'blow 4-7', 'blow 5-8', 'blow 6-9', 'blow 7-10']
		]);
	});
});

describe('where reeds are to stand', () => {
	it('is linked between both chords, as it must be: 1.96 above', () => {
		const at = (hole: number, plate: 'blow' | 'draw') =>
			Number(reedOffset(MAJOR.holes[hole - 1][plate]!, plate, JUST_CHORDS).toFixed(2));
		// Blow tonic, third, fifth.
		expect([at(4, 'blow'), at(5, 'blow'), at(6, 'blow')]).toEqual([0, -13.69, 1.96]);
		// Draw root, third, fifth, seventh, ninth.
		expect([at(2, 'draw'), at(3, 'draw'), at(4, 'draw'), at(5, 'draw'), at(6, 'draw')]).toEqual([
			...[1.96, -11.73, 3.92, -29.21, 5.87]
		]);
		expect(reedOffset(7, 'draw', JUST_CHORDS)).toBe(reedOffset(7, 'blow', JUST_CHORDS));
	});

	it('makes every chord of a plate just, whatever the layout, at full share', () => {
		const pure = [1, 9 / 8, 6 / 5, 5 / 4, 3 / 2, 7 / 4];
		for (const { holes } of LAYOUTS.filter(({ slide }) => !slide))
			for (const { note, plate } of reedsOf(holes)) {
				const root = plate === 'blow' ? 0 : 7;
				const above = (((note - root) % 12) + 12) % 12;
				const size = 100 * above + reedOffset(note, plate, JUST_CHORDS) - reedOffset(root, plate, JUST_CHORDS);
				const nearest = Math.min(...pure.map((ratio) => Math.abs(1200 * Math.log2(ratio) - size)));
				if ([0, 2, 3, 4, 7, 10].includes(above)) expect(nearest).toBeLessThan(0.02);
			}
	});

	it('follows level, share, taste and one’s own', () => {
		const of = (changes: Partial<typeof JUST_CHORDS>) => reedOffset(17, 'draw', { ...JUST_CHORDS, ...changes });
		expect(of({ level: 'equal' })).toBe(0);
		expect(of({ level: 'octaves' })).toBe(0);
		expect(of({ share: 0.5 })).toBeCloseTo(-29.21 / 2, 10);
		expect(of({ seventh: -12 })).toBeCloseTo(1.96 - 12, 10);
		expect(of({ own: { 5: -7 } })).toBe(-7);
	});

	it('is read higher at a gentle breath, by what the reed falls until it is played', () => {
		expect(gentleOffset(cents(2), { slope: -0.3, error: 0.1 }, -20, -8)).toBeCloseTo(2 + 3.6, 12);
	});
});

describe('filing', () => {
	it('begins with half of what is left, at the right end', () => {
		const advice = adviseFiling(7.2, 0.5, [], 440);
		expect(advice).toMatchObject({ is: 'file', end: 'root', strokes: 3, share: 0.5, isOver: false });
		expect(adviseFiling(-7.2, 0.5, [], 440)).toMatchObject({ end: 'tip' });
		expect(adviseFiling(0.4, 0.5, [], 440)).toEqual({ is: 'leave' });
		// A long low reed needs more strokes.
		expect(adviseFiling(7.2, 0.5, [], 110)).toMatchObject({ strokes: 8 });
	});

	it('learns what a stroke does, at the end where it was seen above all', () => {
		const bite = (before: number, after: number): Bite => ({ end: 'root', strokes: 4, before, after });
		const bites = [bite(20, 12), bite(12, 4.2)];
		const root = strokeSize(bites, 'root', 440);
		expect(root.cents).toBeGreaterThan(1.8);
		expect(root.error).toBeLessThan(0.12);
		expect(strokeSize(bites, 'tip', 440).error).toBeGreaterThan(root.error);
		// Nothing moved, and no stroke: neither tells anything.
		expect(strokeSize([bite(4, 4), { ...bite(4, 2), strokes: 0 }], 'root', 440)).toEqual(strokeSize([], 'root', 440));
		const after = adviseFiling(4.2, 0.5, bites, 440);
		expect(after).toMatchObject({ is: 'file', end: 'root', strokes: 2 });
		expect(adviseFiling(-3, 0.5, [...bites, bite(4.2, -3)], 440)).toMatchObject({ end: 'tip', isOver: true });
	});

	it('warns of a reed that has been filed at both ends for long', () => {
		const bites: Bite[] = [
			{ end: 'root', strokes: 20, before: 30, after: -5 },
			{ end: 'tip', strokes: 20, before: -5, after: 24 }
		];
		expect(adviseFiling(24, 0.5, bites, 440)).toMatchObject({ isWeak: true });
		expect(adviseFiling(24, 0.5, bites.slice(1), 440)).toMatchObject({ isWeak: false });
	});

	it('never advises more than is left, as far as is known', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -60, max: 60, noNaN: true }),
				fc.double({ min: 80, max: 2500, noNaN: true }),
				(off, hertz) => {
					const advice = adviseFiling(off, 1, [], hertz);
					if (advice.is === 'leave') expect(Math.abs(off)).toBeLessThanOrEqual(1);
					else if (advice.strokes > 1) expect(advice.then * off).toBeGreaterThanOrEqual(0);
				}
			)
		);
	});

	it('brings reeds home in three rounds where half takes five, and seldom goes too far', () => {
		const filed = (rule: BiteRule) => filePlate({ ...SIMULATED_PLATE, reeds: 2000, rule });
		const over = (rule: BiteRule) => filed(rule).filter(({ isOver }) => isOver).length / 2000;
		const rounds = (rule: BiteRule) => median(filed(rule), (reed) => reed.rounds);
		expect([rounds('learned'), rounds('half')]).toEqual([3, 5]);
		expect(over('learned')).toBeLessThan(0.07);
		expect(over('all')).toBeGreaterThan(0.3);
		// A reading errs by a tenth of a cent.
		expect(filed('learned').every(({ left }) => left < 1.5)).toBe(true);
	});
});

describe('two reeds', () => {
	const alone = (off: number, slope: number, level = -20) => ({ off, slope, level, offError: 0.2, error: 0.05 });

	it('which of them is sharp is told at playing breath, whatever a gentle reading says', () => {
		// One at a gentle breath: the long lower reed falls when it is played.
		const fallen = compareReeds(alone(0, -0.4), alone(0, -0.1), -8);
		expect(fallen).toMatchObject({ sharp: 'upper', advice: 'raise the lower or lower the upper' });
		expect(fallen.apart).toBeCloseTo(3.6, 12);
		// Left that much sharp it stands still in play.
		expect(compareReeds(alone(3.6, -0.4), alone(0, -0.1), -8)).toMatchObject({ sharp: undefined, advice: 'leave' });
		const harder = compareReeds(alone(7.2, -0.4), alone(0, -0.1), -8);
		expect(harder).toMatchObject({ sharp: 'lower', advice: 'lower the lower' });
		// It is still only when blown harder.
		expect(harder.stillAt).toBeCloseTo(4, 10);
		expect(compareReeds(alone(1.2, 0), alone(0, 0), -8)).toMatchObject({
			advice: 'cannot be told',
			stillAt: undefined
		});
	});

	it('that lie two cents or more apart are told in 95 of 100, and no nearer ones wrongly', () => {
		const random = createRandom(4);
		let [told, right, near] = [0, 0, 0];
		for (let i = 0; i < 2000; i++) {
			const apart = (random.uniform() < 0.5 ? -1 : 1) * (2.6 + 4 * random.uniform());
			const slopes = [-0.3 - 0.2 * random.uniform(), -0.2 * random.uniform()];
			const read = (off: number, slope: number) => ({
				...{ off: off - slope * 12 + 0.15 * random.normal(), offError: 0.15, level: -20 },
				...{ slope: slope + 0.04 * random.normal(), error: 0.04 }
			});
			const { sharp } = compareReeds(read(0, slopes[0]), read(apart, slopes[1]), -8);
			if (sharp) told++;
			if (sharp === (apart > 0 ? 'upper' : 'lower')) right++;
			const close = compareReeds(read(0, slopes[0]), read(0.5 * Math.sign(apart), slopes[1]), -8).sharp;
			if (close && close !== (apart > 0 ? 'upper' : 'lower')) near++;
		}
		expect(right / 2000).toBeGreaterThan(0.94);
		expect(right / told).toBeGreaterThan(0.99);
		expect(near / 2000).toBeLessThan(0.01);
	});
});

describe('bends', () => {
	it('end a semitone above the lower reed, or half of one above an auxiliary reed', () => {
		expect(bendFloor({ higher: 1100, lower: 700 })).toBe(800);
		expect(bendFloor({ higher: 700, lower: 900 })).toBeUndefined();
		expect(bendFloor({ higher: 1200 })).toBeUndefined();
		// An auxiliary reed for a bend of a whole tone.
		expect(bendFloor({ higher: 1200, auxiliary: auxiliaryFor(1000) })).toBe(1000);
	});

	it('are there where the other reed of the hole lies lower by two semitones, or an auxiliary one beneath', () => {
		const major = layoutById('major')!;
		const names = (layout: ReedLayout, auxiliaries: readonly Auxiliary[] = []) =>
			bendsOf({ layout, auxiliaries }).map(({ bends, beneath }) => `${reedName(bends)} over ${reedName(beneath)}`);
		// Draw 5 and blow 7 lie a semitone above the other reed, which is where a bend would end.
		const [low, high] = [
			[1, 2, 3, 4, 6].map((hole) => `Draw ${hole} over Blow ${hole}`),
			[8, 9, 10].map((hole) => `Blow ${hole} over Draw ${hole}`)
		];
		expect(names(major)).toEqual([...low, ...high]);
		const beneath = [{ hole: 5, plate: 'blow', wanted: 15 }] as const;
		expect(names(major, beneath)).toEqual([...low.slice(0, 4), 'Blow 5 over Blow 5, auxiliary', low[4], ...high]);
		expect(names(layoutById('chromatic')!)).toEqual([]);
		expect(names(layoutById('tremolo')!)).toEqual([]);
	});

	it('are learned for this player', () => {
		expect(floorsOf([])).toEqual(USUAL_FLOORS);
		const played = Array.from({ length: 6 }, () => ({ floor: 830, beneath: 700, by: 'reed' as const }));
		expect(floorsOf(played)).toEqual({ reed: 0.75 * 130 + 25, auxiliary: 50 });
	});
});

describe('chords', () => {
	const tonic = hz(261.63);
	const standing = (share: number, slope = 0): StandingReed[] =>
		reedsOf(MAJOR.holes).map((reed) => ({
			...reed,
			offset: reedOffset(reed.note, reed.plate, { ...JUST_CHORDS, share }),
			breath: { slope, error: 0.02 }
		}));
	const of = (reeds: readonly StandingReed[], plate: string, holes: readonly number[]) =>
		reeds.filter((reed) => reed.plate === plate && holes.includes(reed.hole));

	it('of neighbouring holes are still where they are just, and beat as equal ones do where they are equal', () => {
		expect(chordsOf(MAJOR.holes)).toHaveLength(16);
		const just = chordBeats(tonic, of(standing(1), 'blow', [4, 5, 6]));
		expect(just.map(({ rate }) => Math.abs(rate) < 0.02)).toEqual([true, true, true]);
		const equal = chordBeats(tonic, of(standing(0), 'blow', [4, 5, 6]));
		// C5-E5 in equal temperament: 4 E5 - 5 C5.
		expect(equal[0].rate).toBeCloseTo(4 * 659.26 - 5 * 523.26, 1);
	});

	it('beat when blown harder as their reeds fall', () => {
		const chord = of(standing(1), 'blow', [4, 5, 6]);
		const steep = chord.map((reed, i) => (i === 0 ? { ...reed, breath: { slope: -0.5, error: 0 } } : reed));
		expect(reedHz(tonic, steep[0], 6)).toBeCloseTo(reedHz(tonic, steep[0]) * 2 ** (-3 / 1200), 9);
		expect(chordBeats(tonic, steep, 6)[0].rate).toBeGreaterThan(4);
		expect(chordBeats(tonic, steep, 0)[0].rate).toBeCloseTo(0, 1);
	});

	it('that are rough: the note outside the still pair is out', () => {
		const chord = of(standing(1), 'blow', [4, 5, 6]);
		const out = chord.map((reed) => (reed.hole === 5 ? { ...reed, offset: cents(reed.offset + 6) } : reed));
		expect(outOfTune(chordBeats(tonic, out))?.hole).toBe(5);
		expect(outOfTune(chordBeats(tonic, chord))).toBeUndefined();
		expect(outOfTune(chordBeats(tonic, of(standing(0), 'blow', [4, 5, 6])).slice(0, 1))).toBeUndefined();
	});

	it('cost what their reeds have to move, up and down; what may stay is left', () => {
		expect(filingCost([3, -4, 0.4, -0.2, 2], 0.5)).toEqual({ up: 5, down: 4, left: 2 });
	});
});

describe('the order of work', () => {
	const named = (level: 'equal' | 'chords', plate: string) =>
		reedOrder(MAJOR.holes, level).flatMap((reed) => (reed.plate === plate ? [reed.hole] : []));

	it('goes by place where each reed is set by itself', () => {
		expect(named('equal', 'blow')).toEqual([4, 5, 6, 3, 2, 1, 7, 8, 9, 10]);
		expect(
			reedOrder(MAJOR.holes, 'equal')
				.slice(0, 10)
				.every(({ plate }) => plate === 'blow')
		).toBe(true);
	});

	it('goes by degree where reeds are set against each other, low reeds last', () => {
		// Tonics from the top, fifths, thirds.
		expect(named('chords', 'blow')).toEqual([10, 7, 4, 1, 9, 6, 3, 8, 5, 2]);
		// The draw chord’s root has no octave; then its fifths and thirds, sevenths and ninths.
		expect(named('chords', 'draw').slice(0, 6)).toEqual([2, 8, 4, 1, 7, 3]);
	});

	it('has every reed of every layout once', () => {
		for (const { holes } of LAYOUTS)
			for (const level of ['equal', 'octaves', 'chords'] as const) {
				const order = reedOrder(holes, level);
				expect(new Set(order.map(({ hole, plate }) => `${plate} ${hole}`)).size).toBe(reedsOf(holes).length);
			}
	});
});
