import 'fake-indexeddb/auto';
import {
	centsBetween,
	hz,
	layoutById,
	reedSounder,
	USUAL_HABITS,
	type Breath,
	type LastingReading,
	type ReedSet
} from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { beforeEach, describe, expect, it } from 'vitest';
import type { ReedInstrument } from '$lib/device/books';
import type { HeldVisit } from '$lib/device/shelf';
import { FIRST_REED_PLAN } from '../reedPlan';
import { ReedVisit } from '../reedVisit.svelte';
import { expectedOf, proofsOf, provedReeds } from './proofs';
import { reedAccount } from './reedAccount';
import { adviceWords, foundHeadline } from './reedWords';

const SET: ReedSet = {
	...{ tonic: 60, layout: layoutById('major')!, metal: 'brass', length: 'usual', spacing: 7.5 },
	auxiliaries: [{ hole: 5, plate: 'blow', wanted: 15 }]
};
const plan = { id: uuid(), a4: 440, temperamentId: uuid(), tolerance: 1, curveId: null, lead: null };

function held(): HeldVisit<ReedInstrument> {
	const instrument: ReedInstrument = {
		...{ id: uuid(), name: 'Harp', kind: 'reeds', reeds: SET, twin: { kind: 'reeds', seed: 3 }, location: undefined },
		...{ lowest: 60, highest: 96, usualA4: 440 }
	};
	const about = {
		...{
			instrument,
			temperaments: [],
			measured: [],
			curves: [],
			habits: USUAL_HABITS,
			last: undefined,
			open: undefined
		}
	};
	const begun = { id: uuid(), device: 'd', counter: 0, at: 1, do: 'plan' as const, plan, over: [], wrote: [] };
	const visit = {
		id: uuid(),
		instrumentId: instrument.id,
		startedAt: 1,
		stage: 'sound' as const,
		seq: 0,
		events: [begun],
		moved: {}
	};
	return { visit, about, happened: [] };
}
let open: ReedVisit;
beforeEach(() => {
	open = new ReedVisit(held(), false);
	open.record.replan({ intonation: { ...FIRST_REED_PLAN, gentle: -30, playing: -20 } });
});

/** Reads a reed so many cents from its target, with a slope. */
function read(group: number, off: number, slope = -0.1) {
	const target = open.targetOf(group)!;
	const reading: LastingReading = {
		...{
			from: 0,
			to: 2,
			pitch: hz(target * 2 ** (off / 1200)),
			error: 0.05 as LastingReading['error'],
			level: -30,
			softest: -30
		},
		...{
			wobble: 0.1 as LastingReading['wobble'],
			drift: 0,
			slope: { slope, error: 0.02, swells: 1 },
			partner: undefined
		}
	};
	const details = {
		sounders: [reedSounder(group)],
		source: 'simulated' as const,
		target,
		deviation: off,
		setUp: open.setUp
	};
	return open.record.readTone(reading, details);
}
const hear = (lower: number, upper: number, partials: readonly [number, number], rate: number, breath: Breath) =>
	open.record.act({
		...{ do: 'heard', lower, upper, lowerPartial: partials[0], upperPartial: partials[1], rate, error: 0.02, breath },
		sense: rate > 0.1 ? 'wide' : rate < -0.1 ? 'narrow' : null
	});

describe('a visit to a set of reeds', () => {
	it('tells each reed against its target for gentle breath, by its own slope', () => {
		expect(open.reeds).toHaveLength(21);
		expect(foundHeadline(open.reeds)).toBe('Nothing has been read yet.');
		read(4, 6, -0.2);
		const reed = open.reed(4)!;
		// Ten decibels softer than it is played, it is to stand two cents higher than equal.
		expect(reed.gentle).toBeCloseTo(2, 6);
		expect(centsBetween(reed.nominal, reed.pitch)).toBeCloseTo(2, 6);
		// It was read before anybody knew its slope: what was measured is its pitch, not how far off it stood.
		const [reading] = [...open.record.report.events.values()].filter((event) => 'way' in event);
		expect(centsBetween(reed.pitch, hz((reading as { pitch: number }).pitch))).toBeCloseTo(reed.off!, 6);
		expect(reed.state).toBe('read');
		expect(adviceWords(reed.advice!)).toMatch(/^File the root: \w+ strokes?, half of the way\.$/);
	});

	it('learns from the log what a stroke does, keeps set-ups apart, and counts what was filed', () => {
		read(6, 9);
		open.record.act({ do: 'filed', sounders: [reedSounder(6)], end: 'root', strokes: 3 });
		expect(open.reed(6)).toMatchObject({ state: 'unread', off: undefined, root: 3, tip: 0 });
		read(6, 3);
		expect(open.reed(6)!.bites).toHaveLength(1);
		expect(open.reed(6)!.stroke('root').cents).toBeGreaterThan(1.5);
		open.choose('covers');
		expect(open.reed(6)!.standing).toBeUndefined();
		open.choose('block');
		const reading = read(6, 0.2);
		open.record.act({
			...{ do: 'accept', sounders: [reedSounder(6)], purpose: 'set', pass: 1, reading: reading.id },
			...{ setTo: null, final: null, plan: null }
		});
		expect(open.reed(6)).toMatchObject({ isSet: true, state: 'set' });
		expect(open.reed(6)!.bite).toBeUndefined();
		// Filed again, it is set no longer.
		open.record.act({ do: 'filed', sounders: [reedSounder(6)], end: 'tip', strokes: 1 });
		expect(open.reed(6)).toMatchObject({ isSet: false, bite: { end: 'tip', strokes: 1 } });
		expect(Object.fromEntries(reedAccount(open)).filed).toBe('1 reed: one stroke at tips, three strokes at roots');
	});

	it('sets a reed to the one of its octave that stands, where octaves are to be still; by itself where each is equal', () => {
		const set = (group: number, off: number) => {
			const reading = read(group, off);
			open.record.act({
				...{ do: 'accept', sounders: [reedSounder(group)], purpose: 'set', pass: 1, reading: reading.id },
				...{ setTo: null, final: null, plan: null }
			});
		};
		// Blow 10, 7, 4 and 1 are octaves of one note, set in that order.
		set(10, 1.6);
		const before = open.reed(7)!.pitch;
		open.replan({ intonation: { ...FIRST_REED_PLAN, level: 'octaves', gentle: -30, playing: -20 } });
		const follows = () => centsBetween(before, open.reed(7)!.pitch);
		expect(follows()).toBeCloseTo(open.reed(10)!.off!, 3);
		expect(Math.abs(follows())).toBeGreaterThan(0.4);
		// What stands far out is no reference; and filed again, it stands no longer.
		open.record.act({ do: 'filed', sounders: [reedSounder(10)], end: 'tip', strokes: 1 });
		expect(follows()).toBeCloseTo(0, 3);
		set(10, 9);
		expect(follows()).toBeCloseTo(0, 3);
	});

	it('learns where this player’s bends end, and puts the auxiliary reed by it', () => {
		const before = open.reed(405)!.playing;
		expect(before).toBeCloseTo(-50, 9);
		for (let times = 0; times < 6; times++)
			open.record.act({ do: 'bent', group: 5, beneath: 405, floor: 600 * 2 ** (40 / 1200), over: 600 });
		expect(open.floors.auxiliary).toBeLessThan(45);
		expect(open.reed(405)!.playing).toBeGreaterThan(before);
	});
});

describe('octaves and chords', () => {
	it('are those that the layout has, with the coincidence of each pair', () => {
		const proofs = proofsOf(open);
		expect(proofs.map(({ name }) => name)).toEqual(
			expect.arrayContaining([
				'Blow 1-4',
				'Draw 1-4',
				'Draw 4-8',
				'Draw 3-7',
				'Draw 5-9',
				'Draw 6-10',
				'Blow 1-2-3',
				'Draw 2-3-4'
			])
		);
		expect(proofs.find(({ name }) => name === 'Blow 1-2-3')!.pairs.map(({ is }) => is)).toEqual([
			'major third',
			'fifth',
			'minor third'
		]);
		expect(expectedOf(open, proofs[0])).toEqual([undefined, undefined, undefined]);
	});

	it('say which reed must move, by the beat as one plays', () => {
		const advice = (name: string) => provedReeds(open).find((each) => each.name === name)!;
		expect(advice('Blow 1-4').advice).toBeUndefined();
		hear(1, 4, [2, 1], 0.05, 'normal');
		expect(advice('Blow 1-4')).toMatchObject({
			isStill: true,
			advice: 'Still as one plays: leave it.',
			missing: 'soft'
		});
		hear(1, 4, [2, 1], -1.2, 'normal');
		hear(1, 4, [2, 1], 0.1, 'hard');
		expect(advice('Blow 1-4').advice).toMatch(/^Blow 1 is too high, and it is still only when blown hard: lower it/);
		hear(1, 4, [2, 1], 1.1, 'normal');
		expect(advice('Blow 1-4').advice).toMatch(/Blow 4 is too high.*raise Blow 1 or lower Blow 4/);
	});

	it('ask whether both sounded where a beat should have been heard and was not', () => {
		read(1, 0);
		read(4, 12);
		hear(1, 4, [2, 1], 0, 'normal');
		const octave = provedReeds(open).find(({ name }) => name === 'Blow 1-4')!;
		expect(octave.advice).toMatch(/^No beat was heard, where they stand 3\.\d a second apart by themselves/);
	});

	it('name the roughest pair of a chord, and the note outside its still pair', () => {
		hear(1, 3, [3, 2], 0.1, 'normal');
		const chord = () => provedReeds(open).find(({ name }) => name === 'Blow 1-2-3')!;
		// One pair of it is not the chord.
		expect(chord().heard[1]).toBeUndefined();
		hear(1, 2, [5, 4], 9, 'normal');
		hear(2, 3, [6, 5], -11, 'normal');
		expect(chord().advice).toMatch(
			/^Roughest: Blow 2 with Blow 3, the minor third, 11\.0 narrow a second, \d+\.\d cents\. Blow 2 stands outside/
		);
	});
});
