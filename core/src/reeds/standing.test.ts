import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asSounderId } from '../record/sounder';
import type { Reading, ActOf } from '../record/happened';
import { hz } from '../units/quantity';
import { centsBetween, equalHz } from '../units/pitch';
import { JUST_CHORDS } from './intonation';
import { layoutById, LAYOUTS } from './layouts';
import { isBench, placedReeds, reedGroup, reedName, reedPlaceOf, REED_ROLES, type ReedSet } from './reedSet';
import { BREATH_LEVELS, fileReed, reedSound } from './simulatedReeds';
import { bitesOf, breathLevels, openBite, reedStanding, strokesAt, usualSlope } from './standing';
import { asReferencePitch, reedTargets } from './targets';

const set = (of: Partial<ReedSet> = {}): ReedSet => ({
	...{ tonic: 60, layout: layoutById('major')!, auxiliaries: [], metal: 'brass', length: 'usual', spacing: 7.5 },
	...of
});
let counter = 0;
const at = () => ({ id: String(++counter), device: 'd', counter, at: counter });
const read = (pitch: number, of: Partial<NonNullable<Reading['lasting']>> = {}): Reading => ({
	...{ ...at(), way: 'lasting', sounders: [asSounderId('1/reed')], source: 'simulated', target: 262, deviation: 0 },
	...{ pitch, pitchError: 0.02, fundamental: null, inharmonicity: null, inharmonicityError: null, moment: null },
	...{ falseBeat: null, falseBeatDepth: null, spread: null, spreadError: null, listened: null },
	lasting: { level: -30, softest: -30, slope: null, slopeError: null, wobble: 0.2, drift: 0, setUp: 'block', ...of }
});
const file = (end: 'tip' | 'root', strokes: number): ActOf<'filed'> => ({
	...{ ...at(), do: 'filed', sounders: [asSounderId('1/reed')], end, strokes }
});
const up = (pitch: number, cents: number) => pitch * 2 ** (cents / 1200);

describe('a set of reeds', () => {
	it('has each of its reeds once, and a number says where it lies', () => {
		for (const layout of LAYOUTS) {
			const reeds = placedReeds(set({ layout, auxiliaries: [{ hole: 5, plate: 'blow', wanted: 15 }] }));
			expect(new Set(reeds.map(({ group }) => group)).size).toBe(reeds.length);
			for (const { group, hole, plate, role } of reeds) expect(reedPlaceOf(group)).toEqual({ hole, plate, role });
		}
		expect(placedReeds(set())).toHaveLength(20);
		expect(placedReeds(set({ layout: layoutById('chromatic')! }))).toHaveLength(48);
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 32 }),
				fc.constantFrom('blow', 'draw' as const),
				fc.constantFrom(...REED_ROLES),
				(hole, plate, role) => {
					expect(reedPlaceOf(reedGroup(hole, plate as 'blow', role))).toEqual({ hole, plate, role });
				}
			)
		);
		expect([reedName(5), reedName(103), reedName(205)]).toEqual(['Blow 5', 'Draw 3', 'Blow 5, slide in']);
		const single = {
			id: 'own',
			name: '',
			holes: [{ blow: 0, draw: null }],
			slide: false,
			doubling: { kind: 'none' as const }
		};
		expect([isBench(set()), isBench(set({ layout: single }))]).toEqual([false, true]);
	});
});

describe('where reeds are to stand', () => {
	const levels = { gentle: -30, playing: -20 };
	it('follows the level and the breath: low reeds are left sharp at a gentle reading', () => {
		const targets = reedTargets(set(), { a4: hz(442), intonation: JUST_CHORDS, levels, slopeOf: () => undefined });
		const of = (group: number) => targets.find((each) => each.group === group)!;
		expect(of(1).playing).toBe(0);
		expect(of(2).playing).toBeCloseTo(-13.69, 9);
		// Draw 2 is the draw chord's root and the blow chord's fifth.
		expect(of(102).playing).toBeCloseTo(1.96, 9);
		expect(of(1).gentle).toBeCloseTo(3.2, 1);
		expect(of(10).gentle).toBeLessThan(0.5);
		expect(of(1).pitch).toBeCloseTo(up(equalHz(60, hz(442)), of(1).gentle), 9);
		expect(asReferencePitch(hz(442), -13.69)).toBeCloseTo(438.52, 2);
	});

	it('puts auxiliary reeds half a semitone under the note wanted, and tremolo pairs a beat apart', () => {
		const auxiliaries = [{ hole: 5, plate: 'blow', wanted: 15 }] as const;
		const basis = { a4: hz(440), intonation: JUST_CHORDS, levels, slopeOf: () => ({ slope: 0, error: 0 }) };
		const auxiliary = reedTargets(set({ auxiliaries }), basis).find(({ role }) => role === 'auxiliary')!;
		expect(centsBetween(equalHz(75, hz(440)), auxiliary.pitch)).toBeCloseTo(-50, 9);
		const tremolo = reedTargets(set({ layout: layoutById('tremolo')! }), {
			...basis,
			intonation: { ...JUST_CHORDS, level: 'equal' }
		});
		const pitch = (group: number) => tremolo.find((each) => each.group === group)!.pitch;
		expect(pitch(reedGroup(4, 'blow', 'second')) - pitch(4)).toBeCloseTo(4, 9);
	});
});

describe('how a reed stands', () => {
	it('is told from its readings since it was filed, brought to gentle breath by its own slope', () => {
		const readings = [read(262), read(up(262, -3), { level: -20 })];
		const standing = reedStanding(readings, [], 'block', 261.63, -30)!;
		expect(standing.slope.slope).toBeCloseTo(-0.3, 3);
		expect(centsBetween(hz(262), standing.pitch)).toBeCloseTo(0, 1);
		expect([standing.isSlopeRead, standing.readings]).toEqual([true, 2]);
		const filed = [file('root', 4)];
		expect(reedStanding(readings, filed, 'block', 261.63, -30)).toBeUndefined();
		const after = [...readings, read(up(262, -5))];
		expect(centsBetween(hz(262), reedStanding(after, filed, 'block', 261.63, -30)!.pitch)).toBeCloseTo(-5, 6);
		// With the covers on it is another matter.
		expect(reedStanding(after, filed, 'covers', 261.63, -30)).toBeUndefined();
	});

	it('is unsure by what nobody has measured: the usual slope errs by half of itself', () => {
		const far = reedStanding([read(262, { level: -20 })], [], 'block', 261.63, -30)!;
		const near = reedStanding([read(262)], [], 'block', 261.63, -30)!;
		expect(far.isSlopeRead).toBe(false);
		expect(far.error).toBeGreaterThan(1);
		expect(near.error).toBeLessThan(0.1);
		expect(usualSlope(1000).slope).toBeGreaterThan(usualSlope(200).slope);
	});

	it('has a log of bites: strokes at one end that nobody read between are one', () => {
		const readings = [read(262)];
		const filed = [file('root', 2), file('root', 3)];
		readings.push(read(up(262, -5)));
		filed.push(file('tip', 1), file('root', 1));
		readings.push(read(up(262, -4)));
		const bites = bitesOf(readings, filed, 'block', 262, -30);
		expect(bites).toHaveLength(1);
		expect(bites[0]).toMatchObject({ end: 'root', strokes: 5 });
		expect(bites[0].after - bites[0].before).toBeCloseTo(-5, 6);
		expect([strokesAt(filed, 'root'), strokesAt(filed, 'tip')]).toEqual([6, 1]);
		expect(openBite(readings, filed)).toBeUndefined();
		const more = [file('tip', 1), file('root', 1), file('root', 1)];
		expect(openBite(readings, [...filed, ...more])).toEqual({
			end: 'root',
			strokes: 2,
			acts: [more[1].id, more[2].id]
		});
	});

	it('has two breaths, as they were heard', () => {
		expect(breathLevels([])).toBeUndefined();
		const heard = (levels: readonly number[]) => levels.map((level) => ({ level, softest: level }));
		expect(breathLevels(heard([-31, -30, -20, -30, -19, -20]))).toEqual({ gentle: -30, playing: -20 });
		const { gentle, playing } = breathLevels(heard([-30, -29]))!;
		expect(playing - gentle).toBe(10);
		// Swells are read where they are loud, and tell how soft they were.
		expect(breathLevels([{ level: -20, softest: -34 }])).toEqual({ gentle: -34, playing: -20 });
	});
});

describe('simulated reeds', () => {
	const twin = { kind: 'reeds', seed: 5 } as const;
	it('are the same each time, stand as they were moved, and fall with the breath', () => {
		const of = { twin, set: set(), a4: hz(440), moved: {} };
		const [one] = reedSound(of, [1], 'soft', 1);
		expect(reedSound(of, [1], 'soft', 1)[0]).toEqual(one);
		expect(reedSound(of, [1], 'soft', 2)[0].pitch).toBe(one.pitch);
		const [moved] = reedSound({ ...of, moved: { 1: 7 } }, [1], 'soft', 1);
		expect(centsBetween(hz(one.pitch), hz(moved.pitch))).toBeCloseTo(7, 9);
		expect(one.slope).toBeLessThan(0);
		expect(BREATH_LEVELS.soft).toBeLessThan(BREATH_LEVELS.normal);
		expect(reedSound(of, [1, 4], 'normal', 1)).toHaveLength(2);
	});

	it('rise when filed at the tip and fall at the root, stroke by stroke about the same', () => {
		const filing = (end: 'tip' | 'root', strokes: number) =>
			fileReed(twin, set(), hz(440), { group: 4, end, strokes, before: 0 });
		expect(filing('tip', 10)).toBeGreaterThan(0);
		expect(filing('root', 10)).toBeLessThan(0);
		expect(filing('tip', 20) / filing('tip', 10)).toBeCloseTo(2, 0);
	});
});
